/** The next move in words: one sentence for what and when, one for how. */
import type { DeedKind, Move, NextMove, Normal, StepState } from "../../api/types";
import { grams } from "../../lib/numbers";
import { clock, dayWord, span, when } from "../../lib/time";
import { measure } from "../measured";
import { addedWords, keptWords } from "./measure";
import { sightWords } from "./sights";
import { amount } from "./tasks";

type Sentence = { readonly what: string; readonly how: string };
type Told = { readonly name: string; readonly move: NextMove; readonly now: string; readonly zone: string };

/** What goes into a feed and what stays, from its verb on: `Keep 30 g, add 30 g water and 30 g spelt.` */
function weights({ plan, scale_walk: walk, do: tasks }: NextMove, then = ""): string {
  if (!plan) return "";
  const hand = plan.by_hand;
  const said = (text: string) => (then ? then + text.charAt(0).toLowerCase() + text.slice(1) : text);
  if (tasks.some((task) => task.do === "put_in"))
    return said(`${measure(plan.keep_g, hand?.keep)} of the culture, ${addedWords(plan)}.`);
  if (plan.keep_g === 0) return said(`${addedWords(plan)}.`);
  if (tasks.some((task) => task.do === "keep_all")) return said(`Keep all of it, add ${addedWords(plan)}.`);
  const out = tasks.find((task) => task.do === "take_out");
  if (hand && out) return said(`Stir, take out ${amount(out)}, add ${addedWords(plan)}.`);
  const clean = tasks.some((task) => task.do === "clean_jar") ? " in a clean jar" : "";
  const taken = walk.find((step) => step.do === "take_out");
  // A reading helps who has weighed the jar; who measures by hand has no scale to read.
  const shows =
    taken && !hand && !taken.from_zero
      ? ` (the scale then shows ${grams(taken.scale_shows_g)}, jar and all)`
      : "";
  return said(
    `Keep ${keptWords(plan.keep_g, hand?.keep, hand?.keep_part)}${clean}${shows}, add ${addedWords(plan)}.`,
  );
}

/** Its time is still to come. */
const later = ({ move }: Told) => !move.is_now;
const due = ({ move, now, zone }: Told) => when(move.due ?? now, now, zone);

const atAbout = ({ move, now, zone }: Told) =>
  `${dayWord(move.due ?? now, now, zone)}, at about ${clock(move.due ?? now, zone)}`;

/** One act, by where it stands: `verb` as in "Feed Moth now." */
function byState(verb: string): Record<StepState, (told: Told) => string> {
  const lower = verb.toLowerCase();
  return {
    done: ({ name }) => `${name} is done.`,
    skipped: ({ name }) => `${name} is left out.`,
    not_yet: (told) => `Leave ${told.name} be. ${verb} ${due(told)}.`,
    waiting: (told) => `Wait with ${told.name}. ${verb} once ${sightWords(told.move.waits_for)}.`,
    due: (told) => (later(told) ? `${verb} ${told.name} ${atAbout(told)}.` : `${verb} ${told.name} now.`),
    late: ({ name, move, now }) =>
      `${verb} ${name} now. It is ${span(Date.parse(now) - Date.parse(move.due ?? now))} late, which is no harm.`,
    resting: ({ name }) => `${name} rests in the fridge. Nothing is due.`,
    ahead: (told) => `${verb} ${told.name} ${due(told)}, ${lower} it then.`,
  };
}

const FEED = byState("Feed");
const STIR = byState("Stir");

function place(now: string, then: string): (told: Told) => Sentence {
  return (told) => {
    const waits = told.move.state === "waiting" ? ` once ${sightWords(told.move.waits_for)}` : "";
    const time = told.move.state === "not_yet" || later(told) ? ` ${due(told)}` : " now";
    return { what: `${now.replace("{name}", told.name)}${waits || time}.`, how: then };
  };
}

const MOVE_WORDS: Record<Move, (told: Told) => Sentence> = {
  mix: (told) => ({
    what: later(told) ? `Mix ${told.name} ${due(told)}.` : `Mix ${told.name} now.`,
    how: `In the clean jar: ${weights(told.move)} Loose lid, never sealed.`,
  }),
  feed: (told) => {
    const { state } = told.move;
    const keep = weights(told.move, state === "not_yet" || state === "waiting" ? "Then " : "");
    const look = state === "waiting" ? `Look again ${due(told)}. ` : "";
    return { what: FEED[state ?? "due"](told), how: look + keep };
  },
  stir: (told) => ({
    what: STIR[told.move.state ?? "due"](told),
    how: "Add nothing, take nothing out. It gets air that way.",
  }),
  look: (told) => ({
    what: `Look at ${told.name} ${later(told) ? due(told) : "now"}.`,
    how: "Measure, and note what you see.",
  }),
  to_fridge: place("Put {name} in the fridge", "Lid loose there too. It slows down to about a tenth."),
  to_counter: place("Take {name} out of the fridge", "It is fed once it has lost the worst of the cold."),
  use: (told) => ({
    what: later(told)
      ? `Mix the dough with ${told.name} ${due(told)}.`
      : `Mix the dough with ${told.name} now.`,
    how: `Take out ${grams(told.move.do.reduce((sum, one) => sum + (one.g ?? 0), 0))}. What stays is fed again soon.`,
  }),
  rest: ({ name }) => ({
    what: `${name} rests in the fridge. Nothing is due.`,
    how: "Liquid on top is normal there. Take it out when you want to go on, or plan a bake.",
  }),
  bin: ({ name }) => ({
    what: `Bin all of ${name}.`,
    how: "Do not scrape, rescue, taste or smell it closely. Tie it in a bag, wash the jar very hot or replace it.",
  }),
  binned: ({ name }) => ({
    what: `${name} was binned.`,
    how: "Its log stays. Put it away when you are done with it.",
  }),
  nothing: ({ name }) => ({
    what: `${name} asks for nothing.`,
    how: "Its log stays. Put it away when you are done with it.",
  }),
};

export function nextMove(told: Told): Sentence {
  return MOVE_WORDS[told.move.move](told);
}

/** What is recorded when an act that adds nothing is done, and what the baker presses for it. */
export const DEED_OF: Partial<Record<Move, { readonly deed: DeedKind; readonly label: string }>> = {
  stir: { deed: "stirred", label: "Stirred" },
  to_fridge: { deed: "to_fridge", label: "It is in the fridge" },
  to_counter: { deed: "to_counter", label: "It is out" },
};

const SHORT: Record<Move, string> = {
  mix: "mix",
  feed: "feed",
  stir: "stir",
  look: "look",
  to_fridge: "to the fridge",
  to_counter: "take out",
  use: "mix the dough",
  rest: "rests in the fridge",
  bin: "bin it",
  binned: "binned",
  nothing: "at rest",
};

/** The next move on a label no longer than a jar is wide. */
export function shortMove(move: NextMove, now: string, zone: string): string {
  const act = SHORT[move.move];
  if (!move.state) return act;
  if (move.state === "late") return `${act} now, late`;
  if (move.state === "resting") return act;
  if (move.state === "waiting") return `wait, look ${when(move.due ?? now, now, zone)}`;
  if (!move.due || (move.state === "due" && move.is_now)) return `${act} now`;
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
  soured:
    "Little to see; the juice keeps the early bacteria down, so there is no false rise. It smells of fruit.",
  slow_quiet: "Slow and quiet is normal for this flour. Bubbles come before any rise.",
  soaking: "It swells and stirs smooth. Nothing rises yet.",
  reviving: "Little or nothing to see after the first feeds is normal. It wakes from within.",
  stirring: "A half rise at the third feed, more at the fourth: it is coming back.",
  rested: "The first feed after the cold is slow, up to twice as long as usual.",
  lively: "Up in a few hours, domed, then down again. Feed at or just after its peak.",
};
