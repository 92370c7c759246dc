/** Several jars at once that differ in one thing: what that may be, and the jars that come of it. */
import type { Family, FamilyCode, Flour, Option, OptionCode } from "../../api/types";
import { newId } from "../../lib/ids";
import { beginningAt, type Chosen, type JarDraft, optionsThatMatter, originOf } from "./draft";

/** An option of the way, all its flours as one thing, or what is chosen beside it. */
export type Differs = OptionCode | "flour" | "place" | "way" | "yeast";

export type SeveralDraft = {
  readonly differs: Differs | null;
  /** What the others have, as chosen or typed; empty ones are passed over. */
  readonly values: readonly string[];
  /** Of the trial, and of the jars beside the plain one. */
  readonly trial: string;
  readonly ids: readonly [string, string, string];
};

export const MOST_OTHERS = 3;

export function noSeveral(): SeveralDraft {
  return { differs: null, values: [], trial: newId(), ids: [newId(), newId(), newId()] };
}

/** How much of it there is, is no way to differ; nor is where a culture came from. */
const NOT_TRIED: ReadonlySet<OptionCode> = new Set([
  "seed_grams",
  "start_grams",
  "feed_grams",
  "culture_grams",
  "target_grams",
  "reserve_grams",
  "origin",
  "cold_days",
]);

export function differsIn(family: Family, chosen: Chosen, others: readonly FamilyCode[]): Differs[] {
  const matter = optionsThatMatter(family, chosen);
  const options = matter.filter(({ kind, code }) => kind !== "blend" && !NOT_TRIED.has(code));
  return [
    ...(matter.some(({ kind }) => kind === "blend") ? (["flour"] as const) : []),
    ...options.map(({ code }) => code),
    "place",
    ...(others.length > 0 ? (["way"] as const) : []),
    "yeast",
  ];
}

/** The option that is chosen from a few, or typed; undefined for what is none. */
export function optionOf(family: Family, differs: Differs): Option | undefined {
  return family.options.find(({ code, kind }) => code === differs && kind !== "blend");
}

/** The values that make a jar each. */
export function valuesOf({ differs, values }: SeveralDraft): string[] {
  if (differs === null) return [];
  if (differs === "yeast") return ["yeast"];
  return [...new Set(values.map((one) => one.trim()).filter((one) => one !== ""))].slice(0, MOST_OTHERS);
}

/** The other jars: each as the plain one but for its value. */
export function othersOf(
  plain: JarDraft,
  families: readonly Family[],
  several: SeveralDraft,
  nameOf: (value: string) => string,
): JarDraft[] {
  const { differs } = several;
  if (differs === null) return [];
  return valuesOf(several).map((value, at) => ({
    ...plain,
    ...changed(plain, families, differs, value),
    id: several.ids[at] ?? newId(),
    name: `${plain.name}, ${nameOf(value)}`.slice(0, 60),
  }));
}

function changed(
  plain: JarDraft,
  families: readonly Family[],
  differs: Differs,
  value: string,
): Partial<JarDraft> {
  const family = families.find(({ code }) => code === plain.family);
  const chosen = plain.chosen[plain.family] ?? {};
  if (!family || differs === "yeast") return {};
  if (differs === "place") return { warmth: value, night: "", thermometer: null };
  if (differs === "way") {
    const other = families.find(({ code }) => code === value);
    if (!other) return {};
    const own = beginningAt(other, plain.chosen[other.code] ?? {}, originOf(family, chosen));
    return { family: other.code, method: null, chosen: { ...plain.chosen, [other.code]: own } };
  }
  if (differs === "flour") {
    const blends = family.options.filter(({ kind }) => kind === "blend");
    const only: Partial<Record<Flour, string>> = { [value as Flour]: "1" };
    const fed = Object.fromEntries(blends.map(({ code }) => [code, only]));
    return { chosen: { ...plain.chosen, [family.code]: { ...chosen, ...fed } } };
  }
  return { chosen: { ...plain.chosen, [family.code]: { ...chosen, [differs]: value } } };
}

export type Equal = "way" | "flour" | "amounts" | "place" | "jar" | "hour";

/** What stays the same in all of them. */
export function heldEqual(differs: Differs): Equal[] {
  const all: readonly Equal[] = ["way", "flour", "amounts", "place", "jar", "hour"];
  return all.filter((one) => one !== differs && (one !== "amounts" || differs !== "way"));
}
