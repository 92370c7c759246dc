/** What is said of a jar's whole life: what changes on the way, how it is kept, its bakes, and what goes out of it. */
import type {
  BakeOffer,
  Chapter,
  ChapterKind,
  EntryBody,
  FamilyCode,
  Flour,
  Keeping,
  KeepingOffer,
  UsedFor,
  Where,
} from "../../api/types";
import { degrees, grams, list } from "../../lib/numbers";
import { clock, when } from "../../lib/time";
import { FLOUR_WORDS } from "./flours";
import { FAMILY_WORDS } from "./methods";

export const KEEPING_WORDS: Record<Keeping, { readonly label: string; readonly hint: string }> = {
  counter: { label: "Three times a week or more", hint: "On the counter, fed once a day." },
  counter_twice: { label: "Often, and it is hot", hint: "On the counter, fed twice a day." },
  counter_and_cold: {
    label: "Often, and hotter still",
    hint: "Half the day out, half the day in the fridge.",
  },
  fridge: { label: "About once a week", hint: "In the fridge; out every six days to be fed." },
  spare: { label: "Now and then", hint: "In the fridge; fed about once a month." },
};

export const CHAPTER_WORDS: Record<ChapterKind, string> = {
  raised: "Being raised",
  woken: "Being woken",
  counter: "Kept on the counter",
  counter_and_cold: "Kept half the day in the cold",
  fridge: "Kept in the fridge",
  let_go: "Let go",
  ended: "Ended",
};

export const USED_FOR_WORDS: Record<UsedFor, string> = {
  dough: "for a dough",
  recipe: "for something else baked",
  gift: "given away",
  spare: "a spare",
  flakes: "for drying",
  split: "split off",
  other_jar: "into another jar",
  discard_jar: "into the discard jar",
};

export const WHERE_WORDS: Record<Where, (celsius: number) => string> = {
  here: () => "where it stands",
  warmer: (celsius) => `in a warm box, about ${degrees(celsius)}`,
  cooler: (celsius) => `somewhere cool, about ${degrees(celsius)}`,
};

export function chapterTitle({ kind, family }: Pick<Chapter, "kind" | "family">): string {
  const way = kind === "raised" || kind === "woken" ? FAMILY_WORDS[family as FamilyCode]?.label : null;
  return way ? `${CHAPTER_WORDS[kind]}: ${way.toLowerCase()}` : CHAPTER_WORDS[kind];
}

/** `91 % white wheat and 9 % whole wheat` */
export function blendLine(blend: readonly { readonly flour: Flour; readonly share: number }[]): string {
  return blendWords(Object.fromEntries(blend.map(({ flour, share }) => [flour, share])));
}

function blendWords(blend: Readonly<Record<string, number>>): string {
  const parts = Object.entries(blend);
  const whole = parts.reduce((sum, [, part]) => sum + part, 0);
  const only = parts.length === 1;
  return list(
    parts.map(([flour, part]) => {
      const name = FLOUR_WORDS[flour as Flour] ?? flour;
      return only ? name : `${Math.round((100 * part) / whole)} % ${name}`;
    }),
  );
}

type Term = Exclude<EntryBody, { readonly kind: "feed" | "look" | "deed" | "leave" | "word" | "bin" }>;
type Told = { readonly title: string; readonly line: string };

/** A change, a use or a bake of the log in words. */
export function termWords(entry: Term, now: string, zone: string): Told {
  switch (entry.kind) {
    case "moved": {
      const night = entry.night_c === null ? "" : `, ${degrees(entry.night_c)} at night`;
      return { title: "Moved", line: `to where it has ${degrees(entry.warmth_c)}${night}` };
    }
    case "jar":
      return { title: "Another jar", line: `of ${entry.volume_ml} ml` };
    case "flour":
      return {
        title: "Other flour",
        line: entry.blends.map(blendWords).join(", then ") + (entry.blends.length > 1 ? ", in turn" : ""),
      };
    case "rhythm":
      return { title: "Other rhythm", line: `every ${entry.every_h} hours` };
    case "amount":
      return { title: "Other amounts", line: amountWords(entry) };
    case "way":
      return { title: "Another way", line: wayWords(entry) };
    case "use":
      return { title: "Used", line: `${grams(entry.g)} ${USED_FOR_WORDS[entry.used_for]}` };
    case "put_back": {
      const g = entry.water_g + entry.flours.reduce((sum, part) => sum + part.g, 0);
      return { title: "Put back", line: grams(g) };
    }
    case "bake":
      return {
        title: "Bake planned",
        line: `${grams(entry.grams)} ${when(entry.mixed_at, now, zone)}${entry.every_days ? `, every ${entry.every_days} days` : ""}`,
      };
  }
}

function amountWords(entry: Extract<EntryBody, { readonly kind: "amount" }>): string {
  const parts = [];
  if (entry.size !== 1) parts.push(`${entry.size} times the way's own size`);
  if (entry.seed_g !== null) parts.push(`keep ${grams(entry.seed_g)}`);
  if (entry.flour_parts !== null) parts.push(`${entry.flour_parts} parts of flour`);
  if (entry.hydration_percent !== null) parts.push(`${entry.hydration_percent} % water to flour`);
  return parts.length > 0 ? list(parts) : "as the way says";
}

function wayWords(entry: Extract<EntryBody, { readonly kind: "way" }>): string {
  const kept: Partial<Record<string, string>> = {
    counter: CHAPTER_WORDS.counter,
    counter_and_cold: CHAPTER_WORDS.counter_and_cold,
    fridge: CHAPTER_WORDS.fridge,
  };
  const known = kept[String(entry.choices.way ?? "")];
  return (known ?? FAMILY_WORDS[entry.family as FamilyCode]?.label ?? entry.family).toLowerCase();
}

/** What an answer takes a week, in a line. */
export function keepingLine(offer: KeepingOffer): string {
  const feeds = offer.feeds_a_week >= 1 ? `${offer.feeds_a_week} feeds a week` : "a feed now and then";
  return `${feeds}, ${grams(offer.flour_g_a_week)} flour and ${offer.minutes_a_week} minutes a week`;
}

/** What a bake's last feed leads to. */
export function peakLine({ peaks }: BakeOffer, now: string, zone: string): string {
  return `At its peak ${when(peaks.likely, now, zone)}, between ${clock(peaks.earliest, zone)} and ${clock(peaks.latest, zone)} four times of five.`;
}

export const lifeText = {
  changeOf: (name: string) => `What changes for ${name}?`,
  fromThenOn: "It counts from the time you give, and never changes what was before.",
  moved: { label: "It stands elsewhere", hint: "warmer, cooler, another thermometer" },
  otherJar: { label: "Another jar", hint: "it ran over, or out of a bowl" },
  otherFlour: { label: "Other flour", hint: "from the next feed on, or in turn" },
  otherRhythm: { label: "Another rhythm", hint: "oftener, or more seldom" },
  otherAmount: { label: "Other amounts", hint: "smaller, thicker, another ratio" },
  otherWay: { label: "Another way", hint: "to feed on signs, or to be kept" },
  away: { label: "I am away", hint: "days or weeks" },
  hours: { label: "My hours", hint: "for all jars, in House" },
  saveIt: "Save it",
  fedWith: "Fed with",
  mixedOrInTurn: "How",
  mixed: "mixed",
  inTurn: "one feed each, in turn",
  partsOf: (flour: string) => `Parts of ${flour}`,
  every: "Every",
  hoursUnit: "h",
  onceADay: "once a day",
  twiceADay: "twice a day",
  threeADay: "three times a day",
  everyOther: "every other day",
  otherHours: "Hours from feed to feed",
  size: "Size",
  sizeOfTheWay: "Times the way's own size",
  half: "half",
  twice: "twice",
  seedKept: "Keep at each feed",
  flourToSeed: "Flour to one part of seed",
  waterToFlour: "Water to flour",
  emptyAsTheWay: "Empty: as the way says.",
  lineMeasured: "Line, if you measured it",
  whichWay: "Which way",
  keepIt: "Or it is kept from now on",
  howOften: "How often do you bake?",
  atItsEnd: (name: string) => `The way of ${name} is at its end. How does it go on?`,
  untilYouSay: "Its plan stops repeating until you say.",
  tooEarly: "It is not ready yet. Kept so it gets there later, or not at all in the fridge.",
  thisOne: "Keep it so",
  keepAfterAll: "Keep it after all",
  stopForNow: "Stop for now",
  letItGo: { label: "Let it go", hint: "use it up, dry some, bin the rest" },
  letGoHow: "Nothing is due any more. Use it up in something baked, dry a few spoonfuls, bin the rest.",
  letGoAsk: (name: string) => `Let ${name} go?`,
  dryFirst: "Dry some first",
  workingItOut: "Working out what each takes",
  next: "Next",
  bakeWith: (name: string) => `A bake with ${name}`,
  needs: "Levain for the dough",
  day: "Day",
  mixingAt: "Dough mixed at",
  dayOfIt: "Day of the bake",
  hourOfIt: "Hour of mixing",
  stays: "Stays in the jar",
  again: "Again",
  once: "once",
  weekly: "every week",
  moreOfTheBake: "Another day or hour, every week",
  needsTheHouse: "This is worked out in the house, which cannot be reached just now.",
  working: "Working back from the hour",
  takeThis: "Take this",
  nothingFits: "Nothing fits that hour.",
  soonest: (at: string) => `The soonest that goes well is ${at}:`,
  weaker: (feeds: number) =>
    `After so long a sleep ${feeds} feeds are usual; this takes fewer, and may rise less.`,
  noFeed: "No feed: the running one will be at its peak.",
  feedAt: (at: string) => `Feed ${at}`,
  keepAdd: (keep: string, water: string, flour: string, ratio: string | null) =>
    `keep ${keep}, add ${water} water and ${flour}${ratio ? ` (${ratio})` : ""}`,
  notThisBake: "Not this bake",
  missedThePeak: "Its peak is past. Fed again now, it is good for dough in some hours.",
  feedItAgain: "Feed it again for this",
  takenOut: (g: string) => `${g} went into the dough`,
  bakeCalledOff: "Bake called off",
  takeSomeOf: (name: string) => `Take some of ${name}`,
  takenOutIsNoDiscard: "What is used is no discard.",
  whatFor: "What for",
  howMuch: "How much",
  putSomeBack: "Something goes back into it instead",
  putBackOf: (name: string) => `Put a starter back into ${name}`,
  ofFlour: "Flour in it",
  ofWater: "Water in it",
  kindOfFlour: "Flour",
  forIt: {
    dough: ["Weigh it into the dough.", "Feed what stays, or put it in the fridge."],
    recipe: ["Bake or cook it through; never taste it raw."],
    gift: [
      `Put ${grams(20)} to ${grams(30)}, just fed, into a clean jar with a loose lid.`,
      "Write on a card: what flour, how thick, when it was fed.",
      "First three days: leave it loosely covered, feed equal parts once a day, look for a doubling.",
    ],
    spare: [
      "Put it into a small clean jar and feed it there.",
      "Let it begin to rise, then into the fridge, lid loose.",
      "Feed it about once a month; the new jar reminds you.",
    ],
    flakes: [
      "Spread it as thin as paper on baking paper.",
      "Let it dry one to three days in a dry room, until it snaps.",
      "Crumble it into a dry jar, closed, dark; write flour and date on it.",
      "Good for a year and more. Soaked, it begins as dried flakes do.",
    ],
    split: ["Put it into the second jar, one spatula each.", "Change one thing only, and you learn from it."],
    other_jar: ["Stir it into the other jar, and note there what went in."],
    discard_jar: ["Into the covered, labelled jar in the fridge.", "Always baked or cooked through."],
  } satisfies Record<UsedFor, readonly string[]>,
  dried: "Dried of it",
  driesUntil: (from: string, to: string, keeps: string) =>
    `snaps between ${from} and ${to}; keeps at least until ${keeps} of next year`,
  labelForTheFlakes: "Label for the flakes",
  cardForTheGift: "Card to go with it",
  whatDiffers: "What is different in it",
  differs: { nothing: "nothing", flour: "its flour", ratio: "its ratio", place: "its place" },
  mixThemAhead: (parts: string) =>
    `Too little to weigh apart: mix the flours ahead, ${parts}, and take it from that.`,
  noteIt: "Note it",
  asItsOwnJar: (name: string) => `${name}, as its own jar`,
  nameOfTheJar: "Name of the new jar",
  madeAndNoted: (name: string) => `${name} is on the shelf.`,
  awayOf: (name: string) => `Away from ${name}`,
  awayUntil: "Back on",
  backAt: "Back at",
  before: "Before you go",
  onReturn: "When you are back",
  awayShort: [
    "Feed it a larger, thicker meal than usual, and stand it somewhere cool.",
    "Or feed it, let it begin to rise, and put it in the fridge.",
  ],
  awayLong: [
    "Feed it, let it begin to rise, put it in the fridge, lid loose.",
    "Note that it went into the fridge.",
  ],
  awayBack: [
    "Look first: liquid on top is normal, pink, orange or fuzzy is not; then bin all.",
    "Pour off, take it out, feed it; a second feed half a day later.",
  ],
  nothingIsDueBefore: "Nothing is due before that, and nothing reminds you.",
  leftAloneUntil: (at: string) => `Left alone until ${at}.`,
  iAmBack: "I am back",
  backTo: (name: string) => `Back to ${name}`,
  backSaid: "Welcome back. The plan goes on from now.",
  cameFrom: (name: string) => `out of ${name}`,
  daughters: "Came out of it",
  chapters: "Its life so far",
  chapterSpan: (since: string, until: string | null, feeds: number) =>
    `${since} ${until ? `to ${until}` : "on"}, ${feeds === 1 ? "one feed" : `${feeds} feeds`}`,
  restsSince: (weeks: string) => `In the fridge, fed ${weeks} ago`,
  usedSoFar: (g: string) => `${g} used`,
};
