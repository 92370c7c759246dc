/** Numbers as a baker writes and reads them. */
import { forms, shownOf, signOf } from "./forms";
import { fromTo, JOIN, plainNumber, written } from "./locale";

/** `40 g`, `40.5 g`: tenths only when there are any; `1.41 oz` to who reads in ounces. */
export function grams(value: number): string {
  return forms().mass === "g" ? inGrams(value) : weight(shownOf("g", value), "oz");
}

/** The same in grams, whoever reads. */
export function inGrams(value: number): string {
  return `${written(Number(value.toFixed(1)))}${JOIN}g`;
}

function weight(value: number, sign: string): string {
  return `${written(Number(value.toFixed(Math.abs(value) < 100 ? 2 : 1)))}${JOIN}${sign}`;
}

/** `24 °C`, `75 °F` */
export function degrees(celsius: number | string): string {
  return `${degreesAlone(celsius)}${JOIN}${signOf("°C")}`;
}

/** `24 to 26 °C` */
export function degreesSpan(from: number, to: number): string {
  return fromTo(degreesAlone(from), degrees(to));
}

function degreesAlone(celsius: number | string): string {
  const value = shownOf("°C", Number(celsius));
  return written(Number(value.toFixed(forms().warmth === "c" ? 1 : 0)));
}

/** `34 mm`, `1.34 in` */
export function length(mm: number | string): string {
  const value = shownOf("mm", Number(mm));
  return `${written(Number(value.toFixed(forms().length === "mm" ? 1 : 2)))}${JOIN}${signOf("mm")}`;
}

export function millilitres(ml: number): string {
  return `${written(ml)}${JOIN}ml`;
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

export { counted, either, fromTo, list, written } from "./locale";
