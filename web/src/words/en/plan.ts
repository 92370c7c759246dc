/** What is said by the place “plan”. */
import type { Spare, Sparing } from "../../api/types";
import { grams, written } from "../../lib/numbers";

export const planText = {
  planOf: (name: string | number) => `Plan of ${name}`,
  layingOutTheDays: "Laying out the days",
  sheetForTheFridgeDoor: "Sheet for the fridge door",
  jarLabels: "Jar labels",
  asACalendarFile: "As a calendar file",
  printThisPage: "Print this page",
  theDayBefore: "The day before",
  theDaysBefore: (count: string | number) => `The ${count} days before`,
  stillToBuy: "Still to buy",
  usedSoFar: "Used so far",
  water: "water",
  juice: "juice",
  takenOut: "taken out",
  feeds: "feeds",
  workLooksIncluded: "work, looks included",
  fromAboutHereOnIt: "From about here on it is likely ready.",
  normal: (what: string | number) => `Normal: ${what}`,
  leftOut: "(left out)",
  yourHoursLeaveNoBetter: "; your hours leave no better time",
  asGoodFromTo: (when: string | number, clock: string | number, detail: string | number) =>
    `as good from ${when} to ${clock}${detail}`,
  doIt: "Do it",
  until: (until: string | number) => `until ${until}`,
  onceADay: "once a day",
  twiceADay: "twice a day",
  halfTheSize: "half the size",
  twiceTheSize: "twice the size",
  startTomorrow: "start tomorrow",
  wasteLessSo: "Waste less so",
  lessWaste: "Less waste from here on",
  whatIf: "What if",
  onlyAskedTheJarStays: "Only asked; the jar stays as it is until you press.",
  doItFromNowOn: "Do it from now on",
  soItIsFromNowOn: "So it is from now on. It stands in the log and can be undone.",
  changeOf: (name: string) => `A change of ${name}`,
  itStoodAt: "It stood at",
  anotherFlour: "Another flour",
  anotherRhythm: "Another rhythm",
  anotherSize: "Another size",
  anotherStart: "Another start",
  untilFeedsInsteadOf: (
    dayWord: string | number,
    difference: string | number,
    feeds: string | number,
    feeds2: string | number,
  ) => `Until ${dayWord}: ${difference}, ${feeds} feeds instead of ${feeds2}.`,
  flourInsteadOf: (grams: string | number, grams2: string | number) => `${grams} flour instead of ${grams2}`,
  laterThanPlanned: (hours: string | number) => `${hours} h later than planned`,
  soonerThanPlanned: (hours: string | number) => `${hours} h sooner than planned`,
};

export const SPARE_WORDS: Record<Spare, string> = {
  smaller: "A smaller jarful",
  seldomer: "One feed a day",
  on_hunger: "Feed it when it is hungry, not by the clock",
  fridge: "Into the fridge, out once a week to be fed",
};

/** `310 g less thrown out and 150 g less flour, until it is ready.` */
export function sparingGain({
  saves_discard_g: out,
  saves_flour_g: flour,
  until_ready: until,
}: Sparing): string {
  const less = flour >= 1 ? ` and ${grams(Math.round(flour))} less flour` : "";
  return `${grams(Math.round(out))} less thrown out${less}, ${until ? "until it is ready" : "in four weeks"}.`;
}

const HALF_A_DAY = 0.5;

function days(count: number): string {
  const near = Math.round(count * 2) / 2;
  return near === 1 ? "a day" : `${written(near)} days`;
}

/** What it costs in days and surety: `Likely ready 1.5 days later.` */
export function sparingCost({
  how,
  until_ready: until,
  later_days: later,
  wider_days: wider,
}: Sparing): string {
  if (how === "fridge") return "It costs half a day in the warm and a feed before it is baked with.";
  const said = [];
  if (later >= HALF_A_DAY) said.push(`Likely ready ${days(later)} later.`);
  else if (later <= -HALF_A_DAY) said.push(`Likely ready ${days(-later)} sooner.`);
  else if (until) said.push("It costs no day.");
  if (wider >= 2) said.push("How long it takes is less sure.");
  if (how === "on_hunger") said.push("You look at it instead of at the clock.");
  return said.join(" ") || "It costs nothing.";
}
