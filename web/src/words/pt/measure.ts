/** Quantidades como um frasco se mede: a peso, ou em colheres, chávenas e a olho com o peso ao lado. */
import type { FeedPlan } from "../../api/types";
import { list } from "../../lib/numbers";
import { spoons } from "../../lib/units";
import type * as en from "../en/measure";
import { measure } from "../measured";
import { FLOUR_WORDS } from "./flours";

const PARTS: Record<string, string> = {
  "0.25": "um quarto",
  "0.33": "um terço",
  "0.50": "metade",
  "0.67": "dois terços",
  "0.75": "três quartos",
};

export const partWords: typeof en.partWords = (part) =>
  part == null ? null : (PARTS[part.toFixed(2)] ?? null);

export const keptWords: typeof en.keptWords = (g, by = [], part = null) => {
  const eye = partWords(part);
  return eye ? `cerca de ${eye}` : measure(g, by);
};

export const handWords: typeof en.handWords = ({ by_hand: hand }: Pick<FeedPlan, "by_hand">) => {
  if (!hand) return "";
  const parts = [spoons(hand.keep), `${spoons(hand.water)} de água`];
  for (const one of hand.flours) parts.push(`${spoons(one.spoons)} de ${FLOUR_WORDS[one.flour]}`);
  return list(parts);
};

export const addedWords: typeof en.addedWords = (plan) => {
  const hand = plan.by_hand;
  const flour = (kind: string) => hand?.flours.find((one) => one.flour === kind)?.spoons;
  const parts = [];
  if (plan.water_g > 0) parts.push(`${measure(plan.water_g, hand?.water)} de água`);
  if (plan.juice_g && plan.juice_g > 0) parts.push(`${measure(plan.juice_g, hand?.juice)} de sumo`);
  for (const one of plan.flours)
    parts.push(`${measure(one.g, flour(one.flour))} de ${FLOUR_WORDS[one.flour]}`);
  if (plan.salt_g > 0) parts.push(`${measure(plan.salt_g, hand?.salt)} de sal`);
  return list(parts);
};
