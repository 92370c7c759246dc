import { afterEach, expect, it, vi } from "vitest";
import { heardTime, nowMs } from "./clock";

afterEach(() => vi.useRealTimers());

it("goes by the server's clock when the device's is off, and by its own when it is near", () => {
  vi.useFakeTimers({ now: Date.parse("2026-03-02T08:06:00Z") });
  heardTime("Mon, 02 Mar 2026 08:00:00 GMT");
  expect(new Date(nowMs()).toISOString()).toBe("2026-03-02T08:00:00.000Z");
  vi.advanceTimersByTime(60_000);
  expect(new Date(nowMs()).toISOString()).toBe("2026-03-02T08:01:00.000Z");
  heardTime("Mon, 02 Mar 2026 08:06:55 GMT");
  expect(nowMs()).toBe(Date.now());
  heardTime(null);
  heardTime("no time");
  expect(nowMs()).toBe(Date.now());
});
