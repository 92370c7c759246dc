/** Advice and cautions in words: what to change, why, and what the plan would be with it. */
import type { About, Advice, Counsel, Notice, SignCode, WordBody } from "../../api/types";
import { degreesSpan, grams } from "../../lib/numbers";
import { when } from "../../lib/time";
import { ASKED_NAMES, SIGN_NAMES } from "./judging";
import { addedWords, keptWords } from "./measure";

const feeds = (count: number) => (count === 1 ? "the next feed" : `the next ${count} feeds`);

/** What to do, for so many feeds. */
const ADVICE_WORDS: Record<Advice, (count: number) => string> = {
  feed_now: () => "Feed it now",
  hold_off: () => "Hold the next feed off for half a day",
  more_often: (count) => `Feed twice as often for ${feeds(count)}`,
  less_often: (count) => `Let half as much time again pass before ${feeds(count)}`,
  larger_feed: (count) => `Keep half as much for the same flour at ${feeds(count)}`,
  smaller_feed: (count) => `Keep twice as much for the same flour at ${feeds(count)}`,
  whole_flour: (count) => `Make a quarter of the flour whole rye at ${feeds(count)}`,
  thicker: (count) => `Add a sixth less water at ${feeds(count)}`,
  clean_jar: () => "Feed it into a clean jar next time",
  skip_discard: () => "Take nothing out at the next feed",
  warmer_place: () => `Find it a spot at ${degreesSpan(24, 26)}`,
  cooler_place: () => "Move it somewhere cooler now",
  set_spare: () => "Set a spare aside: a spoonful of it, fed, in a jar of its own in the fridge",
};

export const ADVICE_NAMES: Record<Advice, string> = {
  feed_now: "feed at once",
  hold_off: "hold the feed off",
  more_often: "feed more often",
  less_often: "feed less often",
  larger_feed: "larger feeds",
  smaller_feed: "smaller feeds",
  whole_flour: "some whole rye",
  thicker: "less water",
  clean_jar: "a clean jar",
  skip_discard: "no discard once",
  warmer_place: "a warmer place",
  cooler_place: "a cooler place",
  set_spare: "a spare set aside",
};

/** What the button says that takes it. */
export const YES_WORDS: Partial<Record<Advice, string>> = {
  warmer_place: "I have moved it",
  cooler_place: "I have moved it",
  set_spare: "Set one aside",
};

export type Told = { readonly what: string; readonly why: string; readonly then: string | null };

/** A piece of advice, its reason, and the next feed with it. */
export function counselWords(one: Counsel, now: string, zone: string): Told {
  const why = one.because ? `Because: ${SIGN_NAMES[one.because]}.` : "It is ready, and a spare is insurance.";
  const { due, plan, answer } = one;
  const water = plan ? plan.water_g + plan.juice_g : 0;
  const flour = plan ? plan.flours.reduce((sum, part) => sum + part.g, 0) : 0;
  const then =
    due && plan && answer !== "followed"
      ? `Next then ${Date.parse(due) > Date.parse(now) ? when(due, now, zone) : "at once"}: keep ${keptWords(plan.keep_g, plan.by_hand?.keep, plan.by_hand?.keep_part)}, add ${plan.by_hand ? addedWords(plan) : `${grams(water)} water and ${grams(flour)} flour`}.`
      : null;
  return { what: `${ADVICE_WORDS[one.advice](Math.max(1, one.feeds))}.`, why, then };
}

function isSign(about: About): about is SignCode {
  return about in SIGN_NAMES;
}

/** The baker's word as the log tells it. */
export function wordLine({ about, yes }: WordBody): string {
  if (about === "ready") return yes ? "it is ready" : "it is not ready";
  if (isSign(about))
    return `${yes ? "it is so" : "it is not so"}: ${ASKED_NAMES[about] ?? SIGN_NAMES[about]}`;
  return `${yes ? "yes" : "no"} to advice: ${ADVICE_NAMES[about]}`;
}

export const NOTICE_WORDS: Record<Notice, string> = {
  raw_flour:
    "Raw flour and raw starter are not for tasting: they can carry germs. Wash your hands after handling them.",
  never_seal: "Never seal the jar. It makes gas, and a closed jar can burst. Cloth, paper or a loose lid.",
  holds_gluten:
    "Wheat, rye, barley and spelt hold gluten and are allergens. A long ferment does not make them safe with coeliac disease or wheat allergy; ask a doctor.",
  gluten_free_tools:
    "Gluten-free raising needs its own jar, spoon and cloth. Gluten-free wheat starch is not for wheat allergy; ask a doctor.",
  warm_place:
    "A warm box or an oven with only its light on can get too hot. Read a thermometer first, and put a note on the oven door.",
  discard_not_food: "What you take out now is not food yet. Compost or bin it.",
  cook_discard:
    "From now on the discard can be kept in the fridge, covered and labelled. Bake or cook it through; never eat it raw.",
  for_whom_you_bake:
    "For people with weakened defences, and for bread you sell, local rules and licensed advice come first.",
};
