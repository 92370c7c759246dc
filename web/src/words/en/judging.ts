/** Verdicts in words: the stage, the signs found, ready or not and why. */
import type {
  Attempt,
  Caution,
  Finding,
  Question,
  Readiness,
  ReadyStep,
  Remedy,
  Settles,
  SignCode,
  Stage,
  StageFound,
  StepCode,
} from "../../api/types";
import { degrees, degreesSpan } from "../../lib/numbers";
import { span, when } from "../../lib/time";

export const STAGE_NAMES: Record<Stage, string> = {
  sown: "Sown",
  false_dawn: "False dawn",
  hush: "Hush",
  stirring: "Stirring",
  awake: "Awake",
  steady: "Steady",
  resting: "Resting",
  binned: "Binned",
};

const STAGE_WORDS: Record<Stage, string> = {
  sown: "nothing to see yet",
  false_dawn: "a rise by early bacteria, not by yeast",
  hush: "the quiet days before the yeast shows",
  stirring: "the yeast begins to show",
  awake: "it doubles, though not yet by habit",
  steady: "it doubles by habit",
  resting: "in the cold",
  binned: "done with",
};

const SETTLES_WORDS: Record<Settles, string> = {
  look_at_its_peak: "A look near its peak would tell more.",
  look_this_evening: "Nobody has looked for a day; one look would settle it.",
  read_a_level: "No level was read of late; one look with a level would settle it.",
  note_the_smell: "Its smell would tell more.",
};

/** `Hush: the quiet days before the yeast shows.`, with what would settle it where that is not sure. */
export function stageLine(
  { stage, likely_only: likelyOnly, asks, settles, settles_at: at }: StageFound,
  now: string,
  zone: string,
  risesNoMore = false,
): string {
  if (risesNoMore) return "Quiet again: it rose before, and does not now.";
  const likely = likelyOnly ? "Likely " : "";
  const name = likely ? STAGE_NAMES[stage].toLowerCase() : STAGE_NAMES[stage];
  const hour =
    settles === "look_at_its_peak" && at ? `A look about ${when(at, now, zone)} would tell more.` : "";
  const more = settles && asks ? ` ${hour || SETTLES_WORDS[settles]}` : "";
  return `${likely}${name}: ${STAGE_WORDS[stage]}.${more}`;
}

export const SIGN_WORDS: Record<SignCode, string> = {
  mould: "That is mould or spoilage. It goes deeper than what you see.",
  spoiled: "A foul smell this late is spoilage, not a phase.",
  get too_hot() {
    return `It stands too warm. Above ${degrees(38)} it comes to harm.`;
  },
  get stood_too_hot() {
    return `It stood above ${degrees(42)}: its yeast may be dead.`;
  },
  film: "A thin white film is wild yeast on the surface: harmless, but unwelcome.",
  hungry_liquid: "Liquid on top: it is hungry.",
  starving_smell: "Nail-varnish smell: it is starving.",
  hungry_again: "It rose and fell again: hungry before its next feed.",
  rises_no_more: "It rose, and now it does not.",
  lessening: "It rises less from feed to feed.",
  unfed_warm: "It stood days in the warm without a feed: it is hungry, whatever it shows.",
  forgotten: "A feed was left out. It takes that well.",
  overflow: "It reached the rim.",
  dry_skin: "A dry skin on top: it lost water to the air.",
  bubbles_no_rise: "Bubbles but no rise: too wet, or too little gluten, to hold its gas.",
  cold_kitchen: "It stands cool. It is slow, not dead.",
  false_dawn: "This rise comes from early bacteria. It is not ready, however high it goes.",
  settling_liquid: "Water on top this early is only the mix settling.",
  nothing_yet: "No bubbles yet: cold, a weak flour, or simply early.",
  quiet_days: "Quiet is normal now. It has turned sour, and the yeast is still few.",
  slow_to_wake: "More than a week, and still flat. That happens, and it still comes.",
  other_warmth: "It goes as if it stood in another warmth than you told.",
  raised_cold: "In the fridge a young jar only gets slower.",
  bakers_yeast:
    "Baker's yeast lifts it now. That tells nothing of its own yeast, and an acid jar loses it in some days.",
  sweetened: "Sugar, honey or fruit are never needed; they feed its bacteria too. No harm done.",
  early_smell: "Such a smell is normal this early. It comes from early bacteria and goes away.",
  diluted: "It is being thinned out: fed more than its few yeasts can keep up with.",
  thriving: "In full swing: a dome, and bubbles all through. Its peak is near.",
  smell_turned: "The smell has turned pleasant: the early bacteria are gone, and yeast comes next.",
  resting_liquid:
    "Liquid on top is normal in the fridge, grey to dark brown. It is poured off before the next feed.",
  rested_long: "More than a month unfed. It lives longer than that, but wants waking in small steps.",
};

export const REMEDY_WORDS: Record<Remedy, string> = {
  bin_all: "Bin all of it.",
  move_cooler: "Move it somewhere cooler now.",
  cooler_spot: "A cooler spot makes each feed last longer.",
  get move_warmer() {
    return `A spot at ${degreesSpan(24, 26)} helps.`;
  },
  lift_off: "Lift it off and use what is under it.",
  cover_better: "Cover it better: a lid laid on, or film with a hole.",
  look_first: "Look for film and liquid first.",
  fresh_jar: "Feed it in a clean jar.",
  pour_off: "Pour it off for a milder starter, stir it in for a sourer one.",
  stir_in: "Stir it in.",
  feed_now: "Feed it now.",
  feed_sooner: "Feed sooner, such as twice a day.",
  feed_larger: "A larger feed for its seed helps too.",
  feed_at_peak: "Feed at its peak or just after, not before.",
  smaller_ratio: "Keep more of it at each feed.",
  add_whole_flour: "Make a tenth to a half of the flour whole rye or whole wheat.",
  bigger_jar: "Take a bigger jar or a smaller mix, and put a tray under it.",
  feed_less_often: "Let more time pass between feeds.",
  skip_discard: "Leave the discard out once.",
  less_water: "Add a little less water next time.",
  by_its_bubbles: "Judge it by its bubbles and its smell.",
  back_to_warm: "Put it back into the warm until it has doubled.",
  other_flour_and_water:
    "Feed it unbleached flour, and water that was filtered or stood open overnight: standing drives chlorine out, chloramine only a filter.",
  tell_warmth: "Lay a thermometer beside it for a day, or tell where it really stands.",
  get test_feeds() {
    return `Feed it equal parts at ${degreesSpan(24, 26)}, twice, a day apart: bubbles show that it lives. Still none after that: begin again.`;
  },
  keep_to_plan: "Keep to the plan.",
  stir: "Stir it; it gets air that way.",
  wait: "Give it time.",
  get think_back() {
    return `Think back: an hour above ${degrees(40)} (an oven light), bleached or other flour, chlorinated water, salt, days unfed. Two feeds with what it rose on before, in a warm place, show whether it lives.`;
  },
  wake_slowly:
    "Pour off, then feed it equal parts once a day for about three days, until it doubles in time.",
};

const CAUTION_WORDS: Record<Caution, string> = {
  do_not_scrape: "Do not scrape it off or rescue the rest.",
  do_not_taste: "Do not taste it.",
  do_not_use_yet: "Do not bake with it yet.",
  do_not_give_up: "Do not give up on it.",
  do_not_feed_more: "Do not feed it more often: that thins out the few yeasts.",
  do_not_seal: "Never seal the lid.",
  do_not_leave_there: "Do not leave it there; put a note on the oven.",
};

const QUESTION_WORDS: Record<Question, string> = {
  is_it_fuzzy_or_coloured: "Is it fuzzy, raised or coloured? Then it is mould, and all of it goes.",
  does_it_still_smell_so: "Does it still smell foul after day five? Then it is spoiled, and all of it goes.",
  stands_it_elsewhere: "Does it stand cooler or warmer than told?",
  is_it_flour_or_water: "Is its flour bleached, or its water chlorinated? Either holds yeast back.",
};

/** What it means, and since which look. */
export function findingLine(finding: Finding, now: string, zone: string): string {
  return `${SIGN_WORDS[finding.sign]} Seen ${when(finding.seen_at, now, zone)}.`;
}

/** What a sign is called, where it is spoken of: "because it is starving". */
export const SIGN_NAMES: Record<SignCode, string> = {
  mould: "mould",
  spoiled: "a foul smell",
  too_hot: "it stands too warm",
  stood_too_hot: "it stood too hot",
  film: "a film of wild yeast",
  hungry_liquid: "the liquid on top: it is hungry",
  starving_smell: "its smell of nail varnish: it is starving",
  hungry_again: "it rose and fell again before its feed",
  rises_no_more: "it rose and now it does not",
  lessening: "it rises less from feed to feed",
  unfed_warm: "days in the warm without a feed",
  forgotten: "a feed was left out",
  overflow: "it reached the rim",
  dry_skin: "a dry skin",
  bubbles_no_rise: "it bubbles but does not rise",
  cold_kitchen: "it stands cool",
  false_dawn: "an early rise",
  settling_liquid: "water on top",
  nothing_yet: "nothing stirs in it yet",
  quiet_days: "the quiet days",
  slow_to_wake: "it is slow to wake",
  other_warmth: "the warmth it seems to stand in",
  raised_cold: "it stands in the cold too early",
  bakers_yeast: "the baker's yeast in it",
  sweetened: "the sugar in it",
  early_smell: "an early smell",
  diluted: "it is being thinned out",
  thriving: "it is in full swing",
  smell_turned: "its smell has turned",
  resting_liquid: "liquid on top in the fridge",
  rested_long: "a long rest",
};

/** What is said yes or no to, where a question asks for something else than the sign itself. */
export const ASKED_NAMES: Partial<Record<SignCode, string>> = {
  slow_to_wake: "its flour or its water holds it back",
  other_warmth: "it stands elsewhere than told",
};

/** What to do and what not to do, in one breath. */
export function adviceLine({ do: remedies, dont }: Finding): string {
  return [
    ...remedies.map((remedy) => REMEDY_WORDS[remedy]),
    ...dont.map((caution) => CAUTION_WORDS[caution]),
  ].join(" ");
}

/** A finding as it is shown: how grave, what it means, what to do, and the one question. */
export function signNote(finding: Finding): {
  readonly grave: "danger" | "care" | "normal";
  readonly meaning: string;
  readonly advice: string;
  readonly question: string | null;
} {
  return {
    grave: GRAVE[finding.urgency],
    meaning: SIGN_WORDS[finding.sign],
    advice: adviceLine(finding),
    question: finding.ask && QUESTION_WORDS[finding.ask],
  };
}

const GRAVE = { 0: "danger", 1: "care", 2: "care", 3: "normal" } as const;

type Rule = Readiness["rule"];

const STEP_WORDS: Record<StepCode, (step: ReadyStep, rule: Rule) => string> = {
  awake: () => "It has doubled by its yeast",
  doubles: () => "It doubled after the last feed watched",
  in_time: (_, { within_h: hours, at_c: celsius }) => `And did so within ${hours} h at ${degrees(celsius)}`,
  in_a_row: ({ have, of }) => `At ${of} feeds in a row: ${have} so far`,
  steady: () => "It peaks at a steady time",
  pleasant: () => "It smells pleasant",
  no_warning: () => "No warning sign",
};

/** A step of the rule, with its numbers. */
export function stepLine(step: ReadyStep, rule: Rule): string {
  return STEP_WORDS[step.step](step, rule);
}

export function metWord({ met }: ReadyStep): string {
  if (met === null) return "not seen yet";
  return met ? "yes" : "not yet";
}

const hours = (count: number) => span(Math.round(count * 6) * 600_000);

/** Only what was seen: a look tells that it had doubled by then, not when it did. */
function evidence(feeds: readonly Attempt[]): string {
  const doubled = feeds.flatMap(({ doubled_by_h: by, limit_h: limit }) =>
    by === null ? [] : [`${hours(by)}${by > limit ? ", likely sooner" : ""}`],
  );
  const last = feeds.at(-1);
  if (!last || doubled.length === 0) return "";
  return `It doubled within ${doubled.join(", then within ")}; in its warmth ${hours(last.limit_h)} is in time.`;
}

const COUNTS = ["no", "one", "two", "three", "four", "five"];

/** The verdict in a sentence or two, with its evidence. */
export function readinessLine({
  ready,
  looks_ready_but: lucky,
  feeds_to_go: more,
  feeds,
  word,
  failed,
  rises_no_more: done,
}: Readiness): string {
  const seen = evidence(feeds);
  if (word === true) return `Ready, on your word. ${seen}`.trim();
  if (word === false) return `Not ready, on your word. ${seen}`.trim();
  const missing = `${COUNTS[more] ?? more} more good feed${more === 1 ? "" : "s"} in a row`;
  if (ready && failed > 0)
    return `Ready, by what it has shown. Its last feed did not do it: a second such takes the word back. ${seen}`.trim();
  if (ready) return `Ready. ${seen}`.trim();
  if (done)
    return `It was ready, and is not any more: its last ${COUNTS[failed] ?? failed} watched feeds failed.`;
  if (lucky && more > 0) return `It looks ready, but it is not a habit yet: ${missing}. ${seen}`;
  if (more > 0) return `Not ready yet: ${missing}. ${seen}`.trim();
  return `It rises as it should. One thing is still missing. ${seen}`;
}

/** How many good feeds a baker asks for: `three in a row`. */
export function rowWords(feeds: number): string {
  const count = COUNTS[feeds] ?? feeds;
  return feeds === 1 ? `${count} good feed` : `${count} in a row`;
}

/** What the float test adds: support, never the verdict. */
export function floatLine(floats: boolean): string {
  return floats
    ? "It floated: that supports it, and decides nothing."
    : "It sank. Rye, wet and stiff starters sink while fit, so that decides nothing.";
}
