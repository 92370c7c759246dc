import { describe, expect, it } from "vitest";
import type { Counsel } from "../../api/types";
import { counselWords, wordLine } from "./counsel";

const NOW = "2026-03-04T12:00:00Z";
const SOONER: Counsel = {
  advice: "more_often",
  because: "hungry_again",
  answer: "offered",
  word_id: null,
  feeds: 6,
  due: "2026-03-04T20:00:00Z",
  plan: {
    keep_g: 20,
    flours: [{ flour: "rye", g: 20 }],
    water_g: 20,
    salt_g: 0,
    total_g: 60,
    ratio: "1:1:1",
    fresh_hydration_percent: 100,
    juice_g: 0,
    mix_ahead: [],
    hold_back_g: 0,
    measured: [],
  },
};

describe("advice", () => {
  it("says what, why and what then", () => {
    const { what, why, then } = counselWords(SOONER, NOW, "UTC");
    expect(what).toBe("Feed twice as often for the next 6 feeds.");
    expect(why).toContain("it rose and fell again");
    expect(then?.replaceAll("\u00a0", " ")).toBe(
      "Next then today 20:00: keep 20 g, add 20 g water and 20 g flour.",
    );
  });

  it("does not say twice what the next move says already", () => {
    expect(counselWords({ ...SOONER, advice: "feed_now", answer: "followed" }, NOW, "UTC").then).toBeNull();
  });
});

describe("the baker's word in the log", () => {
  it("tells a verdict, a sign and advice apart", () => {
    const word = { kind: "word", at: NOW, note: "" } as const;
    expect(wordLine({ ...word, about: "ready", yes: true })).toBe("it is ready");
    expect(wordLine({ ...word, about: "hungry_again", yes: false })).toMatch(/^it is not so:/);
    expect(wordLine({ ...word, about: "more_often", yes: false })).toBe("no to advice: feed more often");
  });
});
