import { describe, expect, it } from "vitest";
import { grams, list, times, typed } from "./numbers";

describe("typed numbers", () => {
  it.each([
    ["40", 40],
    [" 40,5 ", 40.5],
    ["-3", -3],
    [".5", 0.5],
  ])("%j is %d", (text, value) => {
    expect(typed(text)).toBe(value);
  });

  it("tells nothing typed from no number", () => {
    expect(typed("  ")).toBeNull();
    for (const text of ["tall", "4 0", "1e5", "Infinity", "12g", "٣"]) expect(typed(text)).toBeNaN();
  });
});

describe("written numbers", () => {
  it("shows tenths only when there are any", () => {
    const written = [grams(40), grams(40.04), grams(0.35), times(2), times(1.503)];
    expect(written.map((text) => text.replace("\u00a0", " "))).toEqual([
      "40 g",
      "40 g",
      "0.3 g",
      "2 ×",
      "1.5 ×",
    ]);
  });

  it("joins words", () => {
    expect([list([]), list(["rye"]), list(["rye", "spelt", "white"])]).toEqual([
      "",
      "rye",
      "rye, spelt and white",
    ]);
  });
});
