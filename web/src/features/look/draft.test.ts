import { describe, expect, it } from "vitest";
import { emptyLook, fromTimes, lookOf, toTimes } from "./draft";

const LINE = { mm: 30, ml: 111 };

describe("levels", () => {
  it("are the same in every unit", () => {
    expect(
      (["times", "percent", "mm", "ml"] as const).map((unit, n) =>
        toTimes([2, 100, 60, 222][n] ?? 0, unit, LINE),
      ),
    ).toEqual([2, 2, 2, 2]);
    expect((["times", "percent", "mm", "ml"] as const).map((unit) => fromTimes(1.5, unit, LINE))).toEqual([
      1.5, 50, 45, 167,
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
