/** Families, their options and choices, in the baker's words. */
import type { FamilyCode, OptionScale, PickCode, Reason, Thing } from "../../api/types";
import { grams, written } from "../../lib/numbers";

type Named = { readonly label: string; readonly hint?: string };

export const FAMILY_WORDS: Record<FamilyCode, Named> = {
  equal_parts: {
    label: "Equal parts by the clock",
    hint: "The common way: seed, flour and water alike, once or twice a day.",
  },
  wet_rye: { label: "Wet rye", hint: "Whole rye and much water. The fastest usual way." },
  on_signs: { label: "Feed on signs", hint: "Look daily, feed only when it shows life." },
  when_hungry: {
    label: "Only when hungry",
    hint: "A very small jar. Least flour, least waste; for cool kitchens.",
  },
  acid_start: { label: "Acid start", hint: "Unsweetened pineapple juice first. Skips the false rise." },
  small_seed: { label: "Small seed, big meal", hint: "Little kept, much added, once a day." },
  spoons: { label: "Spoons and a ruler", hint: "No scale. Measured in height and pH; good with children." },
  by_feel: { label: "By feel", hint: "Cups and a whisk, thickness by eye." },
  slow_build: { label: "Slow build", hint: "Nothing goes out for four days. For gluten-free flour too." },
  stiff_warm: { label: "Stiff and warm", hint: "A salted dough in a warm box, two and a half days." },
  dried_soak: { label: "Soaked, then weighed", hint: "Flakes in water for three hours, then flour." },
  dried_spoons: { label: "Soaked, in spoons", hint: "A sachet, and twice as much each time." },
  wake_and_keep: { label: "Wake, build, keep", hint: "For what sleeps, and for what is finished." },
};

export const PICK_WORDS: Record<PickCode, Named> = {
  from_flour: { label: "flour and water" },
  from_frozen: { label: "a frozen pinch" },
  never: { label: "not at all" },
  day_3: { label: "day 3" },
  day_4: { label: "day 4" },
  feed_from_day_2: { label: "feed from day 2" },
  rest_then_top_up: { label: "stir, then top up", hint: "day 2 stirred only, nothing out on day 3" },
  keep_weight: { label: "a fixed weight" },
  keep_half: { label: "half of it" },
  half_then_quarter: { label: "half, later a quarter" },
  same_jar: { label: "the same jar" },
  clean_jar: { label: "a clean jar each time" },
  short: { label: "short course", hint: "rye throughout" },
  long: { label: "long course", hint: "half white from day 3" },
  daily_juice: { label: "juice for two days", hint: "in ounces" },
  stir_and_wait: { label: "stir until it froths", hint: "in cups" },
  spoonful_a_day: { label: "a spoonful a day" },
  thicken: { label: "more each day, kept thick" },
  refill: { label: "half out, refill" },
  build_up: { label: "build up, nothing out" },
  refresh: { label: "refresh daily", hint: "in a clean jar" },
  build: { label: "wake, then build", hint: "for one bake" },
  equal_feeds: { label: "three equal feeds" },
  counter: { label: "keep on the counter" },
  counter_and_cold: { label: "half the day in the fridge", hint: "for hot kitchens" },
  fridge: { label: "keep in the fridge", hint: "fed once a week" },
};

export const SCALE_UNITS: Record<OptionScale, string> = {
  grams: "g",
  hours: "h",
  percent: "%",
  parts: "parts",
  days: "d",
};

/** `5 to 200 g.` */
export function rangeWords(least: number, most: number, scale: OptionScale): string {
  if (scale === "grams") return `${grams(least)} to ${grams(most)}.`;
  return `${written(least)} to ${written(most)} ${SCALE_UNITS[scale]}.`;
}

export const THING_WORDS: Record<Thing, string> = {
  scale: "a scale",
  spoons: "spoons and cups",
  ruler: "a ruler",
  ph_strips: "pH strips",
  juice: "unsweetened juice",
  warm_place: "a steady warm place",
  second_jar: "a second jar",
  fridge: "a fridge",
  salt: "salt",
  culture: "the culture",
};

/** Why a way is suggested, or advised against. */
export const REASON_WORDS: Record<Reason, string> = {
  soonest: "soonest",
  least_flour: "least flour",
  least_discard: "least waste",
  least_work: "least work",
  no_scale: "needs no scale",
  needs_scale: "needs a scale",
  too_cold: "made for a warmer place",
  slow_flour: "slow with this flour",
  seldom_ready: "seldom doubles in time",
};

/** How much of it is made, against the way's own amounts. */
export function sizeWords(size: number): string {
  const words: Record<string, string> = { "1": "as the way has it", "2": "twice" };
  return words[String(size)] ?? SHARES[String(size)] ?? `${size} times`;
}

const SHARES: Record<string, string> = {
  "0.5": "half of it",
  "0.25": "a quarter of it",
  "0.125": "an eighth of it",
};

/** `Half of it` */
export function shareWords(share: number): string {
  const said = SHARES[String(share)] ?? `${Math.round(share * 100)} % of it`;
  return `${said.charAt(0).toUpperCase()}${said.slice(1)}`;
}
