import { describe, expect, it } from "vitest";
import { convert } from "./marks";

/** As the server sends them: a straight jar of 500 ml and 100 mm with its line at 40, and one that opens. */
const STRAIGHT = [
  { mm: 8, ml: 40, times: 0.2 },
  { mm: 100, ml: 500, times: 2.5 },
];
const OPENS = [
  { mm: 10, ml: 20, times: 0.2 },
  { mm: 40, ml: 100, times: 1 },
  { mm: 100, ml: 350, times: 3.5 },
];

describe("levels between marks", () => {
  it("are straight in a straight jar, below the lowest mark and above the rim too", () => {
    expect(convert(STRAIGHT, 60, "mm", "times")).toBeCloseTo(1.5);
    expect(convert(STRAIGHT, 4, "mm", "ml")).toBeCloseTo(20);
    expect(convert(STRAIGHT, 3, "times", "mm")).toBeCloseTo(120);
  });

  it("follow a jar that opens piece by piece, there and back", () => {
    expect(convert(OPENS, 70, "mm", "times")).toBeCloseTo(2.25);
    for (const mm of [10, 25, 40, 70, 100, 110])
      expect(convert(OPENS, convert(OPENS, mm, "mm", "ml"), "ml", "mm")).toBeCloseTo(mm);
  });
});
