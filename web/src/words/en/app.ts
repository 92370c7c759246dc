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
  signOut: "Sign out",
  skipToTheMainPart: "Skip to the main part",
  demoKitchenTheBakerThe: "Demo kitchen. The baker, the jars and their dates are invented.",
} as const;
