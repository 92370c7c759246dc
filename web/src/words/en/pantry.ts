/** The discard jar and the flour ledger in words. */
import type { DiscardAct, DiscardJar, DiscardNote, Flour, FlourRow, StockKind } from "../../api/types";
import { forms, KG_PER_LB } from "../../lib/forms";
import { LOCALE } from "../../lib/locale";
import { grams, list, written } from "../../lib/numbers";
import { dayWord, when } from "../../lib/time";
import { type FlourShare, flourShares } from "../shares";
import { FLOUR_WORDS } from "./flours";
import { TOP_WORDS } from "./looks";

export const pantryText = {
  discardJar: "Discard jar",
  nothingInItYet: "Nothing is in it yet.",
  howItIsFilled:
    "At the last step of a feed, say that the discard goes into the discard jar. A jar can give once it is sour, awake and shows nothing wrong; before that its discard is for the compost.",
  whatIsInIt: "What is in it",
  from: (much: string, jar: string, at: string) => `${much} from ${jar}, ${at}`,
  takeSomeOut: "Take some out",
  howMuch: "How much",
  whatFor: "What for",
  pancakes: "pancakes, crackers, flatbread",
  takeIt: "Take it out",
  allUsed: "All used",
  emptied: "Emptied",
  washed: "Washed",
  somethingIsWrong: "What does it show?",
  thatIsIt: "Keep this",
  bakedThrough:
    "Always baked or cooked through, never tasted raw; it keeps one to two weeks in the fridge, covered and labelled. Local food rules come first.",
  before: "Before",
  undo: "Undo",
  lookingAtIt: "Looking at the discard jar",
  itCannotBeReached: "The discard jar cannot be reached just now.",
  whereTheFlourWent: "Where the flour went",
  countingTheFlour: "Counting the flour",
  noFlourYet: "No flour was fed yet. What a jar is fed, and where it goes, is counted from its first mix on.",
  byJar: "By jar",
  byWay: "By way",
  byMonth: "By month",
  name: "What",
  fed: "Fed",
  thrownOut: "Thrown out",
  used: "Used",
  standing: "In jars",
  cost: "Cost",
  discardOfAll: (g: string, age: string) => `${g}, ${age}`,
  byWhat: "By what",
  lineByLine: "Line by line; scrolls sideways",
  seeIt: "The discard jar",
  seeTheFlour: "Where the flour went",
  flour: "Flour",
  onTheShelf: "On the shelf",
  nothingOnTheShelf:
    "No flour is on the shelf yet. Put it there with what the bag weighs: every feed takes its part of it, and you are told until when it is enough.",
  shelfOutOfReach: "The shelf cannot be reached just now.",
  toBuyUntil: (day: string) => `To buy, until ${day}`,
  putFlourThere: "Put flour on the shelf",
  inTheBag: "In the bag",
  weighIt: "Weigh it",
  soMuch: "So much is in it",
  bagOf: (much: string) => `a bag of ${much}`,
  feedInstead: (jar: string, other: string, flour: string) => `${jar}: ${other} instead of ${flour}`,
  insteadInAll: (other: string, flour: string, jars: number) =>
    `Feed ${other} instead of ${flour}, in all ${jars} jars`,
  jarByJar: (other: string) => `Jar by jar: ${other}`,
  fedSoFromNowOn: (jars: string) => `Fed so from the next feed on: ${jars}. It stands in the log.`,
  itHolds: "It holds",
  itHoldsSo: (much: string) => `The jar itself holds ${much}.`,
  anotherJar: "It is another jar",
  thatLarge: "That large",
  get aKiloCosts() {
    return forms().mass === "g" ? "A kilo costs" : "A pound costs";
  },
  aKiloCostsSo: (perKg: number) =>
    forms().mass === "g" ? `${written(perKg, 2)} a kilo` : `${written(perKg * KG_PER_LB, 2)} a pound`,
};

const ALLERGENS: Partial<Record<Flour, string>> = {
  rye: "rye",
  whole_wheat: "wheat",
  high_extraction: "wheat",
  white: "wheat",
  spelt: "spelt (a wheat)",
  einkorn: "einkorn (a wheat)",
};

/** Any flour in it is in all of it. */
export function allergenLine({ flours }: DiscardJar): string {
  const kinds = list(
    flours.map(({ flour, g }) => `${grams(Math.max(1, Math.round(g)))} ${FLOUR_WORDS[flour]}`),
  );
  const named = [...new Set(flours.flatMap(({ flour }) => ALLERGENS[flour] ?? []))];
  return named.length > 0 ? `Of ${kinds}. All of it holds ${list(named)}: gluten.` : `Of ${kinds}.`;
}

const ACTS: Record<DiscardAct, string> = {
  taken: "Taken out",
  used_up: "All used",
  emptied: "Emptied",
  washed: "Washed",
  looked: "Looked at",
  sized: "Another jar,",
};

/** `Taken out 80 g for pancakes, today 18:20` */
export function discardNoteLine(note: DiscardNote, now: string, zone: string): string {
  const much = note.act === "taken" ? ` ${grams(note.g)}` : note.act === "sized" ? ` ${note.ml} ml` : "";
  const what = note.made_for ? ` for ${note.made_for}` : "";
  const shown = note.top.length > 0 ? `: ${list(note.top.map((one) => TOP_WORDS[one]))}` : "";
  return `${ACTS[note.act]}${much}${what}${shown}, ${when(note.at, now, zone)}`;
}

export const SHARE_WORDS: Record<FlourShare, string> = {
  dough: "baked with",
  passed_on: "set aside, split or given",
  discard_jar: "into the discard jar",
  standing: "in the jars now",
  thrown_out: "thrown out",
};

/** `340 g left: enough until Tuesday.` */
export function stockLine(kind: StockKind, now: string, zone: string): string {
  const { left_g: left, needs_g: needs, runs_out_at: out, bags } = kind;
  if (bags.length === 0) return `None is on the shelf; the plans ask for ${grams(Math.round(needs))}.`;
  if (left === null) return "Weigh it once, and you are told until when it is enough.";
  if (out && left < 1) return `None is left; the feed of ${when(out, now, zone)} asks for it.`;
  if (out) return `${grams(Math.round(left))} left: enough until ${dayWord(out, now, zone)}.`;
  if (needs < 1) return `${grams(Math.round(left))} left; no plan asks for it.`;
  return `${grams(Math.round(left))} left: enough for two weeks and more.`;
}

/** `Of 840 g of flour, 310 g was thrown out and 90 g is in the jars now.` */
export function flourSentence(row: FlourRow): string {
  const parts = flourShares(row).map(({ share, g }) => `${grams(Math.round(g))} ${SHARE_WORDS[share]}`);
  return `${grams(Math.round(row.fed_g + row.other_g))} of flour: ${list(parts)}.`;
}

/** What it cost, of the flours that have a price. */
export function costWords({ cost, unpriced_g: rest }: FlourRow): string {
  if (cost <= 0) return "–";
  return rest >= 0.5 ? `${written(cost, 2)} and more` : written(cost, 2);
}

/** `March 2026` of `2026-03` */
export function monthName(month: string): string {
  const form = new Intl.DateTimeFormat(LOCALE, { month: "long", year: "numeric", timeZone: "UTC" });
  return form.format(Date.parse(`${month}-01`));
}
