import { describe, expect, it } from "vitest";
import { emptyLook, fromTimes, lookOf, toTimes } from "./draft";

describe("levels", () => {
  it("are the same in every unit", () => {
    expect([toTimes(2, "times", 30), toTimes(100, "percent", 30), toTimes(60, "mm", 30)]).toEqual([2, 2, 2]);
    expect([fromTimes(1.5, "times", 30), fromTimes(1.5, "percent", 30), fromTimes(1.5, "mm", 30)]).toEqual([
      1.5, 50, 45,
    ]);
  });
});

describe("a look", () => {
  it("has no level when none was given", () => {
    expect(lookOf(emptyLook(), 0, "UTC").level).toBeNull();
  });

  it("sends a level as typed when it is no number", () => {
    expect(lookOf({ ...emptyLook(), level: "tall" }, 0, "UTC").level?.value).toBe("tall");
  });

  it("sends an unreadable time as typed", () => {
    expect(lookOf({ ...emptyLook(), when: { said: "other", field: "soon" } }, 0, "UTC").at).toBe("soon");
  });
});
