/** What drawings say: on the rise line, and of the pictures of the atlas to who cannot see them. */

export const drawingText = {
  riseLineScrolls: "Rise line, scrolls sideways",
  doubled: "doubled",
  now: "now",
  hoursSince: (hours: number) => `${hours} h`,
  aThinFlatFilmIn: "a thin flat film in folds",
  raisedTuftsWithHairs: "raised tufts with hairs",
  colouredStreaks: "coloured streaks",
  aDrySkinWithCracks: "a dry skin with cracks",
  noBubbles: "no bubbles",
  aFewSmallBubbles: "a few small bubbles",
  bubblesAllThrough: "bubbles all through",
  aSmearAboveTheLevel: "a smear above the level",
  liquidOnTopOfA: "liquid on top of a thin mix",
  overTheRim: "over the rim",
  runsOffInDrops: "runs off in drops",
  runsOffInAThread: "runs off in a thread",
  fallsInARibbonThat: "falls in a ribbon that lies a while",
  fallsInALumpThat: "falls in a lump that keeps its peak",
  clingsAndHangs: "clings and hangs",
  aBallThatKeepsIts: "a ball that keeps its shape",
};
