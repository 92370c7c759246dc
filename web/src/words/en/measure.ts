/** Amounts as a jar is measured: in grams, or in spoons, cups and by eye with the grams beside. */
import type { FeedPlan } from "../../api/types";
import { list } from "../../lib/numbers";
import { spoons } from "../../lib/units";
import { measure, type Spoons } from "../measured";
import { FLOUR_WORDS } from "./flours";

const PARTS: Record<string, string> = {
  "0.25": "a quarter",
  "0.33": "a third",
  "0.50": "half",
  "0.67": "two thirds",
  "0.75": "three quarters",
};

/** `half`; null for a part that no eye judges. */
export function partWords(part: number | null | undefined): string | null {
  return part == null ? null : (PARTS[part.toFixed(2)] ?? null);
}

/** What is kept, for a sentence: `about half of it`, `2 tbsp (30 g)`, `30 g`. */
export function keptWords(g: number, by: Spoons = [], part: number | null | undefined = null): string {
  const eye = partWords(part);
  return eye ? `about ${eye} of it` : measure(g, by);
}

/** The same feed in spoons and cups alone: `1 tbsp, 2 tbsp water and ⅓ cup white wheat`. */
export function handWords({ by_hand: hand }: Pick<FeedPlan, "by_hand">): string {
  if (!hand) return "";
  const parts = [spoons(hand.keep), `${spoons(hand.water)} water`];
  for (const one of hand.flours) parts.push(`${spoons(one.spoons)} ${FLOUR_WORDS[one.flour]}`);
  return list(parts);
}

type Added = Pick<FeedPlan, "water_g" | "juice_g" | "salt_g" | "flours" | "by_hand">;

/** What goes in, for a sentence: `30 g water, 6 g juice and 20 g spelt`. */
export function addedWords(plan: Added): string {
  const hand = plan.by_hand;
  const flour = (kind: string) => hand?.flours.find((one) => one.flour === kind)?.spoons;
  const parts = [];
  if (plan.water_g > 0) parts.push(`${measure(plan.water_g, hand?.water)} water`);
  if (plan.juice_g && plan.juice_g > 0) parts.push(`${measure(plan.juice_g, hand?.juice)} juice`);
  for (const one of plan.flours) parts.push(`${measure(one.g, flour(one.flour))} ${FLOUR_WORDS[one.flour]}`);
  if (plan.salt_g > 0) parts.push(`${measure(plan.salt_g, hand?.salt)} salt`);
  return list(parts);
}
