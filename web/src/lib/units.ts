/** Weights as the baker's scale or spoons say them. Grams are the truth; what makes the others of them is the server's. */

import { SPOON_SIGNS, written } from "./locale";
import { grams, inGrams } from "./numbers";

export type WeightUnit = "g" | "oz" | "spoons";

/** `1.41 oz` */
export function ounces(value: number, gPerOz: number): string {
  return `${written(Number((value / gPerOz).toFixed(2)))}\u00a0oz`;
}

type Spoonful = { readonly count: number; readonly unit: string };

/** `1 cup 2 tbsp`, `1 ½ tsp` */
export function spoons(parts: readonly Spoonful[]): string {
  return parts.map(({ count, unit }) => `${quarters(count)}\u00a0${SPOON_SIGNS[unit] ?? unit}`).join(" ");
}

const FRACTIONS: Record<string, string> = {
  "0.25": "¼",
  "0.33": "⅓",
  "0.50": "½",
  "0.67": "⅔",
  "0.75": "¾",
};

/** `1 ½`; what no spoon or cup is made for as it is. */
export function quarters(value: number): string {
  const whole = Math.floor(value);
  const part = FRACTIONS[(value - whole).toFixed(2)];
  if (!part) return String(value);
  return whole ? `${whole}\u00a0${part}` : part;
}

type Amount = { readonly add_g: number; readonly in_spoons: readonly Spoonful[] };

/** An amount in the unit that was chosen, whether it goes in or out. */
export function amountOf({ add_g: g, in_spoons: parts }: Amount, unit: WeightUnit, gPerOz: number): string {
  if (unit === "oz") return ounces(Math.abs(g), gPerOz);
  if (unit === "g") return inGrams(Math.abs(g));
  return parts.length > 0 ? spoons(parts) : grams(Math.abs(g));
}
