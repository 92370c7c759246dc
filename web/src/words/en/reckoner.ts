/** What is said by the place “reckoner”. */
import type { Unit } from "../../api/types";
import { JOIN, written } from "../../lib/locale";

/** The sums, and what each asks. */
export const REALM_WORDS = {
  feed: { label: "A feed", asks: "How much of what, and when is it at its peak?" },
  thickness: { label: "How wet", asks: "How wet is it after these feeds, seed and all?" },
  build: { label: "A build", asks: "So much starter by that hour: what to feed when?" },
  slip: { label: "A slip", asks: "Too much went in. What makes it even again?" },
  units: { label: "Spoons and units", asks: "How much is that?" },
  recipe: { label: "For a recipe", asks: "The recipe wants another starter than mine. What changes?" },
} as const;

/** The ends that a feed is reckoned from. */
export const END_WORDS = {
  seed: { choice: { label: "what I keep" }, amount: "Kept" },
  total: { choice: { label: "what I want in all" }, amount: "In all" },
  flour: { choice: { label: "the flour I have" }, amount: "Flour" },
  jar: { choice: { label: "what my jar takes" }, amount: "Jar, to the rim" },
} as const;

export const MEASURE_NAMES: Record<Unit, string> = {
  g: "grams",
  oz: "ounces",
  ml: "millilitres",
  tsp: "teaspoons",
  tbsp: "tablespoons",
  cup: "cups",
};

type Hours = { readonly low: number; readonly middle: number; readonly high: number };

/** `about 6 h (5 to 8)`: to the half hour, as it deserves. */
export function hoursSpan({ low, middle, high }: Hours): string {
  const half = (hours: number) => written(Math.round(hours * 2) / 2);
  return `about ${half(middle)}${JOIN}h (${half(low)} to ${half(high)})`;
}

export const reckonerText = {
  reckoner: "Reckoner",
  sums: "Sums",
  answer: "Answer",
  linkCopied: "The link is copied.",
  copyTheLink: "Copy the link",
  print: "Print",
  flour: "Flour",
  water: "Water",
  from: "Reckoned from",
  ratio: "Seed : flour : water",
  warmth: "Where it stands",
  feedAJarSo: "Feed a jar so",
  keepAndAdd: (keep: string, add: string) => `Keep ${keep}, add ${add}.`,
  inSpoons: (said: string) => `In spoons: ${said}.`,
  untilItsPeak: "until its peak",
  doublesIn: (hours: string) => `Doubles in ${hours}.`,
  hardlyDoubles: "It hardly doubles.",
  goesUpTo: (times: string) => `It goes up to about ${times}.`,
  ofAGrownJar: "Of a grown, lively jar. A young one is slower.",
  kept: "Kept",
  all: "all",
  firstMix: "First mix",
  afterIt: (total: string, wet: string) => `Then ${total}, ${wet} water to flour.`,
  anotherFeed: "Another feed",
  oneLess: "One less",
  waterToFlourIn: (total: string) => `water to flour, in ${total}`,
  forTheDough: "For the dough",
  stays: "Stays in the jar",
  waterToFlour: "Water to flour",
  atItsPeak: "At its peak",
  inFeeds: "In so many feeds",
  planItForAJar: "Plan it for a jar",
  seedToBeginWith: "of the jar to begin with",
  ontoIt: (keep: string, add: string) => `onto ${keep} add ${add}.`,
  thatIsGone: "That hour has gone by. Take fewer feeds, more warmth, or a later hour.",
  inAll: (total: string) => `${total} in all at the end.`,
  meantAs: "Meant as",
  waterThatIsIn: "Water that is in",
  flourThatIsIn: "Flour that is in",
  ratioThen: (asIs: string, mended: string, total: string) =>
    `${asIs} as it is, ${mended} when mended; ${total} in all.`,
  amount: "Amount",
  unit: "In",
  of: "Of",
  byWeight: "by weight",
  aTenth: "Level measures. How a spoon of flour was filled moves it by a tenth; weighing does not.",
  theRecipeAsks: "The recipe asks for",
  ofAStarterAt: "of a starter with water to flour",
  mineIsAt: "Mine has",
  takeItOfAJar: "Take it of a jar",
  ofYours: "of your starter",
  waterAsItIs: "The water of the recipe stays as it is.",
  moreWater: (g: string) => `Add ${g} more water than the recipe says.`,
  lessWater: (g: string) => `Leave out ${g} of the recipe's water.`,
  sameFlour: (g: string) => `Both bring ${g} of flour, so the dough stays as it is.`,
};
