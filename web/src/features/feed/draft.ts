/** A feed being weighed: what really went in, as typed; an empty field went as planned. */
import type { FeedBody, FeedPlan, Flour, LogEntry } from "../../api/types";
import { newId } from "../../lib/ids";
import { typed } from "../../lib/numbers";
import { toField } from "../../lib/time";
import { momentOf, NOW, type When } from "../../lib/when";

export type FeedDraft = {
  readonly id: string;
  readonly when: When;
  readonly keep: string;
  readonly water: string;
  readonly flours: Partial<Record<Flour, string>>;
  readonly line: string;
  readonly note: string;
};

export function emptyFeed(): FeedDraft {
  return { id: newId(), when: NOW, keep: "", water: "", flours: {}, line: "", note: "" };
}

export function draftOf(entry: LogEntry, feed: FeedBody, zone: string): FeedDraft {
  return {
    id: entry.id,
    when: { said: "other", field: toField(feed.at, zone) },
    keep: String(feed.keep_g),
    water: String(feed.water_g),
    flours: Object.fromEntries(feed.flours.map((part) => [part.flour, String(part.g)])),
    line: feed.line_mm === null ? "" : String(feed.line_mm),
    note: feed.note,
  };
}

/** A typed number, or the planned one; what is no number goes as typed, for the server to name the field. */
function real(text: string | undefined, planned: number): number {
  const value = typed(text ?? "");
  if (value === null) return planned;
  return Number.isNaN(value) ? (text as unknown as number) : value;
}

export function feedOf(draft: FeedDraft, plan: FeedPlan, now: number, zone: string): FeedBody {
  return {
    kind: "feed",
    at: momentOf(draft.when, now, zone),
    keep_g: plan.keep_g === 0 ? 0 : real(draft.keep, plan.keep_g),
    flours: plan.flours.map((part) => ({ flour: part.flour, g: real(draft.flours[part.flour], part.g) })),
    water_g: real(draft.water, plan.water_g),
    juice_g: plan.juice_g,
    salt_g: plan.salt_g,
    line_mm: draft.line.trim() === "" ? null : real(draft.line, 0),
    note: draft.note,
  };
}

/** What was corrected so far, for the feed sheet; what is no number yet counts as not corrected. */
export type WentIn = {
  keep_g: number | null;
  water_g: number | null;
  flours: Partial<Record<Flour, number>>;
};

export function wentIn(draft: FeedDraft, first: boolean): WentIn {
  const flours = Object.entries(draft.flours)
    .map(([flour, text]) => [flour, corrected(text)] as const)
    .filter(([, value]) => value !== null);
  return {
    keep_g: first ? null : corrected(draft.keep),
    water_g: corrected(draft.water),
    flours: Object.fromEntries(flours),
  };
}

function corrected(text: string | undefined): number | null {
  const value = typed(text ?? "");
  return value === null || Number.isNaN(value) ? null : value;
}
