import { describe, expect, it } from "vitest";
import type { FeedPlan, ScaleStep } from "../../api/types";
import { emptyFeed, farOff, feedOf, ratioOf, readings, readOff, wentIn } from "./draft";

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
  hold_back_g: 0,
  measured: [],
};
const FIRST: FeedPlan = { ...PLAN, keep_g: 0, total_g: 80 };
const DRAFT = emptyFeed("g");
const step = (act: ScaleStep["do"], add: number, flour: ScaleStep["flour"] = null): ScaleStep => ({
  do: act,
  flour,
  add_g: add,
  scale_shows_g: 0,
  add_ml: add,
});
const WALK = [
  step("take_out", -80),
  step("add_water", 40),
  step("add_flour", 10, "rye"),
  step("add_flour", 30, "spelt"),
];

describe("a feed", () => {
  it("goes as planned where nothing was typed", () => {
    expect(feedOf(DRAFT, PLAN, 0, "UTC")).toMatchObject({ keep_g: 40, water_g: 40, flours: PLAN.flours });
  });

  it("takes what really went in, and a decimal comma", () => {
    const draft = { ...DRAFT, keep: "42", water: "40,5", flours: { rye: "16" as const } };
    expect(feedOf(draft, PLAN, 0, "UTC")).toMatchObject({
      keep_g: 42,
      water_g: 40.5,
      flours: [
        { flour: "rye", g: 16 },
        { flour: "spelt", g: 30 },
      ],
    });
  });

  it("sends what is no number as typed, for the server to name the field", () => {
    expect(feedOf({ ...DRAFT, water: "some" }, PLAN, 0, "UTC").water_g).toBe("some");
  });

  it("keeps nothing at a first mix", () => {
    expect(feedOf({ ...DRAFT, keep: "20" }, FIRST, 0, "UTC").keep_g).toBe(0);
  });
});

describe("the ratio on the label", () => {
  it("is what really went in", () => {
    const fed = feedOf({ ...DRAFT, water: "44" }, PLAN, 0, "UTC");
    expect(ratioOf(fed)).toBe("1:1:1.1");
    expect(ratioOf(feedOf(DRAFT, FIRST, 0, "UTC")).replaceAll("\u00a0", " ")).toBe("40 g + 40 g");
  });
});

describe("what is asked of the feed sheet", () => {
  it("is what was corrected, and not what is still being typed", () => {
    expect(wentIn({ ...DRAFT, water: "44", flours: { rye: "1x" } }, false)).toMatchObject({
      keep_g: null,
      water_g: 44,
      flours: {},
    });
    expect(wentIn({ ...DRAFT, keep: "20" }, true).keep_g).toBeNull();
  });
});

describe("the walk on the scale", () => {
  it("shows jar and all, as it really went", () => {
    expect(readings(WALK, 40, DRAFT, 200)).toEqual([240, 280, 290, 320]);
    expect(readings(WALK, 40, { ...DRAFT, keep: "44", water: "41" }, 200)).toEqual([244, 285, 295, 325]);
  });

  it("takes what the scale shows, a gram off for what was planned", () => {
    expect(readOff(281, 240, 40)).toBe("");
    expect(readOff(286, 240, 40)).toBe("46");
    expect(readOff(240, 240, 40), "nothing was added on this scale").toBe("");
  });

  it("asks about what is ten times the plan, and not about a slip", () => {
    expect(farOff({ ...DRAFT, flours: { spelt: "300" } }, 40, WALK)).toEqual(["spelt"]);
    expect(farOff({ ...DRAFT, flours: { spelt: "40" }, water: "60" }, 40, WALK)).toEqual([]);
    expect(farOff({ ...DRAFT, keep: "4" }, 40, WALK)).toEqual(["keep"]);
  });
});
