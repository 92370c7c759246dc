/** Jars side by side: what differs between them, what that did, and how sure it is. */
import type { Apart, Difference, SmellApart, Yardstick } from "../../api/types";
import { list } from "../../lib/numbers";
import { bounds, much } from "../differences";
import { SMELL_WORDS } from "./looks";

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
  holds: "Holds for",
  awakeAfter: "Awake after",
  sinceEachFeed: "Since each feed",
  overAllDays: "Over all days",
  howTheLinesStand: "Lines",
  linesOverDays: (names: string) =>
    `Levels over all days, each jar from its own first mix: ${names}. The table below says what they come to.`,
};

const APART_WORDS: Record<Apart, string> = {
  flour: "their flour",
  liquid: "their liquid",
  ratio: "their ratio",
  rhythm: "their rhythm",
  thickness: "their thickness",
  yeast: "a pinch of baker's yeast",
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

const DOES: Record<Yardstick, string> = {
  to_double: "doubles",
  to_peak: "peaks",
  height: "rises",
  holds: "holds its height",
  awake: "was awake",
};
const MORE: Record<Yardstick, string> = {
  to_double: "later",
  to_peak: "later",
  height: "higher",
  holds: "longer",
  awake: "later",
};
const LESS: Record<Yardstick, string> = {
  to_double: "sooner",
  to_peak: "sooner",
  height: "lower",
  holds: "less long",
  awake: "sooner",
};
const MEASURED: Record<Yardstick, string> = {
  to_double: "how soon it doubles",
  to_peak: "how soon it peaks",
  height: "how high it rises",
  holds: "how long it holds its height",
  awake: "how soon it was awake",
};

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
  if (one.at_least) {
    const [first, last] = one.share < 0 ? [name, plain] : [plain, name];
    return `${first} is awake, and ${last} is not yet, ${much(one)} on: ${last} is surely later.`;
  }
  switch (one.surety) {
    case "surely":
      return `${name} ${does} ${much(one)} ${way} than ${plain}, surely: ${bounds(one)}.`;
    case "likely":
      return `${name} likely ${does} ${way} than ${plain}, by about ${much(one)}. ${once(one)}`;
    case "no_matter":
      return `${name} ${does} as ${plain} does, surely to within a tenth.`;
    case "open":
      return `Whether ${name} ${does} ${LESS[one.measure]} or ${MORE[one.measure]} than ${plain} cannot be told yet. ${once(one)}`;
  }
}

/** A jar wakes once: no further feed tells more of it. */
function once({ measure, more_feeds: feeds }: Difference): string {
  return measure === "awake" ? "A jar wakes only once: more jars would tell, more feeds not." : more(feeds);
}

/** What cannot be told of a jar, and would not be by more feeds, in one sentence. */
export function openLine(measures: readonly Yardstick[], name: string, plain: string): string {
  const named = list(measures.map((one) => MEASURED[one]));
  return `Too near ${plain} to be told of ${name}: ${named}. More feeds alone would hardly settle it.`;
}

/** `Moth smells of vinegar more often than Harbour, surely: at 6 of 8 feeds, against 1 of 9.` */
export function smellLine(one: SmellApart, name: string, plain: string): string {
  const often = one.feeds * one.plain_of > one.plain_feeds * one.of ? "more often" : "less often";
  const counts = `at ${one.feeds} of ${one.of} feeds, against ${one.plain_feeds} of ${one.plain_of}`;
  return `${name} smells ${often} than ${plain} of this, surely: ${SMELL_WORDS[one.smell]} (${counts}).`;
}
