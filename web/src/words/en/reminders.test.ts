import { describe, expect, it } from "vitest";
import { letterName, reminderLine } from "./reminders";

const ONE = {
  about: "jar",
  jar_id: "j",
  jar: "Moth",
  act: "feed",
  due: "2026-03-04T08:00:00Z",
  sent_at: "2026-03-04T08:00:00Z",
  late_h: 0,
  harmless: true,
} as const;

describe("a reminder", () => {
  it("tells of a discard jar by its name", () => {
    const due = "2026-03-04T08:00:00Z";
    const one = { about: "discard", shelf: "with_gluten", sign: "full", due, sent_at: due } as const;
    expect(reminderLine(one)).toBe("Discard jar is full: use some, or empty it.");
    expect(letterName(one)).toBe("Discard jar");
  });

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
