/** A baker's own spreadsheet, on its way into a jar's log. */
import type { SheetHow, SheetPart, SheetRow } from "../../api/types";
import { when } from "../../lib/time";
import { lookLine } from "./looks";
import { problemWords } from "./problems";
import { fedLine } from "./quick";

export const sheetText = {
  bringASheet: "Bring a spreadsheet in",
  title: (name: string) => `A spreadsheet for ${name}`,
  how: "CSV or XLSX, its first row naming the columns. Nothing is written before you have seen what it says.",
  theFile: "The file",
  columns: "What each column holds",
  nothing: "nothing here",
  dates: "Dates are written",
  levels: "Levels are in",
  warmth: "Warmth is in",
  flour: "Feeds are of",
  whatItSays: "What it says",
  noRows: "No row says anything yet. Say which columns hold the date and what was seen or fed.",
  keep: (count: number) => (count === 1 ? "Keep this row" : `Keep these ${count} rows`),
  kept: (count: number) => (count === 1 ? "One row stands in the log." : `${count} rows stand in the log.`),
  undoAll: "Undo all of it",
  undone: (count: number) => `${count} undone.`,
  row: (row: number) => `Row ${row}`,
  there: "was brought in before",
  lookingAtIt: "Reading it",
};

export const SHEET_PARTS: Record<SheetPart, string> = {
  when: "date and time",
  date: "date",
  time: "time",
  what: "what was done",
  level: "level",
  warmth: "warmth",
  ph: "pH",
  keep: "kept, g",
  flour: "flour, g",
  water: "water, g",
  note: "note",
};

export const DATE_ORDERS: Record<SheetHow["dates"], string> = {
  dmy: "day, month, year",
  mdy: "month, day, year",
  ymd: "year, month, day",
};

/** `Mon 2 Mar 08:00: kept 30 g, 30 g whole rye and 30 g water` */
export function sheetRowLine(row: SheetRow, now: number, zone: string): string {
  if (row.problem) {
    const { field, facts } = row.problem;
    const where = SHEET_PARTS[field as SheetPart] ?? field;
    return facts.expected ? `${where}: here belongs ${facts.expected}.` : problemWords(row.problem);
  }
  const { entry } = row;
  if (!entry) return "";
  const at = when(entry.at, now, zone);
  if (entry.kind === "feed") return `${at}: ${fedLine(entry)}`;
  if (entry.kind !== "look") return at;
  const seen = lookLine({ ...entry, note: "" }, null);
  return `${at}: ${[seen, entry.note].filter(Boolean).join(" · ")}`;
}
