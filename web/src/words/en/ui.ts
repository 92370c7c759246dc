/** What is said by controls. */

export const uiText = {
  understood: "Understood",
  homeFrom: (label: string | number, detail: string | number) => `${label}: home from, ${detail}`,
  homeUntil: (label: string | number, detail: string | number) => `${label}: home until, ${detail}`,
  homeFrom2: (label: string | number) => `${label}: home from`,
  homeUntil2: (label: string | number) => `${label}: home until`,
  firstTime: "first time",
  secondTime: "second time",
  thirdTime: "third time",
  bottomOfTheJarInside: "Bottom of the jar, inside",
  theMark: "The mark",
  theLevelNow: "The level now",
  fromTheLeftFromThe: (what: string | number, amount: string | number, amount2: string | number) =>
    `${what}: ${amount} from the left, ${amount2} from the top`,
  theKitchenCannotBeReached: "The kitchen cannot be reached.",
  nothingIsLostTheJars:
    "Nothing is lost. The jars go on by themselves; this page tries again when the connection is back.",
  tryAgainNow: "Try again now",
  notice: "Notice",
  notices: "Notices ({hotkey})",
  now: "Now",
  n20MinAgo: "20 min ago",
  n1HAgo: "1 h ago",
  lastNight: "Last night",
  otherTime: "Other time",
  dateAndTime: "Date and time",
  inTheTimeOf: (zone: string | number) => `In the time of ${zone}`,
};
