/** A reminder as it stands in the postbox. */
import type { DiscardSign, Nudged, Posted, Step, WatchedLetter } from "../../api/types";
import { times } from "../../lib/numbers";
import { clock, homeZone, span } from "../../lib/time";
import { DISCARD_NAMES } from "./discard";

export type Letter = Posted | Nudged | WatchedLetter;

const SEEN: Record<WatchedLetter["what"], (jar: string, moment: string, level: string) => string> = {
  doubled: (jar, moment) => `${jar} doubled at ${moment}.`,
  peak: (jar, moment, level) => `${jar} peaked at ${moment}, at ${level}.`,
  near_rim: (jar, moment) => `${jar} came near the rim at ${moment}: put something under it.`,
};

const ACTS: Record<Step["act"], string> = {
  mix: "Mix",
  feed: "Feed",
  stir: "Stir",
  look: "Look at",
  to_fridge: "Put into the fridge:",
  use: "mix the dough",
  to_counter: "Take out of the fridge:",
};

const DISCARD: Record<DiscardSign, string> = {
  old: "is more than a week old: use the oldest of it in the next days.",
  full: "is full: use some, or empty it.",
  too_old: "is more than two weeks old: compost it and begin anew.",
  spoiled: "is spoiled: bin all of it and wash the jar.",
  doubtful: "was fed by a jar that was found spoiled later.",
  film: "shows a film.",
  liquid: "shows liquid, which is normal there.",
};

/** What a letter is about, by its name: `Moth`, `Discard jar`. */
export function letterName(one: Letter): string {
  return one.about === "discard" ? DISCARD_NAMES[one.shelf] : one.jar;
}

/** `Feed Moth.` or, late, how late and what that means; `Discard jar is full: use some, or empty it.` */
export function reminderLine(one: Letter): string {
  if (one.about === "discard") return `${DISCARD_NAMES[one.shelf]} ${DISCARD[one.sign]}`;
  if (one.about === "watched") return SEEN[one.what](one.jar, clock(one.due, homeZone()), times(one.times));
  const { act, jar, late_h: late, harmless } = one;
  const what = `${ACTS[act]} ${jar}.`;
  if (late === 0) return what;
  const means = harmless ? "that is still as good" : "no harm done, the plan goes on from here";
  return `${what} It is ${span(late * 3_600_000)} late; ${means}.`;
}
