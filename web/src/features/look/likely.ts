/** What is likely seen now, to stand first among the choices; and what this baker and this method look at. */
import type { Bubbles, OpenJar, Smell, Stage, Thickness, Top } from "../../api/types";

type Likely = {
  readonly bubbles: readonly Bubbles[];
  readonly top: readonly Top[];
  readonly smell: readonly Smell[];
};

const RISING: Likely = {
  bubbles: ["throughout", "few"],
  top: ["domed", "flat"],
  smell: ["fruity", "yoghurt"],
};
const FALLEN: Likely = {
  bubbles: ["throughout", "few"],
  top: ["sunken", "flat"],
  smell: ["fruity", "sharp"],
};

const BY_STAGE: Record<Stage, Likely> = {
  sown: { bubbles: ["none", "few"], top: ["flat", "liquid"], smell: ["floury", "cheesy"] },
  false_dawn: { bubbles: ["froth", "few"], top: ["domed", "flat"], smell: ["cheesy", "floury"] },
  hush: { bubbles: ["none", "few"], top: ["flat", "liquid"], smell: ["yoghurt", "sharp"] },
  stirring: { bubbles: ["few", "throughout"], top: ["flat", "domed"], smell: ["yoghurt", "fruity"] },
  awake: RISING,
  steady: RISING,
  resting: { bubbles: ["few", "none"], top: ["flat", "sunken"], smell: ["sharp", "fruity"] },
  binned: { bubbles: [], top: [], smell: [] },
};

export function likelyNow({ assessment, now }: OpenJar): Likely {
  const { stage, forecast } = assessment;
  if (!stage) return BY_STAGE.sown;
  const grown = stage.stage === "awake" || stage.stage === "steady";
  if (grown && forecast && Date.parse(now) > Date.parse(forecast.peaks.likely)) return FALLEN;
  return BY_STAGE[stage.stage];
}

/** The likely ones first, the others after them in their own order. */
export function likelyFirst<T extends string, I extends { readonly value: T }>(
  items: readonly I[],
  likely: readonly T[],
): I[] {
  const rank = ({ value }: I) => {
    const place = likely.indexOf(value);
    return place < 0 ? likely.length : place;
  };
  return [...items].sort((a, b) => rank(a) - rank(b));
}

export type Uses = {
  readonly thickness: boolean;
  readonly ph: boolean;
  readonly celsius: boolean;
  readonly floats: boolean;
};

/** Asked for is what the method tries, and what the baker noted before; all else can be opened. */
export function usesOf({ assessment, log, jar }: OpenJar): Uses {
  const tasks = new Set(assessment.timeline.flatMap(({ do: tasks }) => tasks.map((task) => task.do)));
  const sights = new Set(
    assessment.timeline.flatMap(({ waits_for: waits }) => waits.map(({ sight }) => sight)),
  );
  const looks = log.flatMap(({ entry, withdrawn }) => (entry.kind === "look" && !withdrawn ? [entry] : []));
  const noted = (what: "ph" | "celsius" | "floats" | "thickness") => looks.some((look) => look[what] != null);
  return {
    thickness: sights.has("runny") || noted("thickness"),
    ph: tasks.has("read_ph") || noted("ph"),
    celsius: jar.thermometer === null && noted("celsius"),
    floats: tasks.has("float_test") || noted("floats"),
  };
}

/** The last look of this feed, as it can be said again with one press. */
export type LastSeen = {
  readonly times: number | null;
  readonly bubbles: Bubbles | null;
  readonly top: readonly Top[];
  readonly smell: readonly Smell[];
  readonly thickness: Thickness | null;
};

export function lastSeen({ assessment, log }: OpenJar): LastSeen | null {
  const since = assessment.since_feed;
  if (!since) return null;
  const look = log.find(
    ({ entry, withdrawn }) =>
      entry.kind === "look" && !withdrawn && Date.parse(entry.at) >= Date.parse(since.fed_at),
  )?.entry;
  if (look?.kind !== "look") return null;
  return {
    times: since.last?.times ?? null,
    bubbles: look.bubbles,
    top: look.top,
    smell: look.smell,
    thickness: look.thickness,
  };
}
