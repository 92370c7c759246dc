/** A jar being planned, as it stands in the form. */
import type { Family, Flour, NewJar } from "../../api/types";
import { newId } from "../../lib/ids";
import { typed } from "../../lib/numbers";
import { momentOf, NOW, type When } from "../../lib/when";

export type JarDraft = {
  readonly id: string;
  readonly name: string;
  readonly flours: Partial<Record<Flour, string>>;
  readonly hours: string;
  readonly seed: string;
  readonly tare: string;
  readonly volume: string;
  readonly height: string;
  readonly start: When;
};

export function newDraft(): JarDraft {
  return {
    id: newId(),
    name: "",
    flours: {},
    hours: "",
    seed: "",
    tare: "",
    volume: "370",
    height: "100",
    start: NOW,
  };
}

function number(text: string): number {
  const value = typed(text);
  // Nothing typed and what is no number go as they are, for the server to name the field.
  if (value === null) return null as unknown as number;
  return Number.isNaN(value) ? (text as unknown as number) : value;
}

export function jarOf(draft: JarDraft, family: Family, now: number, zone: string): NewJar {
  const chosen = Object.entries(draft.flours).map(([flour, parts]) => [flour, number(parts)] as const);
  return {
    id: draft.id,
    name: draft.name,
    family: family.code,
    choices: {
      every_hours: Number(draft.hours || family.usual_hours),
      seed_grams: draft.seed === "" ? family.usual_seed_g : number(draft.seed),
      blend: chosen.length ? Object.fromEntries(chosen) : family.usual_blend,
    },
    tare_g: number(draft.tare),
    volume_ml: number(draft.volume),
    height_mm: number(draft.height),
    scale_step: 1,
    starts_at: momentOf(draft.start, now, zone),
  };
}
