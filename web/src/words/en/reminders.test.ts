import { describe, expect, it } from "vitest";
import { reminderLine } from "./reminders";

const ONE = {
  jar_id: "j",
  jar: "Moth",
  act: "feed",
  due: "2026-03-04T08:00:00Z",
  sent_at: "2026-03-04T08:00:00Z",
  late_h: 0,
  harmless: true,
} as const;

describe("a reminder", () => {
  it("names the act and the jar", () => {
    expect(reminderLine(ONE)).toBe("Feed Moth.");
  });

  it("says how late it is and what that means", () => {
    expect(reminderLine({ ...ONE, late_h: 2.5 })).toBe(
      "Feed Moth. It is 2 h 30 min late; that is still as good.",
    );
    expect(reminderLine({ ...ONE, late_h: 14, harmless: false })).toBe(
      "Feed Moth. It is 14 h late; no harm done, the plan goes on from here.",
    );
  });
});
