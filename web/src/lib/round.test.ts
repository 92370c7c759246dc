import { describe, expect, it } from "vitest";
import { afterInRound, nextInRound, roundPath } from "./round";

describe("a round over a few jars", () => {
  it("goes from the plain one to the next, and at last to the page it came from", () => {
    expect(roundPath("feed", ["a", "b"], "t")).toBe("/jars/a/feed?round=a,b&trial=t");
    expect(afterInRound("feed", "a", "a,b", "t")).toBe("/jars/b/feed?round=a,b&trial=t");
    expect(afterInRound("feed", "b", "a,b", "t")).toBe("/trials/t");
    expect(nextInRound("a", "a,b")).toBe("b");
    expect(nextInRound("b", "a,b")).toBeNull();
  });

  it("of no trial comes back to the jars held beside each other", () => {
    expect(roundPath("look", ["a", "b", "c"], null)).toBe("/jars/a/look?round=a,b,c");
    expect(afterInRound("look", "c", "a,b,c", null)).toBe("/jars/a/beside?other=b&other=c");
  });
});
