/** The plan by local days, from the first mix to ready. */

import type { Step } from "../../api/types";
import { written } from "../../lib/numbers";
import { toField } from "../../lib/time";
import { planText } from "../../words";

export type PlanDay = { readonly date: string; readonly steps: readonly Step[] };

/** When a step stands on its day: where it was done, or where it is due; what is overdue stands on today. */
export function momentOf(step: Step, now: string): string {
  if (step.state === "done" && step.off_by_h !== null)
    return new Date(Date.parse(step.due) + step.off_by_h * 3_600_000).toISOString();
  if (step.state === "late" || step.state === "due")
    return Date.parse(step.due) < Date.parse(now) ? now : step.due;
  return step.due;
}

export function byDay(steps: readonly Step[], now: string, zone: string): PlanDay[] {
  const days = new Map<string, Step[]>();
  for (const step of steps) {
    const date = toField(momentOf(step, now), zone).slice(0, 10);
    days.set(date, [...(days.get(date) ?? []), step]);
  }
  return [...days].map(([date, of]) => ({ date, steps: of })).sort((a, b) => a.date.localeCompare(b.date));
}

/** How a done step missed its time, in words, where that is worth telling. */
export function offBy({ missed_by_h: missed }: Step): string | null {
  if (missed === null) return null;
  const hours = written(Math.abs(missed), Math.abs(missed) < 10 ? 1 : 0);
  return missed > 0 ? planText.laterThanPlanned(hours) : planText.soonerThanPlanned(hours);
}
