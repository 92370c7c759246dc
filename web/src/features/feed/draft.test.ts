import { describe, expect, it } from "vitest";
import type { FeedPlan, ScaleStep, Sheet } from "../../api/types";
import { emptyFeed, farOff, feedOf, meant, readings, readOff, wentIn } from "./draft";

const PLAN: FeedPlan = {
  keep_g: 40,
  flours: [
    { flour: "rye", g: 10 },
    { flour: "spelt", g: 30 },
  ],
  water_g: 40,
  salt_g: 0,
  total_g: 120,
  ratio: "1:1:1",
  fresh_hydration_percent: 100,
  juice_g: 0,
  mix_ahead: [],
  hold_back_g: 0,
  measured: [],
};
const FIRST: FeedPlan = { ...PLAN, keep_g: 0, total_g: 80 };
const DRAFT = emptyFeed("g");
const step = (
  act: ScaleStep["do"],
  corrects: ScaleStep["corrects"],
  brings: number,
  flour: ScaleStep["flour"] = null,
): ScaleStep => ({
  do: act,
  flour,
  add_g: brings,
  scale_shows_g: 0,
  brings_g: brings,
  corrects,
  in_spoons: [],
  from_zero: false,
  spoon_g: null,
});
const WALK = [
  step("take_out", "seed", 40),
  step("add_water", "water", 40),
  step("add_flour", "flour", 10, "rye"),
  step("add_flour", "flour", 30, "spelt"),
];
const TOLERANCE = { near_g: 1.5, far_times: 3, from_g: 5 };
const SHEET: Sheet = {
  plan: PLAN,
  scale_walk: WALK,
  mend: null,
  mend_fits: true,
  line_mm: 30,
  room_times: 3,
  room_is_tight: false,
  style: "in_the_jar",
  discard_g: 80,
  discard_is_food: false,
  then_due: null,
  ratio: "1:1:1",
  doubles_at: 2,
  tolerance: TOLERANCE,
  tare_g: null,
  until_thickness: null,
  g_per_oz: 28.35,
};

describe("a feed", () => {
  it("goes as planned where nothing was typed", () => {
    expect(feedOf(DRAFT, { plan: PLAN, tare_g: null }, 0, "UTC")).toMatchObject({
      keep_g: 40,
      water_g: 40,
      flours: PLAN.flours,
    });
  });

  it("takes what really went in, and a decimal comma", () => {
    const draft = { ...DRAFT, keep: "42", water: "40,5", flours: { rye: "16" as const } };
    expect(feedOf(draft, { plan: PLAN, tare_g: null }, 0, "UTC")).toMatchObject({
      keep_g: 42,
      water_g: 40.5,
      flours: [
        { flour: "rye", g: 16 },
        { flour: "spelt", g: 30 },
      ],
    });
  });

  it("sends what is no number as typed, for the server to name the field", () => {
    expect(feedOf({ ...DRAFT, water: "some" }, { plan: PLAN, tare_g: null }, 0, "UTC").water_g).toBe("some");
  });

  it("keeps nothing at a first mix", () => {
    expect(feedOf({ ...DRAFT, keep: "20" }, { plan: FIRST, tare_g: null }, 0, "UTC").keep_g).toBe(0);
  });
});

describe("what is asked of the feed sheet", () => {
  it("is what was corrected, and not what is still being typed", () => {
    expect(wentIn({ ...DRAFT, water: "44", flours: { rye: "1x" } }, false, PLAN)).toMatchObject({
      keep_g: null,
      water_g: 44,
      flours: {},
    });
    expect(wentIn({ ...DRAFT, keep: "20" }, true, FIRST).keep_g).toBeNull();
  });
});

describe("the walk on the scale", () => {
  it("shows jar and all, as it really went", () => {
    expect(readings(WALK, DRAFT, 200)).toEqual([240, 280, 290, 320]);
    expect(readings(WALK, { ...DRAFT, keep: "44", water: "41" }, 200)).toEqual([244, 285, 295, 325]);
  });

  it("takes what the scale shows, a gram off for what was planned", () => {
    expect(readOff(281, 240, 40, TOLERANCE)).toBe("");
    expect(readOff(286, 240, 40, TOLERANCE)).toBe("46");
    expect(readOff(240, 240, 40, TOLERANCE), "nothing was added on this scale").toBe("");
  });

  it("asks about what is ten times the plan, and not about a slip", () => {
    expect(farOff({ ...DRAFT, flours: { spelt: "300" } }, SHEET)).toEqual(["spelt"]);
    expect(farOff({ ...DRAFT, flours: { spelt: "40" }, water: "60" }, SHEET)).toEqual([]);
    expect(farOff({ ...DRAFT, keep: "4" }, SHEET)).toEqual(["keep"]);
  });

  it("does not ask twice about what was meant, but about another text of the same field", () => {
    const slip = { ...DRAFT, flours: { spelt: "300" } };
    const sure = { ...slip, sure: [meant(slip, { of: "flour", flour: "spelt" })] };
    expect(farOff(sure, SHEET)).toEqual([]);
    expect(farOff({ ...sure, flours: { spelt: "3000" } }, SHEET)).toEqual(["spelt"]);
  });
});
