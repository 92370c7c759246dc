/** The quick line: which words mean what, and what is said of what was understood. */
import type { Bubbles, FeedBody, Smell, Thickness, Top } from "../../api/types";
import { grams, list } from "../../lib/numbers";
import { flourList } from "./flours";

export const quickText = {
  inALine: "In a line",
  example: "1.8x domed apple · fed 30 30 30",
  keepIt: "Keep it",
  notUnderstood: (words: string) => `Not understood, kept as a note: ${words}`,
  writeSuchAs: "Write what you saw (a level, words), or fed and what was kept, flour, water.",
};

/** What begins a feed. */
export const FED_WORDS = ["fed", "feed"];
/** `2x`, `2 times` */
export const TIMES_SIGNS = ["x", "×", "times"];

/** Words by what they mean, as a baker types them in haste: each by its beginning. */
export const SEEN_WORDS: readonly (
  | { readonly says: readonly string[]; readonly top: Top }
  | { readonly says: readonly string[]; readonly smell: Smell }
  | { readonly says: readonly string[]; readonly bubbles: Bubbles }
  | { readonly says: readonly string[]; readonly thickness: Thickness }
  | { readonly says: readonly string[]; readonly floats: boolean }
)[] = [
  { says: ["flat"], top: "flat" },
  { says: ["domed", "dome"], top: "domed" },
  { says: ["sunken", "sunk", "fallen"], top: "sunken" },
  { says: ["liquid", "hooch"], top: "liquid" },
  { says: ["skin", "crust"], top: "skin" },
  { says: ["film"], top: "white_film" },
  { says: ["fuzzy", "mould", "mold"], top: "fuzzy_spots" },
  { says: ["pink", "orange", "streaks"], top: "coloured_streaks" },
  { says: ["flour", "floury"], smell: "floury" },
  { says: ["cheese", "cheesy", "socks"], smell: "cheesy" },
  { says: ["yoghurt", "yogurt"], smell: "yoghurt" },
  { says: ["apple", "fruit", "fruity"], smell: "fruity" },
  { says: ["beer", "beery", "yeasty"], smell: "beery" },
  { says: ["sharp", "vinegar"], smell: "sharp" },
  { says: ["varnish", "acetone"], smell: "nail_varnish" },
  { says: ["rotten", "putrid"], smell: "putrid" },
  { says: ["still"], bubbles: "none" },
  { says: ["few"], bubbles: "few" },
  { says: ["bubbly", "bubbles", "throughout"], bubbles: "throughout" },
  { says: ["froth", "frothy", "foam"], bubbles: "froth" },
  { says: ["runny"], thickness: "runny" },
  { says: ["toothpaste"], thickness: "toothpaste" },
  { says: ["putty"], thickness: "putty" },
  { says: ["floats"], floats: true },
  { says: ["sinks"], floats: false },
];

/** Words that join others and mean nothing by themselves. */
export const JOINING = new Set(["and", "a", "of", "smells", "like", "with", "top", "it", "is", "the"]);

/** `Kept 30 g, 20 g spelt and 10 g whole rye, 30 g water` */
export function fedLine(feed: FeedBody): string {
  return list([`kept ${grams(feed.keep_g)}`, flourList(feed.flours), `${grams(feed.water_g)} water`]);
}
