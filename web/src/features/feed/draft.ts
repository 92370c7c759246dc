/** A feed being weighed: what really went in, as typed or read off the scale; an empty field went as planned. */

import type {
  DiscardTo,
  FeedBody,
  FeedPlan,
  Flour,
  LogEntry,
  ScaleStep,
  Sheet,
  Tolerance,
  WalkStyle,
} from "../../api/types";
import { newId } from "../../lib/ids";
import { typed } from "../../lib/numbers";
import { toField } from "../../lib/time";
import type { WeightUnit } from "../../lib/units";
import { momentOf, NOW, type When } from "../../lib/when";

export type FeedDraft = {
  readonly id: string;
  readonly when: When;
  /** Where the walk stands: a reload goes on there. */
  readonly step: number;
  /** How it is fed this time; null as the method does. */
  readonly style: WalkStyle | null;
  readonly keepsAll: boolean;
  readonly unit: WeightUnit;
  readonly keep: string;
  readonly water: string;
  /** Of the water that was kept back, what went in; not in drafts of before it was asked. */
  readonly held?: string;
  /** The empty jar, or jar and all before anything is taken out, as the scale told it. */
  readonly tare?: string;
  readonly jarAndAll?: string;
  readonly flours: Partial<Record<Flour, string>>;
  readonly line: string;
  readonly discardTo: DiscardTo | null;
  readonly note: string;
  /** What is far off the plan and was said to be so; not in drafts of before it was asked at its step. */
  readonly sure?: readonly string[];
};

export function emptyFeed(unit: WeightUnit): FeedDraft {
  return {
    id: newId(),
    when: NOW,
    step: 0,
    style: null,
    keepsAll: false,
    unit,
    keep: "",
    water: "",
    flours: {},
    line: "",
    discardTo: null,
    note: "",
  };
}

export function draftOf(entry: LogEntry, feed: FeedBody, zone: string): FeedDraft {
  return {
    ...emptyFeed("g"),
    id: entry.id,
    when: { said: "other", field: toField(feed.at, zone) },
    keep: String(feed.keep_g),
    water: String(feed.water_g),
    flours: Object.fromEntries(feed.flours.map((part) => [part.flour, String(part.g)])),
    line: feed.line_mm === null ? "" : String(feed.line_mm),
    discardTo: feed.discard_to ?? null,
    note: feed.note,
  };
}

/** A typed number, or the planned one; what is no number goes as typed, for the server to name the field. */
function real(text: string | undefined, planned: number): number {
  const value = typed(text ?? "");
  if (value === null) return planned;
  return Number.isNaN(value) ? (text as unknown as number) : value;
}

export function feedOf(
  draft: FeedDraft,
  sheet: Pick<Sheet, "plan" | "tare_g">,
  now: number,
  zone: string,
): FeedBody {
  const { plan } = sheet;
  const asked = corrected(draft.tare) !== null || corrected(draft.jarAndAll) !== null;
  return {
    kind: "feed",
    at: momentOf(draft.when, now, zone),
    keep_g: plan.keep_g === 0 ? 0 : real(draft.keep, plan.keep_g),
    flours: plan.flours.map((part) => ({ flour: part.flour, g: real(draft.flours[part.flour], part.g) })),
    water_g: waterOf(draft, plan) ?? real(draft.water, plan.water_g),
    tare_g: asked ? sheet.tare_g : null,
    juice_g: plan.juice_g,
    salt_g: plan.salt_g,
    line_mm: draft.line.trim() === "" ? null : real(draft.line, 0),
    discard_to: draft.discardTo,
    note: draft.note,
  };
}

/** What was corrected so far, for the feed sheet; what is no number yet counts as not corrected. */
export type WentIn = {
  keep_g: number | null;
  water_g: number | null;
  flours: Partial<Record<Flour, number>>;
  style: WalkStyle | null;
  keeps_all: boolean;
  tare_g: number | null;
  jar_and_all_g: number | null;
};

/** The water in all where some of it was kept back at first; null where none was, or all went as planned. */
function waterOf(draft: FeedDraft, { water_g: water, hold_back_g: held }: FeedPlan): number | null {
  if (held === 0) return null;
  const poured = corrected(draft.water);
  const rest = corrected(draft.held);
  if (poured === null && rest === null) return null;
  return (poured ?? water - held) + (rest ?? held);
}

export function wentIn(draft: FeedDraft, first: boolean, plan: FeedPlan | null): WentIn {
  const flours = Object.entries(draft.flours)
    .map(([flour, text]) => [flour, corrected(text)] as const)
    .filter(([, value]) => value !== null);
  return {
    keep_g: first || draft.keepsAll ? null : corrected(draft.keep),
    water_g: plan && plan.hold_back_g > 0 ? waterOf(draft, plan) : corrected(draft.water),
    flours: Object.fromEntries(flours),
    style: draft.style,
    keeps_all: draft.keepsAll,
    tare_g: corrected(draft.tare),
    jar_and_all_g: corrected(draft.jarAndAll),
  };
}

function corrected(text: string | undefined): number | null {
  const value = typed(text ?? "");
  return value === null || Number.isNaN(value) ? null : value;
}

// --- the walk ---

/** What a step of the walk corrects; null where there is nothing to correct. */
export type Field =
  | { readonly of: "keep" }
  | { readonly of: "water" }
  | { readonly of: "held" }
  | { readonly of: "flour"; readonly flour: Flour };

export function fieldOf({ do: act, corrects, flour }: ScaleStep): Field | null {
  if (act === "add_held_back") return { of: "held" };
  if (corrects === "seed") return { of: "keep" };
  if (corrects === "water") return { of: "water" };
  return corrects === "flour" && flour ? { of: "flour", flour } : null;
}

export function textOf(draft: FeedDraft, field: Field): string {
  return field.of === "flour" ? (draft.flours[field.flour] ?? "") : (draft[field.of] ?? "");
}

export function withText(draft: FeedDraft, field: Field, text: string): Partial<FeedDraft> {
  return field.of === "flour" ? { flours: { ...draft.flours, [field.flour]: text } } : { [field.of]: text };
}

/** The readings after each step with what really went in: right at once, with or without a connection. */
export function readings(walk: readonly ScaleStep[], draft: FeedDraft, tare: number | null): number[] {
  let shows = tare ?? 0;
  return walk.map((step) => {
    const field = fieldOf(step);
    const typedIn = field && corrected(textOf(draft, field));
    if (step.do === "take_out" && step.from_zero) {
      // Zeroed with jar and all on it, it tells what came out; the next step begins at zero again.
      shows = 0;
      return Math.round((step.add_g + (typedIn === null ? 0 : typedIn - step.brings_g)) * 100) / 100;
    }
    shows += typedIn ?? step.brings_g;
    return Math.round(shows * 100) / 100;
  });
}

/**
 * What a reading says of the step that ends with it: the text to correct it by, empty where it went as planned, and where
 * nothing was added yet: who goes on then is not weighing this one.
 */
export function readOff(grams: number, before: number, planned: number, { near_g: near }: Tolerance): string {
  const real = grams - before;
  const asPlanned = Math.abs(real - planned) <= near || real <= near;
  return asPlanned ? "" : String(Math.round(real * 10) / 10);
}

/** Whether what was typed or weighed at a step is so far off its plan that a slip of the hand is likely. */
export function isFarOff(draft: FeedDraft, step: ScaleStep, tolerance: Tolerance): boolean {
  const field = fieldOf(step);
  const value = field && corrected(textOf(draft, field));
  const planned = step.brings_g;
  if (value === null || planned < tolerance.from_g) return false;
  return value >= planned * tolerance.far_times || value <= planned / tolerance.far_times;
}

/** What the baker was asked about and meant: the field and its text, so that another text is asked about again. */
export function meant(draft: FeedDraft, field: Field): string {
  return `${field.of === "flour" ? field.flour : field.of} ${textOf(draft, field)}`;
}

/** What was typed or weighed and is so far off the plan that a slip of the hand is likely: asked before it is saved. */
export function farOff(draft: FeedDraft, { scale_walk: walk, tolerance }: Sheet): string[] {
  return walk.flatMap((step) => {
    const field = fieldOf(step);
    if (!field || !isFarOff(draft, step, tolerance)) return [];
    if (draft.sure?.includes(meant(draft, field))) return [];
    return [field.of === "flour" ? field.flour : field.of];
  });
}
