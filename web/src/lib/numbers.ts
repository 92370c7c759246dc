/** Numbers as a baker writes and reads them. */
import { JOIN, plainNumber, written } from "./locale";

/** `40 g`, `40.5 g`: tenths only when there are any. */
export function grams(value: number): string {
  return `${written(Number(value.toFixed(1)))}${JOIN}g`;
}

/** `2.1 ×`: the level as a multiple of the line. */
export function times(value: number): string {
  return `${written(Number(value.toFixed(2)))}${JOIN}×`;
}

export function percent(value: number): string {
  return `${Math.round(value)}${JOIN}%`;
}

/** What was typed as a number; a decimal comma will do. NaN for what is none, null for nothing typed. */
export function typed(text: string): number | null {
  const plain = plainNumber(text);
  if (plain === "") return null;
  return /^[+-]?\d*\.?\d+$/.test(plain) ? Number(plain) : Number.NaN;
}

/** A number as it is sent: nothing typed is null, and what is no number goes as it is, for the server to name the field. */
export function asSent(text: string): number | null {
  const value = typed(text);
  return Number.isNaN(value) ? (text as unknown as number) : value;
}

export { list, written } from "./locale";
