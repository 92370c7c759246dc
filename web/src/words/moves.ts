/** The next move in words: one sentence for what and when, one for how. */
import type { Finding, Move, NextMove, Normal, SignCode, StepState } from "../api/types";
import { grams } from "../lib/numbers";
import { span, when } from "../lib/time";
import { flourList } from "./flours";

type Sentence = { readonly what: string; readonly how: string };
type Told = { readonly name: string; readonly move: NextMove; readonly now: string; readonly zone: string };

function weights({ plan, scale_walk: walk }: NextMove): string {
  if (!plan) return "";
  const added = `${grams(plan.water_g)} water and ${flourList(plan.flours)}`;
  if (plan.keep_g === 0) return `${flourList(plan.flours)} with ${grams(plan.water_g)} water.`;
  const shows = walk[0]?.scale_shows_g;
  const out = shows === undefined ? "" : ` (the scale then shows ${grams(shows)}, jar and all)`;
  return `${grams(plan.keep_g)}${out}, add ${added}.`;
}

const FEED_WORDS: Record<StepState, (told: Told) => string> = {
  done: ({ name }) => `${name} is fed.`,
  not_yet: ({ name, move, now, zone }) => `Leave ${name} be. Feed ${when(move.due ?? now, now, zone)}.`,
  due: ({ name, move, now, zone }) =>
    move.due && Date.parse(move.due) > Date.parse(now) + 20 * 60_000
      ? `Feed ${name} by about ${when(move.due, now, zone)}.`
      : `Feed ${name} now.`,
  late: ({ name, move, now }) =>
    `Feed ${name} now. It is ${span(Date.parse(now) - Date.parse(move.due ?? now))} late, which is no harm.`,
  ahead: ({ name, move, now, zone }) => `Feed ${name} ${when(move.due ?? now, now, zone)}.`,
};

const MOVE_WORDS: Record<Move, (told: Told) => Sentence> = {
  mix: ({ name, move, now, zone }) => {
    const later = move.due !== null && Date.parse(move.due) > Date.parse(now) + 60_000;
    return {
      what: later && move.due ? `Mix ${name} ${when(move.due, now, zone)}.` : `Mix ${name} now.`,
      how: `In the clean jar: ${weights(move)} Loose lid, never sealed.`,
    };
  },
  feed: (told) => ({
    what: FEED_WORDS[told.move.state ?? "due"](told),
    how: `${told.move.state === "not_yet" ? "Then keep" : "Keep"} ${weights(told.move)}`,
  }),
  bin: ({ name }) => ({
    what: `Bin all of ${name}.`,
    how: "Do not scrape, rescue, taste or smell it closely. Tie it in a bag, wash the jar very hot or replace it.",
  }),
  nothing: ({ name }) => ({
    what: `${name} was binned.`,
    how: "Its log stays. Put it away when you are done with it.",
  }),
};

export function nextMove(told: Told): Sentence {
  return MOVE_WORDS[told.move.move](told);
}

/** The next move on a label no longer than a jar is wide. */
export function shortMove(move: NextMove, now: string, zone: string): string {
  if (move.move === "bin") return "bin it";
  if (move.move === "nothing") return "binned";
  const act = move.move === "mix" ? "mix" : "feed";
  if (move.state === "late") return `${act} now, late`;
  if (!move.due || (move.state === "due" && Date.parse(move.due) <= Date.parse(now) + 20 * 60_000))
    return `${act} now`;
  return `${act} ${when(move.due, now, zone)}`;
}

export const NORMAL_WORDS: Record<Normal, string> = {
  wetting: "Nothing to see yet, or a little water on top. That is normal until tomorrow.",
  early_rise:
    "A sudden rise and an odd smell are normal now. It comes from early bacteria and is not ready, however high it goes.",
  quiet: "Quiet and flat is normal now. It is getting sour and the yeast is still few. Keep the rhythm.",
  waking:
    "Small bubbles all through, then a rise that grows from feed to feed. Good smells: apple, beer, yoghurt.",
  growing:
    "Look for a doubling after each feed, ever sooner, with a domed top. One good rise is not yet a habit.",
};

export const SIGN_WORDS: Record<SignCode, string> = {
  mould: "That is mould or spoilage. It goes deeper than what you see.",
};

export function findingLine(finding: Finding, now: string, zone: string): string {
  return `${SIGN_WORDS[finding.sign]} Seen ${when(finding.seen_at, now, zone)}.`;
}
