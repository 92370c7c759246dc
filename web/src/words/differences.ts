/** By how much two jars differ, in hours or in per cent, and between what. */
import type { Difference } from "../api/types";
import { fromTo, percent } from "../lib/numbers";
import { span } from "../lib/time";

const hours = (count: number) => span(Math.round(Math.abs(count) * 6) * 600_000);

export function much({ measure, share, hours: late }: Difference): string {
  return measure === "height" ? percent(Math.abs(share) * 100) : hours(late ?? 0);
}

export function bounds({ measure, low, high, share, hours: late }: Difference): string {
  const ends = share < 0 ? [-high, -low] : [low, high];
  const [from, to] = ends.map((end) => Math.max(0, end)) as [number, number];
  const whole = late === null || share === 0 ? 0 : late / share;
  return measure === "height"
    ? fromTo(String(Math.round(from * 100)), percent(to * 100))
    : fromTo(hours(from * whole), hours(to * whole));
}
