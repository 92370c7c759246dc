/** A jar described by presses: how old, how long since its feed, how high. */
import type { HowHigh, HowOld, SinceFed } from "../../api/types";

export const AGE_WORDS: Record<HowOld, string> = {
  first_day: "first day",
  early: "day 2 or 3",
  middle: "day 4 to 6",
  old: "a week or more",
};

export const SINCE_WORDS: Record<SinceFed, string> = {
  short: "under 6 h ago",
  half: "6 to 12 h ago",
  long: "longer ago",
};

export const LEVEL_WORDS: Record<HowHigh, string> = {
  line: "at its line",
  risen: "risen",
  doubled: "doubled or more",
  fallen: "risen, then fallen",
};

export const BEGINNING_WORDS = { water: "flour and water", sour: "a culture or juice" };
