import { describe, expect, it } from "vitest";
import { asSeen, byVolume, emptyLook, fromSeen, lookOf, toSeen } from "./draft";

const LINE = {
  mm: 30,
  marks: [
    { mm: 6, ml: 22.2, times: 0.2 },
    { mm: 100, ml: 370, times: 100 / 30 },
  ],
};
/** A jar that opens: as high again holds more than as much again. */
const OPENS = {
  mm: 30,
  marks: [
    { mm: 6, ml: 15, times: 0.15 },
    { mm: 30, ml: 100, times: 1 },
    { mm: 90, ml: 450, times: 4.5 },
  ],
};

describe("levels", () => {
  it("are the same in every unit", () => {
    expect(
      (["times", "percent", "mm", "ml"] as const).map((unit, n) =>
        toSeen([2, 100, 60, 222][n] ?? 0, unit, LINE),
      ),
    ).toEqual([2, 2, 2, expect.closeTo(2)]);
    expect((["times", "percent", "mm", "ml"] as const).map((unit) => fromSeen(1.5, unit, LINE))).toEqual([
      1.5, 50, 45, 167,
    ]);
  });

  it("are kept by volume, and seen by height", () => {
    expect(byVolume(2, OPENS)).toBeCloseTo(2.75);
    expect(asSeen(byVolume(2, OPENS), OPENS)).toBeCloseTo(2);
    expect(byVolume(2, LINE)).toBeCloseTo(2);
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
