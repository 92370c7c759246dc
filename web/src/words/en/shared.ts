/** What a friend reads of a jar that is shown to them. */

export const sharedText = {
  aJar: "A jar",
  lookingAtIt: "Looking at the jar",
  shownNoMore: "This jar is not shown here, or not any more.",
  madeWith: (name: string) => `Kept with ${name}. This page only shows; nothing of it can be changed here.`,
  onDay: (day: number) => (day > 0 ? `Day ${day}` : "Not mixed yet"),
  itIsReady: "It is ready to bake with.",
  fed: (at: string) => `Fed ${at}.`,
};
