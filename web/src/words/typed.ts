/** What was typed, and how a sentence begins. */
import { grams, typed as typedNumber } from "../lib/numbers";

export function capital(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1);
}

/** What was typed, as a weight; what is none as it is. */
export function asTyped(text: string | undefined): string {
  const value = typedNumber(text ?? "");
  return value === null || Number.isNaN(value) ? (text ?? "") : grams(value);
}
