/** A jar described by presses alone, for a baker who has no log of it. */
import type { Bubbles, DescribedJar, LookBody, Smell, Thickness, Top } from "../../api/types";

export const AGES = {
  first: "first day",
  early: "day 2 or 3",
  middle: "day 4 to 6",
  old: "a week or more",
};
export const SINCE = { short: "under 6 h ago", half: "6 to 12 h ago", long: "longer ago" };
export const LEVELS = {
  line: "at its line",
  risen: "risen",
  doubled: "doubled or more",
  fallen: "risen, then fallen",
};
export const BEGINNINGS = { water: "flour and water", sour: "a culture or juice" };

export type Described = {
  readonly age: keyof typeof AGES;
  readonly since: keyof typeof SINCE;
  readonly began: keyof typeof BEGINNINGS;
  readonly level: keyof typeof LEVELS | null;
  readonly bubbles: Bubbles | null;
  readonly top: readonly Top[];
  readonly smell: readonly Smell[];
  readonly thickness: Thickness | null;
};

export const NOTHING: Described = {
  age: "middle",
  since: "half",
  began: "water",
  level: null,
  bubbles: null,
  top: [],
  smell: [],
  thickness: null,
};

const DAYS: Record<keyof typeof AGES, number> = { first: 0.9, early: 2, middle: 4.5, old: 10 };
const HOURS: Record<keyof typeof SINCE, number> = { short: 4, half: 9, long: 20 };
const TIMES: Record<keyof typeof LEVELS, readonly [number, number | null]> = {
  line: [1, null],
  risen: [1.4, null],
  doubled: [2.1, null],
  fallen: [1.2, 2],
};

export function isBlank({ level, bubbles, top, smell, thickness }: Described): boolean {
  return !level && !bubbles && !thickness && top.length === 0 && smell.length === 0;
}

/** The same as a look at a jar of the shelf, which is not kept unless the baker says so. */
export function lookOf(it: Described, at: string): LookBody {
  const [level, high] = it.level ? TIMES[it.level] : [null, null];
  const times = (value: number | null) => (value === null ? null : { value, unit: "times" as const });
  return {
    kind: "look",
    at,
    level: times(level),
    bubbles: it.bubbles,
    top: [...it.top],
    smell: [...it.smell],
    thickness: it.thickness,
    high: times(high),
    ph: null,
    celsius: null,
    floats: null,
    note: "",
  };
}

export function bodyOf(it: Described): DescribedJar {
  const [times, high] = it.level ? TIMES[it.level] : [null, null];
  return {
    days: DAYS[it.age],
    since_feed_h: HOURS[it.since],
    times,
    high,
    bubbles: it.bubbles,
    top: [...it.top],
    smell: [...it.smell],
    thickness: it.thickness,
    celsius: null,
    begun_sour: it.began === "sour",
  };
}
