import { describe, expect, it } from "vitest";
import { bodyOf, isBlank, NOTHING } from "./described";

describe("a jar described by presses", () => {
  it("is blank until something is seen or smelt; age alone says nothing", () => {
    expect(isBlank(NOTHING)).toBe(true);
    expect(isBlank({ ...NOTHING, age: "old", began: "sour" })).toBe(true);
    expect(isBlank({ ...NOTHING, smell: ["fruity"] })).toBe(false);
    expect(isBlank({ ...NOTHING, level: "line" })).toBe(false);
  });

  it("leaves out what nobody looked at", () => {
    expect(bodyOf(NOTHING)).toMatchObject({ times: null, high: null, bubbles: null, begun_sour: false });
  });

  it("tells a fallen jar by its high mark", () => {
    const { times, high } = bodyOf({ ...NOTHING, level: "fallen" });
    expect(times).toBeLessThan(high ?? 0);
  });
});
