/** What can be chosen of a way, by name. */
import type { OptionCode } from "../../api/types";

type Named = { readonly label: string; readonly hint?: string };

export const OPTION_WORDS: Record<OptionCode, Named> = {
  way: { label: "Way" },
  origin: { label: "From" },
  every_hours: { label: "Rhythm" },
  twice_from_day: { label: "Twice a day from" },
  first_days: { label: "First days" },
  keeping: { label: "What is kept at a feed" },
  jar: { label: "Jar" },
  seed_grams: { label: "Seed kept at each feed", hint: "Less seed, less waste." },
  start_grams: { label: "Grams of flour to begin with" },
  feed_grams: { label: "Flour at each feed", hint: "And as much water." },
  culture_grams: { label: "Culture put in", hint: "Flakes, or the frozen pinch." },
  target_grams: { label: "Grams the recipe needs" },
  reserve_grams: { label: "Grams to keep back" },
  cold_days: { label: "Days in the fridge between feeds" },
  flour_parts: { label: "Flour to one part of seed", hint: "And as much water." },
  hydration_percent: { label: "Water to flour" },
  juice_percent: { label: "Of the liquid, juice" },
  salt_percent: { label: "Salt to flour" },
  first_blend: { label: "Flour to begin with" },
  middle_blend: { label: "Flour on the way" },
  blend: { label: "Flour of the feeds" },
};
