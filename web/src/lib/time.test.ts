import { describe, expect, it } from "vitest";
import {
  clock,
  dayWord,
  fromField,
  lastNight,
  midnights,
  nextMorning,
  nightAround,
  span,
  toField,
  when,
} from "./time";

const ZONE = "Europe/Lisbon";
const NOW = "2026-03-28T20:10:00Z";
const HOUR = 3_600_000;

describe("moments in words", () => {
  it.each([
    ["2026-03-28T21:00:00Z", "today 21:00"],
    ["2026-03-29T07:00:00Z", "tomorrow 08:00"],
    ["2026-03-27T19:40:00Z", "yesterday 19:40"],
    ["2026-04-01T07:00:00Z", "Wednesday 08:00"],
    ["2026-03-13T08:00:00Z", "Fri 13 Mar 08:00"],
  ])("%s is %s", (at, words) => {
    expect(when(at, NOW, ZONE).replace(/,/g, "")).toBe(words);
  });

  it("tells the day by the baker's midnight, not by London's", () => {
    expect(dayWord("2026-03-28T20:30:00Z", NOW, "Asia/Tokyo")).toBe("today");
    expect(dayWord("2026-03-28T14:30:00Z", NOW, "Asia/Tokyo")).toBe("yesterday");
    expect(clock("2026-03-28T20:30:00Z", "Asia/Tokyo")).toBe("05:30");
  });

  it.each([
    [40, "40 min"],
    [65, "1 h 5 min"],
    [120, "2 h"],
    [13 * 60 + 20, "13 h"],
    [60 * 24 * 3, "3 days"],
  ])("a span of %i minutes is %s", (minutes, words) => {
    expect(span(minutes * 60_000)).toBe(words);
  });
});

describe("the date and time field", () => {
  it("goes there and back", () => {
    const at = "2026-07-01T05:45:00.000Z";
    expect(toField(at, ZONE)).toBe("2026-07-01T06:45");
    expect(fromField(toField(at, ZONE), ZONE)).toBe(at);
  });

  it("takes the first of an hour that comes twice and moves on from one that does not come", () => {
    expect(fromField("2026-10-25T01:30", ZONE)).toBe("2026-10-25T00:30:00.000Z");
    expect(fromField("2026-03-29T01:30", ZONE)).toBe("2026-03-29T00:30:00.000Z");
  });

  it("knows what is no time", () => {
    expect(fromField("", ZONE)).toBeNull();
    expect(fromField("tomorrow", ZONE)).toBeNull();
  });
});

describe("days and nights of the rise line", () => {
  it("has a day of 23 hours when the clocks go forward", () => {
    const days = midnights(Date.parse("2026-03-28T10:00Z"), Date.parse("2026-03-29T10:00Z"), ZONE);
    expect(days.map((day) => new Date(day).toISOString().slice(0, 16))).toEqual([
      "2026-03-28T00:00",
      "2026-03-29T00:00",
      "2026-03-29T23:00",
    ]);
  });

  it("puts tomorrow morning at seven, also where the clocks are changed", () => {
    expect(nextMorning(Date.parse(NOW), ZONE)).toBe("2026-03-29T06:00:00.000Z");
  });

  it("puts last night at half past ten", () => {
    expect(lastNight(Date.parse(NOW), ZONE)).toBe("2026-03-27T22:30:00.000Z");
  });

  it("puts the night around midnight", () => {
    expect(nightAround(0)).toEqual([-2 * HOUR, 6 * HOUR]);
  });
});
