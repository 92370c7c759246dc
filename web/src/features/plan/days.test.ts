import { describe, expect, it } from "vitest";
import type { Step } from "../../api/types";
import { byDay, momentOf, offBy } from "./days";

const STEP: Step = {
  number: 1,
  day: 1,
  stage: "s",
  act: "feed",
  state: "ahead",
  due: "2026-03-04T08:00:00Z",
  earliest: "2026-03-04T06:00:00Z",
  latest: "2026-03-04T12:00:00Z",
  fits: true,
  waits_for: [],
  seen_by: null,
  entry_id: null,
  off_by_h: null,
  do: [],
  plan: null,
  normal: "quiet",
  has_window: true,
  missed_by_h: null,
};
const NOW = "2026-03-05T23:30:00Z";

describe("the plan by days", () => {
  it("goes by the baker's midnight", () => {
    const days = byDay([STEP, { ...STEP, number: 2, due: "2026-03-05T23:45:00Z" }], NOW, "Europe/Madrid");
    expect(days.map(({ date }) => date)).toEqual(["2026-03-04", "2026-03-06"]);
  });

  it("puts what was done where it was done and what is overdue on today", () => {
    expect(momentOf({ ...STEP, state: "done", off_by_h: 20 }, NOW)).toBe("2026-03-05T04:00:00.000Z");
    expect(momentOf({ ...STEP, state: "late" }, NOW)).toBe(NOW);
  });

  it("says by how much it was missed, where that is worth telling", () => {
    expect(offBy({ ...STEP, state: "done", off_by_h: 0.1, missed_by_h: null })).toBeNull();
    expect(offBy({ ...STEP, state: "done", off_by_h: 3.25, missed_by_h: 3.25 })).toBe(
      "3.3 h later than planned",
    );
    expect(offBy({ ...STEP, state: "done", off_by_h: -14, missed_by_h: -14 })).toBe(
      "14 h sooner than planned",
    );
  });
});
