/** Trials: jars raised side by side to differ in one thing, from their set-up to their end. */
import type { EndedAs, WeighedOnce } from "../../api/types";
import { grams, list } from "../../lib/numbers";
import { FLOUR_WORDS } from "./flours";

const COUNTED: Record<number, string> = { 2: "two", 3: "three", 4: "four" };

export const trialText = {
  trials: "Side by side",
  fetchingThem: "Fetching what stands side by side",
  none: "Nothing stands side by side yet.",
  noneHint:
    "Raise two to four jars that differ in one thing, and learn what it does. Start from a new jar, or hold jars beside each other that run already.",
  newJars: "Set up new jars side by side",
  running: "Running",
  ended: "Ended",
  begunOn: (day: string) => `begun ${day}`,
  endedOn: (day: string) => `ended ${day}`,
  namesOf: (names: readonly string[]) => list([...names]),
  openingIt: "Holding them beside each other",
  plainFirst: (name: string) =>
    `${name} is the plain one: first in every round, one spatula each, so that nothing of one gets into another.`,
  feedThem: "Feed them, one after another",
  rename: "Rename",
  keepName: "Keep the name",
  weighedOnce: "Weighed once for all",
  forAll: (count: number) => `for the ${COUNTED[count] ?? count}`,
  yeastInto: (name: string) =>
    `A pinch of baker's yeast goes into ${name}, for show: it rises in two hours, and says nothing of a starter.`,
  yeastIsIn: "The pinch is in",
  yeastNoted: (name: string) => `Baker's yeast noted in ${name}`,
  photosOfAll: "Photos of all",
  photoHint: "Stand them in one row, the plain one at the left, and take one photo of all.",
  takePhoto: "Add a photo of all",
  photoOfAll: "One photo of all the jars",
  photoFrom: (moment: string) => `All jars, ${moment}`,
  makingItSmall: "Making it small …",
  sendingIt: (name: string) => `Photo of all: ${name}`,
  paper: "On paper",
  sheetForAll: "One sheet for all (PDF)",
  labelsForAll: "Labels for all (PDF)",
  endIt: "End it",
  endHint: "Say of each jar what becomes of it. Its page stays, and an end can be taken back.",
  becomes: (name: string) => `What becomes of ${name}`,
  sayOfEach: "Say of each jar what becomes of it.",
  endNow: "End it so",
  ending: "Ending …",
  notFood: (name: string) => `${name} is not fit to bake with yet: it is kept, or it goes into the bin.`,
  hasEnded: (day: string) => `Ended ${day}. What stands here is what was known then.`,
  takeUpAgain: "Take it up again",
  binAll: "Into the bin: closed, unopened, and the jar washed hot, if there was mould on any.",
  allTrials: "All that stands side by side",
  keepIt: "Keep it as a page of its own",
  named: (names: readonly string[]) => names.join(" · "),
  beginning: (name: string) => `Side by side: ${name}`,
};

export const ENDED_WORDS: Record<EndedAs, string> = {
  kept: "kept",
  used: "all of it used in a dough",
  spare: "a spare in the fridge",
  discard: "into the discard jar",
  bin: "into the bin",
};

/** `90 g of water for the three: 30 g each`. */
export function weighedOnce(one: WeighedOnce, nameOf: (jar: string) => string): string {
  const thing = one.flour ? FLOUR_WORDS[one.flour] : (INGREDIENTS[one.ingredient] ?? "");
  const [first, ...rest] = one.shares;
  const even = first !== undefined && rest.every(({ g }) => g === first.g);
  const whole = `${grams(one.g)} ${thing} ${trialText.forAll(one.shares.length)}`;
  return even
    ? `${whole}: ${grams(first.g)} each`
    : `${whole}: ${one.shares.map(({ jar, g }) => `${nameOf(jar)} ${grams(g)}`).join(", ")}`;
}

const INGREDIENTS: Partial<Record<WeighedOnce["ingredient"], string>> = { water: "water", juice: "juice" };

export const severalText = {
  several: "Several at once, with one difference",
  whatDiffers: "What differs",
  alone: "One jar only",
  place: "Where it stands",
  way: "The way",
  flour: "The flour",
  yeast: "A pinch of yeast, for show",
  flourOfOthers: "The others are fed with",
  theOthers: "The others",
  another: (number: number) => `Jar ${number}`,
  plainOne: (name: string) => `${name} as above is the plain one. Beside it:`,
  heldEqual: (what: string) => `Held equal in all: ${what}.`,
  chooseValues: "Choose one to three others.",
  putThemOnTheShelf: (count: number) => `Put the ${count} jars on the shelf`,
  withYeast: "with yeast",
  equal: {
    way: "the way",
    flour: "the flour",
    amounts: "the amounts",
    place: "where they stand",
    jar: "the jar",
    hour: "the hour of the first mix",
  },
};
