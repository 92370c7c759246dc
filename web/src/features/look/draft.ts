/** A look being made: what is chosen and typed, as it stands in the form. */
import type { Bubbles, LevelUnit, LogEntry, LookBody, OpenJar, Smell, Thickness, Top } from "../../api/types";
import { newId } from "../../lib/ids";
import { convert, type Mark } from "../../lib/marks";
import { typed } from "../../lib/numbers";
import type { Points } from "../../lib/photo";
import { toField } from "../../lib/time";
import { momentOf, NOW, type When } from "../../lib/when";

export type LookDraft = {
  readonly id: string;
  readonly when: When;
  /** As typed; empty when no level was looked at. */
  readonly level: string;
  readonly unit: LevelUnit;
  readonly bubbles: Bubbles | null;
  readonly top: readonly Top[];
  readonly smell: readonly Smell[];
  readonly thickness: Thickness | null;
  /** Whether a smear shows that it was higher; and then where, in the unit of the level. */
  readonly smear: boolean;
  /** The smear; pH; degrees. As typed. */
  readonly high: string;
  readonly ph: string;
  readonly celsius: string;
  readonly floats: "floats" | "sinks" | null;
  readonly note: string;
  /** A photo kept on this device, with its three points once they were set. */
  readonly photo: { readonly id: string; readonly points: Points | null } | null;
};

export function emptyLook(): LookDraft {
  return {
    id: newId(),
    when: NOW,
    level: "",
    unit: "times",
    bubbles: null,
    top: [],
    smell: [],
    thickness: null,
    smear: false,
    high: "",
    ph: "",
    celsius: "",
    floats: null,
    note: "",
    photo: null,
  };
}

export function draftOf(entry: LogEntry, look: LookBody, zone: string): LookDraft {
  return {
    ...emptyLook(),
    id: entry.id,
    when: { said: "other", field: toField(look.at, zone) },
    level: look.level ? String(look.level.value) : "",
    unit: look.level?.unit ?? "times",
    bubbles: look.bubbles,
    top: look.top,
    smell: look.smell,
    thickness: look.thickness,
    smear: look.high != null,
    high: look.high && look.high.unit === (look.level?.unit ?? "times") ? String(look.high.value) : "",
    ph: look.ph == null ? "" : String(look.ph),
    celsius: look.celsius == null ? "" : String(look.celsius),
    floats: look.floats == null ? null : look.floats ? "floats" : "sinks",
    note: look.note,
  };
}

/** The look as it is sent. A level that is no number goes as typed, for the server to name the field. */
export function lookOf(draft: LookDraft, now: number, zone: string): LookBody {
  const sent = asSent(draft.level);
  const high = asSent(draft.high);
  return {
    kind: "look",
    at: momentOf(draft.when, now, zone),
    level: sent === null ? null : { value: sent, unit: draft.unit },
    bubbles: draft.bubbles,
    top: [...draft.top],
    smell: [...draft.smell],
    thickness: draft.thickness,
    high: high === null ? null : { value: high, unit: draft.unit },
    ph: asSent(draft.ph),
    celsius: asSent(draft.celsius),
    floats: draft.floats === null ? null : draft.floats === "floats",
    note: draft.note,
  };
}

function asSent(text: string): number | null {
  const value = typed(text);
  return Number.isNaN(value) ? (text as unknown as number) : value;
}

/** Where the line stands, in mm from the bottom, and the glass around it in every unit. */
export type Line = { readonly mm: number; readonly marks: readonly Mark[] };

/** The line of an opened jar; null before the first mix. */
export function lineOf({ assessment }: OpenJar): Line | null {
  const held = assessment.in_jar;
  return held && { mm: held.line_mm, marks: held.marks };
}

/** How high the rim and the lowest mark stand, as multiples of the line's height. */
export function boundsOf({ mm, marks }: Line): { readonly least: number; readonly most: number } {
  return { least: (marks[0]?.mm ?? 0) / mm, most: (marks.at(-1)?.mm ?? mm) / mm };
}

/** A level in one unit as a height against the line's, as the eye sees it, and back. */
export function toSeen(value: number, unit: LevelUnit, { mm, marks }: Line): number {
  if (unit === "ml") return convert(marks, value, "ml", "mm") / mm;
  return { times: value, percent: 1 + value / 100, mm: value / mm }[unit];
}

export function fromSeen(seen: number, unit: LevelUnit, { mm, marks }: Line): number {
  if (unit === "ml") return Math.round(convert(marks, seen * mm, "mm", "ml"));
  return {
    times: Number(seen.toFixed(2)),
    percent: Math.round((seen - 1) * 100),
    mm: Math.round(seen * mm),
  }[unit];
}

/** By volume, as levels are kept and drawn, and back to what the eye sees. */
export function byVolume(seen: number, { mm, marks }: Line): number {
  return convert(marks, seen * mm, "mm", "times");
}

export function asSeen(times: number, { mm, marks }: Line): number {
  return convert(marks, times, "times", "mm") / mm;
}
