/** By how much two jars differ, in hours, days or per cent, and between what. */
import type { Difference } from "../api/types";
import { fromTo, percent, written } from "../lib/numbers";
import { dayCount, span } from "../lib/time";

/** Hours to ten minutes, or, of what happens once in days, days to a half. */
function long({ measure }: Difference, count: number): string {
  return measure === "awake" ? dayCount(halfDays(count)) : span(Math.round(Math.abs(count) * 6) * 600_000);
}

const halfDays = (hours: number) => Math.round(Math.abs(hours) / 12) / 2;

export function much(one: Difference): string {
  return one.measure === "height" ? percent(Math.abs(one.share) * 100) : long(one, one.hours ?? 0);
}

export function bounds(one: Difference): string {
  const { measure, low, high, share, hours: late } = one;
  const ends = share < 0 ? [-high, -low] : [low, high];
  const [from, to] = ends.map((end) => Math.max(0, end)) as [number, number];
  const whole = late === null || share === 0 ? 0 : late / share;
  if (measure === "awake") return fromTo(written(halfDays(from * whole)), dayCount(halfDays(to * whole)));
  return measure === "height"
    ? fromTo(String(Math.round(from * 100)), percent(to * 100))
    : fromTo(long(one, from * whole), long(one, to * whole));
}
