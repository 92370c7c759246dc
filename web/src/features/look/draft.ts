/** A look being made: what is chosen and typed, as it stands in the form. */
import type { Bubbles, LevelUnit, LogEntry, LookBody, OpenJar, Smell, Thickness, Top } from "../../api/types";
import { newId } from "../../lib/ids";
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

/** Where the line stands: height from the bottom, and what is under it. */
export type Line = { readonly mm: number; readonly ml: number };

/** The line of an opened jar; null before the first mix. */
export function lineOf({ jar, assessment }: OpenJar): Line | null {
  const held = assessment.in_jar;
  return held && { mm: held.line_mm, ml: (held.line_mm / jar.height_mm) * jar.volume_ml };
}

/** A level in one unit as a multiple of the line, and back. */
export function toTimes(value: number, unit: LevelUnit, line: Line): number {
  return { times: value, percent: 1 + value / 100, mm: value / line.mm, ml: value / line.ml }[unit];
}

export function fromTimes(times: number, unit: LevelUnit, line: Line): number {
  return {
    times: Number(times.toFixed(2)),
    percent: Math.round((times - 1) * 100),
    mm: Math.round(times * line.mm),
    ml: Math.round(times * line.ml),
  }[unit];
}
