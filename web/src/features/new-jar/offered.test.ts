import { describe, expect, it } from "vitest";
import type { Ready } from "../../api/types";
import { readyDay } from "./offered";

const START = "2026-03-02T08:00:00Z";
const USUAL = { earliest: 6, likely: 8, latest: 12 };
const on = (...days: [number, number, number]) => {
  const [earliest, likely, latest] = days.map((day) =>
    new Date(Date.parse(START) + day * 86_400_000).toISOString(),
  ) as [string, string, string];
  return { earliest, likely, latest };
};
const ready = (share: number, ...days: [number, number, number]): Ready => ({
  on: on(...days),
  awake: on(...days),
  share,
  latest_is_open: share < 0.9,
  seldom: share < 0.5,
});

describe("the day a way is ready on", () => {
  it("is the model's, and none where next to no jar gets ready here", () => {
    expect(readyDay(ready(1, 5.2, 7.1, 13.4), USUAL, START)).toMatchObject({
      likely: "day 8",
      spread: "6 to 14",
    });
    const none = readyDay(null, USUAL, START);
    expect([none.likely, none.spread]).toEqual(["seldom here", "usually day 6 to 12, in other kitchens"]);
    expect(none.days).toBeGreaterThan(readyDay(ready(0.4, 5.2, 24, 24), USUAL, START).days);
    expect(readyDay(null, USUAL, START, "asleep").sentence).toBe("Likely ready on day 8");
  });

  it("says where it is only as far as was foreseen", () => {
    expect(readyDay(ready(0.8, 5.2, 7.1, 24), USUAL, START)).toMatchObject({
      likely: "day 8",
      spread: "6 to 24 or later",
    });
    expect(readyDay(ready(0.4, 5.2, 24, 24), USUAL, START).likely).toBe("after day 24");
  });
});
