/** Weights as the baker's scale or spoons say them. Grams are the truth; the others are said beside them. */
import { grams } from "./numbers";

export type WeightUnit = "g" | "oz" | "spoons";

const GRAMS_PER_OUNCE = 28.349523125;
const ML_PER_CUP = 240;
const ML_PER_TABLESPOON = 15;
const ML_PER_TEASPOON = 5;

/** `1.41 oz` */
export function ounces(value: number): string {
  return `${Number((value / GRAMS_PER_OUNCE).toFixed(2))}\u00a0oz`;
}

/** Level measures to the quarter of a teaspoon: `1 cup 2 tbsp`, `1 ½ tsp`. */
export function spoons(millilitres: number): string {
  let rest = Math.max(0.25, Math.round((millilitres / ML_PER_TEASPOON) * 4) / 4) * ML_PER_TEASPOON;
  const parts: string[] = [];
  for (const [name, size, least] of [
    ["cup", ML_PER_CUP, ML_PER_CUP],
    ["tbsp", ML_PER_TABLESPOON, ML_PER_TABLESPOON],
  ] as const) {
    const count = Math.floor(rest / size + 1e-9);
    if (rest >= least && count > 0) {
      parts.push(`${count}\u00a0${name}`);
      rest -= count * size;
    }
  }
  const teaspoons = Math.round((rest / ML_PER_TEASPOON) * 4) / 4;
  if (teaspoons > 0) parts.push(`${quarters(teaspoons)}\u00a0tsp`);
  return parts.join(" ");
}

const FRACTIONS: Record<number, string> = { 0.25: "¼", 0.5: "½", 0.75: "¾" };

function quarters(value: number): string {
  const whole = Math.floor(value);
  const part = FRACTIONS[value - whole];
  if (!part) return String(whole);
  return whole ? `${whole}\u00a0${part}` : part;
}

/** An amount in the unit that was chosen; `ml` is its volume, for spoons. */
export function amount(value: number, ml: number, unit: WeightUnit): string {
  if (unit === "oz") return ounces(value);
  return unit === "spoons" ? spoons(ml) : grams(value);
}
