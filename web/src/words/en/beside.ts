/** Jars side by side: what differs between them, what that did, and how sure it is. */
import type { Apart, Difference } from "../../api/types";
import { list } from "../../lib/numbers";
import { bounds, much } from "../differences";

export const besideText = {
  sideBySide: "Side by side",
  plain: "The plain one",
  besideIt: "Beside it",
  chooseOthers: "Choose what stands beside it: one to three jars.",
  holdingThem: "Holding them beside each other",
  linesSince: (names: string) => `Levels since each feed: ${names}. The table below says what they come to.`,
  jar: "Jar",
  since: "Counted since",
  watched: "Feeds watched",
  doubles: "Doubles in",
  peaks: "Peak after",
  rises: "Rises to",
  smells: "Smelt of",
  notYet: "not yet",
  tooFew: "too few feeds",
  isBinned: "binned",
  whatItDid: "What it did",
  askAgain: (names: string) =>
    `Not yet to be told of ${names}: three feeds after waking, each with a level read near its peak, are the least.`,
  onlyThese:
    "That is told of these jars. Two jars of one sort differ by themselves; only more jars tell of the flour.",
  onePlainFirst:
    "The plain one first in every round, one spatula each, so that nothing of one gets into another.",
  lookAtThem: "Look at them, one after another",
  asTable: "As a table (CSV)",
  print: "Print this page",
  beginOne: "Begin one beside it, with one difference",
  needsTwo: "There is only one jar on the shelf.",
};

const APART_WORDS: Record<Apart, string> = {
  flour: "their flour",
  liquid: "their liquid",
  ratio: "their ratio",
  thickness: "their thickness",
  place: "where they stand",
  way: "their way",
  start: "when they began",
};

/** What was evened out before they were held beside each other, beside what is tried. */
export function alikeLine([tried]: readonly Apart[]): string {
  if (tried === "place") return "Told at one ratio, each where it stands.";
  if (tried === "ratio") return "Told at one warmth, each at its own ratio.";
  return "Told at one ratio and one warmth, whatever each was really fed and wherever it stood.";
}

/** `They differ in their flour.` */
export function apartLine(apart: readonly Apart[]): string {
  if (apart.length === 0)
    return "Nothing that is known of them differs. What differs is the jars themselves.";
  const named = list(apart.map((one) => APART_WORDS[one]));
  return apart.length === 1
    ? `They differ in ${named}.`
    : `They differ in more than one thing: ${named}. Which of them did it cannot be told apart.`;
}

const DOES = { to_double: "doubles", to_peak: "peaks", height: "rises" } as const;
const MORE = { to_double: "later", to_peak: "later", height: "higher" } as const;
const LESS = { to_double: "sooner", to_peak: "sooner", height: "lower" } as const;

function more(feeds: number | null): string {
  if (feeds === null) return "More feeds alone would hardly settle it.";
  return feeds === 1
    ? "One more watched feed likely settles it."
    : `${feeds} more watched feeds likely settle it.`;
}

/** `Moth peaks 1 h 50 min later than Harbour, surely: 40 min to 3 h.` */
export function differenceLine(one: Difference, name: string, plain: string): string {
  const way = one.share < 0 ? LESS[one.measure] : MORE[one.measure];
  const does = DOES[one.measure];
  switch (one.surety) {
    case "surely":
      return `${name} ${does} ${much(one)} ${way} than ${plain}, surely: ${bounds(one)}.`;
    case "likely":
      return `${name} likely ${does} ${way} than ${plain}, by about ${much(one)}. ${more(one.more_feeds)}`;
    case "no_matter":
      return `${name} ${does} as ${plain} does, surely to within a tenth.`;
    case "open":
      return `Whether ${name} ${does} ${LESS[one.measure]} or ${MORE[one.measure]} than ${plain} cannot be told yet. ${more(one.more_feeds)}`;
  }
}
