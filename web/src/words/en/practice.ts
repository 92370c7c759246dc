/** The practice jar: its situations, what can be done and said, and how it is told afterwards. */
import type {
  PracticeDoing,
  PracticeEnding,
  PracticeMeaning,
  PracticeOpinion,
  SituationCode,
  Supposed,
} from "../../api/types";
import { counted, degrees } from "../../lib/numbers";

type Told = { readonly name: string; readonly lead: string; readonly remember: string };

export const SITUATION_WORDS: Record<SituationCode, Told> = {
  overflow: {
    name: "Too full on day 1",
    lead: "Somebody filled a small jar nearly to its brim with fresh rye, and it is warm. It is yours now.",
    remember:
      "The foam of the first days is early bacteria, and it climbs. Give a new jar half its height to rise in, and never a tight lid.",
  },
  hush: {
    name: "The hush on day 4",
    lead: "It frothed on day 2. Now nothing moves.",
    remember:
      "Quiet from day 3 to 6 is how it goes. One feed a day, and wait: more food only thins out the few yeasts.",
  },
  missed_night: {
    name: "Missed in the night",
    lead: "Fed at eight last evening. This morning it stands low, with a smear on the glass.",
    remember: "A smear above the level is the peak that nobody saw. It rose and fell: feed it, it is well.",
  },
  too_often: {
    name: "Fed too often",
    lead: "A large meal every eight hours, since day 3. It gets paler and thinner.",
    remember:
      "A young jar that is fed before it has eaten is thinned out. Wait until it shows that it is hungry.",
  },
  cold_week: {
    name: "The cold week",
    get lead() {
      return `${degrees(16)} in the kitchen, day 6, and little to see.`;
    },
    remember: "Cold is slow, not dead. Some degrees more help; more feeds do not.",
  },
  film_or_mould: {
    name: "Film or mould?",
    lead: "You were away for four days. Something has grown on top.",
    remember:
      "A thin, even, white film is lifted off, and the jar fed. Anything fuzzy, or of any colour, goes in the bin, all of it, unsniffed.",
  },
  pink: {
    name: "A streak at the glass",
    lead: "Day 6, in good time for its feed. There is a streak that was not there.",
    remember: "Pink, orange or red means spoiled. The whole jar goes, whatever it did before.",
  },
  early_liquid: {
    name: "Water on top, day 1",
    lead: "Mixed this morning, a little wet. By evening water stands on it.",
    remember: "In the first days water on top is only the mix settling. Stir it, and wait.",
  },
  late_liquid: {
    name: "Water on top, day 8",
    lead: "Two days without a feed, in a warm kitchen.",
    remember: "Later, liquid on top is hunger. Stir it in or pour it off, and feed.",
  },
  fridge_month: {
    name: "A month in the fridge, guests on Saturday",
    lead: "It has slept for four weeks. In four days, at six in the evening, it should have risen well.",
    remember: "Asleep is not dead, but it wants some feeds in the warm. Take it out in time.",
  },
  float: {
    name: "The float that means nothing",
    lead: "Day 2, full of froth. A spoonful floats in water. Bread today?",
    remember:
      "A float shows gas, not yeast: early bacteria make it too. Bake when it rises at feed after feed.",
  },
  rye: {
    name: "The rye that never doubles",
    lead: "Two weeks old, fed this morning. It rises as it always does, and stops short of double.",
    remember: "Rye holds little gas. Bubbles all through and a steady hour tell, not the doubling.",
  },
  levain: {
    name: "A levain for nine o'clock",
    lead: "It is evening, and it was fed this morning. At nine tomorrow it should stand ripe, neither young nor fallen.",
    remember:
      "The size of a feed and the warmth set its hour: a large one for a night, a small one for an afternoon.",
  },
};

export const DOING_WORDS: Record<PracticeDoing, string> = {
  look: "Look closely",
  wait: "Leave it be",
  stir: "Stir it",
  feed: "Feed it",
  feed_large: "A large feed",
  feed_thick: "A stiff feed",
  warmer: "Somewhere warmer",
  cooler: "Somewhere cooler",
  other_jar: "A larger jar",
  to_fridge: "Into the fridge",
  to_counter: "Out of the fridge",
  bake: "Bake with it",
  bin: "Bin it",
};

export const DOING_HINTS: Partial<Record<PracticeDoing, string>> = {
  feed: "a third is kept",
  feed_large: "a ninth is kept",
  feed_thick: "with less water",
  warmer: "a warm corner",
  cooler: "a cool one",
};

export const MEANING_WORDS: Record<PracticeMeaning, string> = {
  nothing_yet: "Nothing yet, it is early",
  false_dawn: "A rise, but not by yeast",
  hush: "Quiet, as it is at that age",
  waking: "The yeast is coming",
  awake: "Awake and well",
  hungry: "Hungry",
  thinned: "Thinned out",
  cold: "Cold, only slow",
  settled: "The mix has settled",
  film: "A harmless film",
  spoiled: "Spoiled",
  resting: "Resting",
};

export const ENDING_WORDS: Record<PracticeEnding, string> = {
  well: "It went well: the jar lives, and rises as it can.",
  behind: "It lives, but it is behind: in good hands it would rise further by now.",
  lost: "It has hardly any yeast left. It would have to be raised nearly anew.",
  hungry: "It lives, but it stands hungry: it was left too long without a feed.",
  ran_over: "It ran over.",
  binned_rightly: "Binned, and rightly: it was spoiled.",
  binned_alive: "Binned, and it was alive.",
  spoiled_kept: "It was spoiled, and was kept. In a kitchen that could make somebody ill.",
  baked_well: "A good dough: it had the yeast for it.",
  baked_too_soon: "A brick: there was gas, but hardly any yeast.",
  ripe: "Ripe at the hour.",
  not_ripe: "Not ripe at the hour.",
};

export const OPINION_WORDS: Record<PracticeOpinion, string> = {
  liked: "as the jar would have liked",
  not_liked: "not as the jar would have liked",
  unsure: "here the rules are not sure themselves",
};

export const SUPPOSED_WORDS: Record<Supposed, string> = {
  left_out: "not been done",
  later: "been done later",
  larger_feed: "been a larger feed",
  smaller_feed: "been a smaller feed",
  warmer: "stood warmer from then on",
  cooler: "stood cooler from then on",
};

export const practiceText = {
  title: "Practice",
  lead: "Meet the false dawn before it meets you. Jars of five minutes: they are made by the model, each a little different, and nothing of them enters your kitchen.",
  surprise: "Surprise me",
  another: "Other situations",
  opening: "Mixing the practice jar",
  modelled: "A practice jar, made by the model",
  day: (day: number, clock: string) => `Day ${day}, ${clock}`,
  left: (hours: number) =>
    hours >= 48 ? `${Math.round(hours / 24)} days left` : `${Math.ceil(hours)} h left`,
  warmth: (degrees: string) => `${degrees} at the jar`,
  lineIs: "the line with a tag is where it stood when it was fed",
  time: "Time",
  run: "Let time run",
  stop: "Stop time",
  hour: "An hour on",
  event: "To what happens next",
  speed: "How fast",
  speeds: { slow: "slowly", usual: "an hour a breath", fast: "fast" },
  decide: "What do you do?",
  seen: "What is there to see and smell",
  readLevel: "The level, by your eye",
  dragLevel: "Drag the handle to where the paste stands now.",
  means: "What does that mean?",
  noteLook: "That is what I see",
  closeLook: "Enough seen",
  looked: "Noted. Time stands still until you let it run.",
  did: (what: string) => `Done: ${what}.`,
  hint: "Ask for a hint",
  noHint: "Its signs say nothing more than that it goes its way.",
  askSure: "That ends this jar. Sure?",
  yesEnd: "Yes",
  away: "The kitchen cannot be reached, and the model is there. Time stands still; what you did is kept.",
  again: "Try again",
  bringing: (percent: string) =>
    `Being put on this device, so that it goes on without a network: ${percent}.`,
  onDevice: "Practice is on this device, and goes on without a network.",
  offered: "Without a network, practice goes on only once it is on this device.",
  bring: (megabytes: string) => `Put it on this device (${megabytes} MB)`,
  notBrought: "It could not be put on this device; without a network it would stand still.",
  worksItOut: "No kitchen within reach: this device works it out by itself. The first time takes a little.",
  giveUp: "Begin anew",
  toldTitle: "What came of it",
  judging: "Asking the rules",
  share: (percent: string) => `Fed once more, it rises ${percent} as far as the same jar in good hands.`,
  remember: "To remember",
  trueLine: "The true line, and your looks beside it",
  trueLineSummary: (name: string, high: string) => `The true line of ${name}, highest ${high}`,
  decisions: "Each decision",
  noDecisions: "You let it be all the time.",
  lookAt: (level: string, truth: string) => `You read ${level}; it stood at ${truth}.`,
  said: (meaning: string) => `You said: ${meaning}.`,
  meantRight: "So say its signs.",
  meantWrong: (means: string) => `Its signs say: ${means}.`,
  playAnew: "Another jar of this kind",
  sameAgain: "The same jar again",
  link: "A link to this very jar",
  linkCopied: "The link is copied.",
  result: "Save the result for a teacher",
  resultName: "Your name on it",
  forClass: "For a class",
  classHint:
    "Give everyone the link of one jar. Each saves the result at the end; bring those files together here, and they become one table. Each is judged anew.",
  classFiles: "Choose result files",
  classMade: (count: number) => `${count} ${counted(count, "result is", "results are")} in the table.`,
  classJudging: "Judging the results",
  classJudged: (done: number, all: number) => `${done} of ${all} judged`,
  classLeftOut: (file: string, why: string) => `${file} was left out. ${why}`,
  classNone: "None of these files is a result of practice.",
  classSome: (count: number) =>
    `${count} ${counted(count, "file was", "files were")} left out: not a result of practice.`,
  seed: (seed: number) => `jar ${seed}`,
  otherwise: "What if",
  otherwiseOf: (name: string) => `What if … with ${name}`,
  otherwiseLead:
    "One thing in its log done otherwise, and all else the same. The jar in it is the model's, made as lively as your looks tell. Nothing is changed.",
  whatIf: "What if it had been otherwise?",
  nothingYet: "There is nothing yet that could have been otherwise, but the first mix.",
  whichMoment: "Which moment",
  hadItBeen: "Had it",
  supposing: "Running both jars",
  simulated: "Simulated",
  mightHave: (level: string, at: string) => `It would have stood at ${level} at most, ${at}.`,
  asItWas: (level: string, at: string) => `As it was: ${level}, ${at}.`,
  onceMore: (might: string, was: string) =>
    `Fed once more in the end, it would rise to ${might}; as it was, to ${was}.`,
  twoLines: "Two simulated lines: what was, and what might have been",
  mightLine: "what might have been",
  wasLine: "what was, as the model has it",
};
