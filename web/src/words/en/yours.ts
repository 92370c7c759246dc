/** What is said where a baker looks after account and data. */
import type { Account, KeyOut, PhotosIn, TakenIn, VisitOut } from "../../api/types";
import { list } from "../../lib/numbers";
import { when } from "../../lib/time";

export const yoursText = {
  yours: "Yours",
  yourData: "Your data",
  allThatIsYours:
    "All that is yours as one file: jars, logs, photos, readings, flours. Open forms that other programs read.",
  withPhotos: "With the photos",
  asAPackage: "Save as a data package",
  asADocument: "Save as one JSON file",
  bringIn: "Bring a kitchen in",
  bringInHow:
    "A file that was saved here or on another machine. What is here already stays as it is; the same file twice is taken once.",
  chooseAFile: "The file",
  bringItIn: "Bring it in",
  sending: (share: number) => `Sending: ${share} %`,
  reading: "Reading it",
  photosSoFar: ({ done, of }: PhotosIn) => `Photos: ${done} of ${of}`,
  notInTheDemo: "The demo kitchen takes none in.",
  account: "Account",
  newName: "Name",
  changeName: "Change the name",
  passwordNow: "Password of now",
  newPassword: "New password",
  atLeast: "At least 10 characters; everybody else who is signed in with it is signed out.",
  changePassword: "Change the password",
  isChanged: "It is changed.",
  whereSignedIn: "Where you are signed in",
  endIt: "Sign out there",
  passkeys: "Passkeys",
  whatPasskeysAre:
    "Come in with a finger, a face or a key of your device, without a password. It stays on the device.",
  passkeysNeedAName:
    "Browsers make passkeys for a name, not for an address of digits. Open this kitchen by its name, such as localhost.",
  passkeyName: "What you call it",
  thisDevice: "this device",
  makeAPasskey: "Make a passkey",
  dropIt: "Take it away",
  codeOnPaper: "A code on paper",
  whyACode:
    "No mail leaves this machine. If you forget your password, this code lets you set a new one, once. Write it down and keep it with your flour.",
  thereIsOne: (day: string) => `There is one, made ${day}.`,
  makeACode: "Make a code",
  makeAnotherCode: "Make another code",
  shownOnce: "Shown this once. The one before opens nothing any more.",
  printIt: "Print it",
  leaveForGood: "Leave for good",
  whatGoes:
    "The account with all its jars, logs, photos and settings is deleted from this machine. Save your data first. Copies that whoever keeps this machine has made may hold it for some weeks yet.",
  deleteAll: "Delete all of it",
  reallyDelete: "Delete the account and everything in it?",
  noWayBack: "There is no way back but a file that you saved.",
  yesDelete: "Delete it",
  password: "Your password",
  units: "Units and forms",
  unitsHow: "Everywhere: on screen, on paper and in calendars. What was written down stays as it is.",
  language: "Language",
};

function some(count: number, one: string, many: string): string[] {
  return count === 0 ? [] : [`${count} ${count === 1 ? one : many}`];
}

/** `3 jars, 120 entries and 4 flours are new here.` */
export function takenInLine(told: TakenIn): string {
  const parts = [
    ...some(told.jars, "jar", "jars"),
    ...some(told.entries, "entry", "entries"),
    ...some(told.readings, "reading", "readings"),
    ...some(told.flours, "flour", "flours"),
    ...some(told.discard, "note of the discard jar", "notes of the discard jar"),
    ...some(told.photos, "photo", "photos"),
    ...some(told.levels, "level seen by a camera", "levels seen by a camera"),
  ];
  if (parts.length === 0) return "All of it was here already.";
  const copy = told.as_copy ? " Another account here has it too, so it came as a copy." : "";
  return `New here: ${list(parts)}.${copy}`;
}

/** `kitchen phone, used today 18:20` */
export function passkeyLine(
  { name, made_at: made, used_at: used }: KeyOut,
  now: number,
  zone: string,
): string {
  return used ? `${name}, used ${when(used, now, zone)}` : `${name}, made ${when(made, now, zone)}`;
}

/** `This computer, seen today 18:20` */
export function visitLine(
  { here, on_phone: phone, seen_at: seen }: VisitOut,
  now: number,
  zone: string,
): string {
  const what = phone ? "phone" : "computer";
  return here ? `This ${what}` : `A ${what}, seen ${when(seen, now, zone)}`;
}

type Forms = Account["forms"];

export const FORM_NAMES: Record<keyof Forms, string> = {
  mass: "Weights",
  warmth: "Warmth",
  length: "Lengths",
  clock: "Clock",
  decimal: "Numbers",
  paper: "Paper",
};

export const FORM_CHOICES: {
  readonly [Name in keyof Forms]-?: readonly FormChoice<NonNullable<Forms[Name]>>[];
} = {
  mass: [
    { value: "g", label: "grams" },
    { value: "oz", label: "ounces" },
  ],
  warmth: [
    { value: "c", label: "°C" },
    { value: "f", label: "°F" },
  ],
  length: [
    { value: "mm", label: "millimetres" },
    { value: "in", label: "inches" },
  ],
  clock: [
    { value: "h24", label: "14:30" },
    { value: "h12", label: "2:30 pm" },
  ],
  decimal: [
    { value: "point", label: "1.5" },
    { value: "comma", label: "1,5" },
  ],
  paper: [
    { value: "a4", label: "A4" },
    { value: "letter", label: "Letter" },
  ],
};

type FormChoice<Value> = { readonly value: Value; readonly label: string };
