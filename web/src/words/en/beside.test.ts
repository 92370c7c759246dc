import { describe, expect, it } from "vitest";
import type { Difference } from "../../api/types";
import { alikeLine, apartLine, differenceLine, openLine, smellLine } from "./beside";

const LATE: Difference = {
  jar: "b",
  measure: "to_peak",
  share: 0.25,
  low: 0.1,
  high: 0.42,
  hours: 1.5,
  surety: "surely",
  more_feeds: null,
  at_least: false,
};
const line = (part: Partial<Difference>) => differenceLine({ ...LATE, ...part }, "Dark", "Plain");

describe("what differs", () => {
  it("is one thing, or more than can be told apart, or nothing", () => {
    expect(apartLine(["flour"])).toBe("They differ in their flour.");
    expect(apartLine(["flour", "place"])).toBe(
      "They differ in more than one thing: their flour and where they stand. Which of them did it cannot be told apart.",
    );
    expect(apartLine([])).toContain("Nothing that is known of them differs.");
  });
});

describe("what was evened out", () => {
  it("leaves what is tried as it is", () => {
    expect(alikeLine(["place", "start"])).toBe("Told at one ratio, each where it stands.");
    expect(alikeLine(["ratio"])).toContain("each at its own ratio");
    expect(alikeLine(["flour", "place"])).toContain("Told at one ratio and one warmth");
  });
});

describe("what it did", () => {
  it("is told with its bounds where it is sure, in hours of the plain one's peak at 6 h", () => {
    expect(line({})).toBe("Dark peaks 1 h 30 min later than Plain, surely: 40 min to 2 h 30 min.");
    expect(line({ share: -0.25, low: -0.42, high: -0.1, hours: -1.5 })).toBe(
      "Dark peaks 1 h 30 min sooner than Plain, surely: 40 min to 2 h 30 min.",
    );
    expect(line({ measure: "awake", hours: 72, share: 1, low: 0.25, high: 2.2 })).toBe(
      "Dark was awake 3 days later than Plain, surely: 1 to 6.5 days.",
    );
    expect(line({ measure: "height", hours: null }).replaceAll("\u00a0", " ")).toBe(
      "Dark rises 25 % higher than Plain, surely: 10 to 42 %.",
    );
  });

  it("is not concluded where it is not, and says what would settle it", () => {
    expect(line({ surety: "open", more_feeds: 3 })).toBe(
      "Whether Dark peaks sooner or later than Plain cannot be told yet. 3 more watched feeds likely settle it.",
    );
    expect(line({ surety: "likely", more_feeds: 1 })).toBe(
      "Dark likely peaks later than Plain, by about 1 h 30 min. One more watched feed likely settles it.",
    );
    expect(line({ surety: "open" })).toContain("More feeds alone would hardly settle it.");
    expect(line({ surety: "no_matter" })).toBe("Dark peaks as Plain does, surely to within a tenth.");
  });

  it("of a jar that is not awake yet says which, either way round", () => {
    const awake = { measure: "awake", at_least: true, hours: 100 } as const;
    expect(line({ ...awake, share: 1.2 })).toBe(
      "Plain is awake, and Dark is not yet, 4 days on: Dark is surely later.",
    );
    expect(line({ ...awake, share: -0.6 })).toBe(
      "Dark is awake, and Plain is not yet, 4 days on: Plain is surely later.",
    );
    expect(line({ measure: "awake", surety: "open" })).toContain("A jar wakes only once");
  });

  it("lumps together what more feeds would not tell", () => {
    expect(openLine(["to_peak", "height"], "Dark", "Plain")).toBe(
      "Too near Plain to be told of Dark: how soon it peaks and how high it rises. More feeds alone would hardly settle it.",
    );
  });

  it("counts the feeds at which it smelt so", () => {
    const smelt = { jar: "b", smell: "fruity", feeds: 6, of: 8, plain_feeds: 1, plain_of: 9 } as const;
    expect(smellLine(smelt, "Dark", "Plain")).toBe(
      "Dark smells more often than Plain of this, surely: apple, fruit (at 6 of 8 feeds, against 1 of 9).",
    );
  });
});
