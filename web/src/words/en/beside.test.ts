import { describe, expect, it } from "vitest";
import type { Difference } from "../../api/types";
import { alikeLine, apartLine, differenceLine } from "./beside";

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
});
