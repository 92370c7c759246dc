import { describe, expect, it } from "vitest";
import type { FeedPlan } from "../../api/types";
import { emptyFeed, feedOf, wentIn } from "./draft";

const PLAN: FeedPlan = {
  keep_g: 30,
  flours: [
    { flour: "spelt", g: 20 },
    { flour: "rye", g: 10 },
  ],
  water_g: 30,
  salt_g: 0,
  total_g: 90,
  ratio: "1:1:1",
  fresh_hydration_percent: 100,
  juice_g: 0,
  hold_back_g: 0,
  measured: [],
};
const NOW = Date.parse("2026-03-04T12:00:00Z");

describe("a feed being weighed", () => {
  it("goes as planned where nothing was typed", () => {
    expect(feedOf(emptyFeed(), PLAN, NOW, "UTC")).toMatchObject({
      at: "2026-03-04T12:00:00.000Z",
      keep_g: 30,
      water_g: 30,
      flours: PLAN.flours,
      line_mm: null,
    });
  });

  it("takes what really went in", () => {
    const draft = { ...emptyFeed(), keep: "28", water: "31,5", flours: { spelt: "26" }, line: "34" };
    expect(feedOf(draft, PLAN, NOW, "UTC")).toMatchObject({
      keep_g: 28,
      water_g: 31.5,
      flours: [
        { flour: "spelt", g: 26 },
        { flour: "rye", g: 10 },
      ],
      line_mm: 34,
    });
  });

  it("sends what is no number as typed, so that the server names the field", () => {
    expect(feedOf({ ...emptyFeed(), water: "a cup" }, PLAN, NOW, "UTC").water_g).toBe("a cup");
  });

  it("asks the sheet only about what was corrected", () => {
    expect(wentIn(emptyFeed(), false)).toEqual({ keep_g: null, water_g: null, flours: {} });
    const draft = { ...emptyFeed(), keep: "28", water: "much", flours: { spelt: "26", rye: "" } };
    expect(wentIn(draft, false)).toEqual({ keep_g: 28, water_g: null, flours: { spelt: 26 } });
    expect(wentIn(draft, true).keep_g).toBeNull();
  });

  it("remembers an hour ago", () => {
    const draft = { ...emptyFeed(), when: { said: "60", field: "" } as const };
    expect(feedOf(draft, PLAN, NOW, "UTC").at).toBe("2026-03-04T11:00:00.000Z");
  });
});
