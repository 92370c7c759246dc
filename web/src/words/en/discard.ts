/** The discard jar as it stands on the shelf: its name, how much and how old, what it shows. */
import type { DiscardJar, DiscardShelf, DiscardSign } from "../../api/types";
import { counted, grams, list } from "../../lib/numbers";

export const DISCARD_NAMES: Record<DiscardShelf, string> = {
  with_gluten: "Discard jar",
  gluten_free: "Gluten-free discard jar",
};

/** `9 days old`, `from today`. */
function ageWords(oldest: string, now: string): string {
  const days = Math.floor((Date.parse(now) - Date.parse(oldest)) / 86_400_000);
  if (days < 1) return "from today";
  return `its oldest part ${days} ${counted(days, "day", "days")} old`;
}

/** `120 g, its oldest part 9 days old.` */
export function discardLine(jar: DiscardJar, now: string): string {
  if (jar.total_g <= 0 || jar.oldest_at === null) return jar.washed ? "Empty, and washed." : "Empty.";
  return `${grams(Math.round(jar.total_g))}, ${ageWords(jar.oldest_at, now)}.`;
}

/** `330 g, 10 days old`, as it stands on the shelf. */
export function discardShort(jar: DiscardJar, now: string): string {
  if (jar.total_g <= 0 || jar.oldest_at === null) return "empty";
  return `${grams(Math.round(jar.total_g))}, ${ageWords(jar.oldest_at, now).replace("its oldest part ", "")}`;
}

const SIGNS: Record<
  DiscardSign,
  { readonly grave: "danger" | "care" | "normal"; readonly meaning: string; readonly advice: string }
> = {
  spoiled: {
    grave: "danger",
    meaning: "Fuzzy, pink or orange: that is spoilage.",
    advice: "Bin all of it, tasting nothing, and wash the jar hot before anything goes in again.",
  },
  doubtful: {
    grave: "care",
    meaning: "A jar that gave to it was found spoiled later.",
    advice: "What was put in before may have carried it. If in doubt, bin all of it and wash the jar.",
  },
  too_old: {
    grave: "care",
    meaning: "Its oldest part is more than two weeks old.",
    advice: "It is very sour by now. Compost it, wash the jar, and begin anew.",
  },
  old: {
    grave: "normal",
    meaning: "Its oldest part is more than a week old.",
    advice: "Use it in the next days, the oldest first.",
  },
  full: {
    grave: "normal",
    meaning: "It is full.",
    advice: "Use some of it, the oldest first, before the next feed gives more.",
  },
  film: {
    grave: "care",
    meaning: "A thin, flat, white film is wild yeast.",
    advice: "Lift it off and use the rest soon; fuzzy or coloured, all of it goes.",
  },
  liquid: {
    grave: "normal",
    meaning: "Liquid on top is normal there.",
    advice: "Stir it in or pour it off.",
  },
};

/** A sign of it as it is shown; the jars in doubt are named. */
export function discardSign(sign: DiscardSign, jar: DiscardJar) {
  const said = SIGNS[sign];
  const meaning =
    sign === "doubtful" ? `${list(jar.doubtful)} gave to it and was found spoiled later.` : said.meaning;
  return { ...said, meaning, question: null };
}
