/** A jar described by presses alone, for a baker who has no log of it. */
import type {
  Bubbles,
  DescribedJar,
  HowHigh,
  HowOld,
  LookBody,
  SignChoices,
  SinceFed,
  Smell,
  Thickness,
  Top,
} from "../../api/types";

export type Described = {
  readonly age: HowOld;
  readonly since: SinceFed;
  readonly began: "water" | "sour";
  readonly level: HowHigh | null;
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

export function isBlank({ level, bubbles, top, smell, thickness }: Described): boolean {
  return !level && !bubbles && !thickness && top.length === 0 && smell.length === 0;
}

/** The same as a look at a jar of the shelf, which is not kept unless the baker says so. */
export function lookOf(it: Described, at: string, choices: SignChoices): LookBody {
  const seen = choices.levels.find(({ level }) => level === it.level);
  const times = (value: number | null | undefined) =>
    value == null ? null : { value, unit: "times" as const };
  return {
    kind: "look",
    at,
    level: times(seen?.times),
    bubbles: it.bubbles,
    top: [...it.top],
    smell: [...it.smell],
    thickness: it.thickness,
    high: times(seen?.high),
    ph: null,
    celsius: null,
    floats: null,
    note: "",
  };
}

export function bodyOf(it: Described, choices: SignChoices): DescribedJar {
  const seen = choices.levels.find(({ level }) => level === it.level);
  return {
    days: choices.ages.find(({ age }) => age === it.age)?.days ?? 0,
    since_feed_h: choices.since.find(({ since }) => since === it.since)?.hours ?? 0,
    times: seen?.times ?? null,
    high: seen?.high ?? null,
    bubbles: it.bubbles,
    top: [...it.top],
    smell: [...it.smell],
    thickness: it.thickness,
    celsius: null,
    begun_sour: it.began === "sour",
  };
}
