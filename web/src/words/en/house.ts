/** What is said by the place “house”. */
import type { Passing } from "../../api/types";

export const houseText = {
  timeZone: "Time zone",
  liveThere: (zone: string | number) => `Go by ${zone}`,
  thisDeviceIsIn: (zone: string | number) => `This device is in ${zone}.`,
  calendar: "Calendar",
  aPrivateAddressToSubscribe:
    "A private address to subscribe to: your feeds, in your calendar program, moving with the plan. Whoever knows it sees the feeds and nothing else. If it leaks, make a new one; the old one ends.",
  shownThisOncePutIt: "Shown this once. Put it into your calendar program:",
  makeANewAddress: "Make a new address",
  makeAnAddress: "Make an address",
  endIt: "End it",
  makeANewAddress2: "Make a new address?",
  makeANewOne: "Make a new one",
  theOldOneEndsAt: "The old one ends at once: calendars that go by it stop following the plan.",
  askingWhoIsHere: "Asking who is here",
  whoCameAndWent: "Who came and went",
  severalHands: "Several hands",
  whoeverYouLetInSees: "Whoever you let in sees all your jars and can feed them. The log says who did what.",
  keepsYourKitchenSince: (since: string | number) => `keeps your kitchen since ${since}`,
  handOver: "Hand over",
  handAllOver: (name: string) => `Hand all your jars over to ${name}?`,
  whatHandingOverDoes:
    "They move into that baker's kitchen, their thermometers with them. You go on keeping them together, until you are shown out or leave.",
  showOut: "Show out",
  youKeep: "You keep",
  sKitchen: "'s kitchen",
  since: (since: string | number) => `since ${since}`,
  tellItToOnePerson: "Tell it to one person. It works once, for seven days:",
  inviteSomebody: "Invite somebody",
  theOpenInvitation: "the open invitation",
  openInvitations: (open: string | number) => `${open} open invitations`,
  callBack: (detail: string | number) => `Call back ${detail}`,
  anInvitationYouWereGiven: "An invitation you were given",
  comeIn: "Come in",
  flours: "Flours",
  whatYouHaveByYour:
    "What you have, by your own names: they stand first in a new jar and on the shopping list.",
  kitchenScale: "Kitchen scale",
  aScalesBridgeOnThis:
    "A scale's bridge on this computer is read while you feed, once you press “Read my scale” there. It is looked for at",
  inTheDemoASimulated: ". In the demo a simulated one stands there, with a page of its own to pour on.",
  reminders: "Reminders",
  doNotRemindMe: "Do not remind me",
  youAreNotReminded: "You are not reminded. Others who keep these jars are, if they want to be.",
  remindMe: "Remind me",
  oneForEachActIn:
    "One for each act, in your hours, none for what is done. No mail or push leaves this machine: they go to this simulated postbox.",
  stopNoticesInThisBrowser: "Stop notices in this browser",
  noticesInThisBrowserToo: "Notices in this browser too",
  thisBrowserDoesNotAllow: "This browser does not allow them. The postbox goes on.",
  lookingIntoThePostbox: "Looking into the postbox",
  thePostboxCannotBeReached: "The postbox cannot be reached just now.",
  sent: "Sent",
  nothingYet: "Nothing yet.",
  toCome: "To come",
  nothingIsPlanned: "Nothing is planned.",
  readingTheThermometers: "Reading the thermometers",
  thermometers: "Thermometers",
  aDevicePostsHowWarm:
    "A device posts how warm its place is; a jar beside it is then judged by that. Choose it on the jar's page.",
  hasSaidNothingYet: "has said nothing yet",
  withdraw: "Withdraw",
  itsTokenShownThisOnce: "Its token, shown this once. Put it into the device:",
  place: "Place",
  topOfTheFridge: "Top of the fridge",
  setOneUp: "Set one up",
  it: "it",
  withdraw2: (detail: string | number) => `Withdraw ${detail}?`,
  withdrawIt: "Withdraw it",
  itsTokenEndsWhatIt:
    "Its token ends. What it wrote stays; from now on jars beside it go by the warmth told by hand.",
  about: "About",
  versionOf: (version: string | number) => `Despertar ${version}`,
  fromOthers: "What in it comes from others",
  fromOthersWhat: "Type faces and scripts that are shipped with it, and their licences.",
  fetchingNotices: "Fetching the notices",
  noNotices: "The notices cannot be read here: they are made when the front end is built.",
};

/** One line of the door's book. */
export function passedLine({ what, who, by }: Passing): string {
  switch (what) {
    case "invited":
      return `${by} made an invitation.`;
    case "called_back":
      return `${by} called the open invitations back.`;
    case "came_in":
      return `${who} came in by an invitation.`;
    case "shown_out":
      return `${by} showed ${who} out.`;
    case "left":
      return `${who} left.`;
    case "handed_over":
      return `${by} handed the kitchen over to ${who}.`;
  }
}
