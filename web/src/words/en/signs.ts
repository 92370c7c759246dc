/** What is said by the place “signs”. */

export const signsText = {
  holdItAgainstThese: "Hold it against these",
  closeUpFilmOrMould: "Close up: film or mould?",
  atTheGlass: "At the glass",
  theTopCutThrough: "The top, cut through",
  fromTheSpoonThinTo: "From the spoon, thin to thick",
  fetchingTheSigns: "Fetching the signs",
  whatDoesItShow: "What does it show?",
  pressWhatYouSeeAnd: "Press what you see and smell. The same rules watch over your jars.",
  howOldItIs: "How old it is",
  lastFed: "Last fed",
  begunWith: "Begun with",
  signsOf: (name: string | number) => `Signs of ${name}`,
  whatDoesShow: (name: string | number) => `What does ${name} show?`,
  itsAgeItsFeedsAnd: "Its age, its feeds and what you noted are known. Press what worries you.",
  keepThisAsALook: "Keep this as a look",
  thickness: "Thickness",
  whatItMeans: "What it means",
  nothingPressedYet: "Nothing pressed yet.",
  nothingUnusualInThatKeep: "Nothing unusual in that. Keep to the plan.",
};
