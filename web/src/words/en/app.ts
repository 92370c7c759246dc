/** What is said by the frame around all pages. */

export const appText = {
  openingTheLog: "Opening the log",
  notHere: "Not here",
  thereIsNothingAtThis: "There is nothing at this address.",
  theJarMayBeAnother:
    "The jar may be another baker's, or the link may be old. Nothing that you typed is lost.",
  keptOnThisDeviceSent: ". Kept on this device, sent when the connection is back.",
  notSentYet: "Not sent yet:",
  tryNow: "Try now",
  since: (label: string | number, when: string | number) => `${label}, put down ${when}`,
  theKitchenStumblesOver: (label: string | number) => `The kitchen stumbles over this: ${label}.`,
  itIsKeptAndStandsBefore: "It is kept; all else goes on.",
  letItGoFor: (label: string | number) => `Let ${label} go?`,
  itWasNeverSaved: "It never reached the kitchen, and is gone then.",
  aNewerVersionIsHere: "A newer version is here.",
  whatYouTypedIsKept: "What you typed is kept.",
  goOnWithTheNewer: "Go on with it",
  notAllHasArrived: "Not all has reached the kitchen",
  waitsHere: (labels: string | number) => `Still to be sent: ${labels}.`,
  itStaysOnThisDevice: "It waits on this device, unseen, until you sign in here again.",
  signOutAllTheSame: "Sign out all the same",
  notTaken: (label: string | number) => `Not taken: ${label}.`,
  openItAgain: "Open it again",
  letItGo: "Let it go",
  openingTheKitchen: "Opening the kitchen",
  dimForTheNight: "Dim for the night",
  lightForTheDay: "Light for the day",
  despertar: "Despertar",
  places: "Places",
  accountOf: (name: string | number) => `Account of ${name}`,
  leaveTheDemo: "Leave the demo",
  yourDataAndAccount: "Your data and account",
  keys: "Keys",
  keysAreOn: "Keys are on",
  showThemOnButtons: "Show them on their buttons",
  signOut: "Sign out",
  skipToTheMainPart: "Skip to the main part",
  demoKitchenTheBakerThe: "Demo kitchen. The baker, the jars and their dates are invented.",
};

/** What a key of the laptop does. */
export type KeyAct =
  | "look"
  | "feed"
  | "next_jar"
  | "plan"
  | "quick"
  | "undo"
  | "kitchen"
  | "new_jar"
  | "signs"
  | "list";

export const KEY_WORDS: Record<KeyAct, string> = {
  look: "Look at the jar",
  feed: "Feed it",
  next_jar: "The next jar on the shelf",
  plan: "Its plan",
  quick: "A look or a feed in a line",
  undo: "Undo the latest of its log",
  kitchen: "The kitchen",
  new_jar: "A new jar",
  signs: "What does it show?",
  list: "These keys",
};
