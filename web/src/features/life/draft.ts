/** What is typed of a change, and the entry that it becomes. */
import type { EntryBody, FamilyCode, Flour, Stands } from "../../api/types";
import { asSent } from "../../lib/numbers";
import { toField } from "../../lib/time";
import { NOW, type When } from "../../lib/when";

export type TermKind = "moved" | "jar" | "flour" | "rhythm" | "amount" | "way";
export type TermBody = Extract<EntryBody, { readonly kind: TermKind }>;

export const TERM_KINDS: readonly TermKind[] = ["moved", "jar", "flour", "rhythm", "amount", "way"];

export type TermDraft = {
  readonly when: When;
  readonly note: string;
  readonly warmth: string;
  readonly night: string;
  readonly thermometer: string | null;
  readonly tare: string;
  readonly volume: string;
  readonly height: string;
  readonly flare: string;
  readonly line: string;
  readonly flours: readonly Flour[];
  /** Parts by flour, as typed; one where nothing is. */
  readonly parts: Readonly<Partial<Record<Flour, string>>>;
  readonly inTurn: boolean;
  readonly every: string;
  /** The way's own size, as typed. */
  readonly size: string;
  readonly seed: string;
  readonly flourParts: string;
  readonly hydration: string;
  readonly family: FamilyCode | null;
  readonly choices: Readonly<Record<string, string | number>>;
};

const shown = (value: number | null) => (value === null ? "" : String(value));

/** A change as it begins: everything as it is. */
export function newTerm(stands: Stands): TermDraft {
  const [blend] = stands.blends;
  return {
    when: NOW,
    note: "",
    warmth: String(stands.warmth_c),
    night: shown(stands.night_c),
    thermometer: null,
    tare: String(stands.vessel.tare_g),
    volume: String(stands.vessel.volume_ml),
    height: String(stands.vessel.height_mm),
    flare: String(stands.vessel.flare),
    line: "",
    flours: (blend ?? []).map((part) => part.flour),
    parts: {},
    inTurn: stands.blends.length > 1,
    every: shown(stands.every_h),
    size: String(stands.size),
    seed: shown(stands.seed_g),
    flourParts: shown(stands.flour_parts),
    hydration: shown(stands.hydration_percent),
    family: null,
    choices: {},
  };
}

/** What an entry said, to be corrected. */
export function termOf(entry: TermBody, stands: Stands, zone: string): TermDraft {
  const fresh = {
    ...newTerm(stands),
    when: { said: "other", field: toField(entry.at, zone) } as const,
    note: entry.note,
  };
  switch (entry.kind) {
    case "moved":
      return {
        ...fresh,
        warmth: String(entry.warmth_c),
        night: shown(entry.night_c),
        thermometer: entry.thermometer,
      };
    case "jar":
      return {
        ...fresh,
        tare: String(entry.tare_g),
        volume: String(entry.volume_ml),
        height: String(entry.height_mm),
        flare: String(entry.flare),
        line: shown(entry.line_mm),
      };
    case "flour": {
      const all = entry.blends.flatMap((blend) => Object.entries(blend) as [Flour, number][]);
      return {
        ...fresh,
        flours: [...new Set(all.map(([flour]) => flour))],
        parts:
          entry.blends.length > 1
            ? {}
            : Object.fromEntries(all.map(([flour, part]) => [flour, String(part)])),
        inTurn: entry.blends.length > 1,
      };
    }
    case "rhythm":
      return { ...fresh, every: String(entry.every_h) };
    case "amount":
      return {
        ...fresh,
        size: String(entry.size),
        seed: shown(entry.seed_g),
        flourParts: shown(entry.flour_parts),
        hydration: shown(entry.hydration_percent),
      };
    case "way":
      return { ...fresh, family: entry.family as FamilyCode, choices: entry.choices };
  }
}

/** What is no number goes as it was typed, for the server to name the field. */
const sent = (text: string) => asSent(text) ?? (null as unknown as number);

export function bodyOf(kind: TermKind, draft: TermDraft, at: string): TermBody {
  const { note } = draft;
  switch (kind) {
    case "moved":
      return {
        kind,
        at,
        note,
        warmth_c: sent(draft.warmth),
        night_c: asSent(draft.night),
        thermometer: draft.thermometer,
      };
    case "jar":
      return {
        kind,
        at,
        note,
        tare_g: sent(draft.tare),
        volume_ml: sent(draft.volume),
        height_mm: sent(draft.height),
        flare: sent(draft.flare),
        line_mm: asSent(draft.line),
      };
    case "flour":
      return { kind, at, note, blends: blendsOf(draft) };
    case "rhythm":
      return { kind, at, note, every_h: sent(draft.every) };
    case "amount":
      return {
        kind,
        at,
        note,
        size: sent(draft.size),
        seed_g: asSent(draft.seed),
        flour_parts: asSent(draft.flourParts),
        hydration_percent: asSent(draft.hydration),
      };
    case "way":
      return { kind, at, note, family: draft.family ?? "", choices: { ...draft.choices }, size: 1 };
  }
}

function blendsOf({ flours, parts, inTurn }: TermDraft): Partial<Record<Flour, number>>[] {
  if (inTurn && flours.length > 1) return flours.map((flour) => ({ [flour]: 1 }));
  return [Object.fromEntries(flours.map((flour) => [flour, asSent(parts[flour] ?? "") ?? 1]))];
}
