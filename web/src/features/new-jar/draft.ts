/** A jar being planned, as it stands in the form. */
import type {
  BlendOption,
  Catalogue,
  Family,
  FamilyCode,
  Flour,
  Jar,
  NewJar,
  Option,
  OptionCode,
  Origin,
  PickCode,
  Strictness,
} from "../../api/types";
import { newId } from "../../lib/ids";
import { typed } from "../../lib/numbers";
import { momentOf, NOW, type When } from "../../lib/when";
import { JAR_NAMES } from "../../words";

/** What was chosen of one family, by option: a number as typed, a pick, or flours with their parts as typed. */
export type Chosen = Partial<Record<OptionCode, string | Partial<Record<Flour, string>>>>;

/** A method that was brought in as a file, as it was written. */
export type OwnMethod = Record<string, unknown>;

export type JarDraft = {
  readonly id: string;
  readonly name: string;
  readonly family: FamilyCode;
  /** Each family keeps its own choices, so that looking at another loses nothing. */
  readonly chosen: Partial<Record<FamilyCode, Chosen>>;
  /** Of the way's own amounts, such as "0.5"; empty where it is what the jar takes. */
  readonly size: string;
  readonly tare: string;
  readonly volume: string;
  readonly height: string;
  /** The width at its rim over that at its bottom. */
  readonly flare: string;
  readonly scaleStep: number;
  readonly warmth: string;
  /** Empty where nights are as warm as days. */
  readonly night: string;
  /** The thermometer of the house beside which it stands. */
  readonly thermometer: string | null;
  readonly hasScale: boolean;
  readonly readyAfter: Strictness;
  /** Whether what earlier jars showed counts for this one. */
  readonly byEarlierJars: boolean;
  /** Goes before the family where there is one. */
  readonly method: OwnMethod | null;
  readonly start: When;
  /** How far the questions were answered, and whether a way was chosen rather than suggested. */
  readonly asked: number;
  readonly wayChosen: boolean;
};

/** What a part of the form is given: the draft, a way to change it, and what is wrong with a field. */
export type PartProps = {
  readonly draft: JarDraft;
  readonly set: (part: Partial<JarDraft>) => void;
  readonly error: (...fields: string[]) => string | null;
};

export function newDraft({ beginning, glasses, places }: Catalogue): JarDraft {
  const glass = glasses.find((one) => one.glass === beginning.glass);
  const place = places.find((one) => one.place === beginning.place);
  return {
    id: newId(),
    name: JAR_NAMES[Math.floor(Math.random() * JAR_NAMES.length)] ?? "",
    family: beginning.family,
    chosen: {},
    size: "",
    tare: "",
    volume: String(glass?.volume_ml ?? ""),
    height: String(glass?.height_mm ?? ""),
    flare: "1",
    scaleStep: beginning.scale_step,
    warmth: String(place?.warmth_c ?? ""),
    night: "",
    thermometer: null,
    hasScale: true,
    readyAfter: "usual",
    byEarlierJars: true,
    method: null,
    start: NOW,
    asked: 0,
    wayChosen: false,
  };
}

/** A new jar with another's set-up: the same glass, place, way and choices. */
export function draftLike(jar: Jar, catalogue: Catalogue): JarDraft {
  const chosen: Chosen = {};
  for (const [code, value] of Object.entries(jar.choices)) {
    chosen[code as OptionCode] =
      typeof value === "object"
        ? Object.fromEntries(Object.entries(value).map(([flour, share]) => [flour, String(share)]))
        : String(value);
  }
  const family = jar.family as FamilyCode;
  return {
    ...newDraft(catalogue),
    family,
    wayChosen: true,
    chosen: { [family]: chosen },
    size: String(jar.size),
    tare: String(jar.tare_g),
    volume: String(jar.volume_ml),
    height: String(jar.height_mm),
    flare: String(jar.flare),
    hasScale: jar.scale_step !== null,
    scaleStep: jar.scale_step ?? catalogue.beginning.scale_step,
    warmth: String(jar.warmth_c),
    night: jar.night_c === null ? "" : String(jar.night_c),
    thermometer: jar.thermometer,
    readyAfter: jar.ready_after,
  };
}

function number(text: string): number {
  const value = typed(text);
  // Nothing typed and what is no number go as they are, for the server to name the field.
  if (value === null) return null as unknown as number;
  return Number.isNaN(value) ? (text as unknown as number) : value;
}

/** The named choices as they stand, defaults where nothing was chosen. */
export function picksOf(family: Family, chosen: Chosen): Partial<Record<OptionCode, PickCode>> {
  const picks: Partial<Record<OptionCode, PickCode>> = {};
  for (const option of family.options) {
    if (option.kind !== "pick") continue;
    const given = chosen[option.code];
    picks[option.code] = typeof given === "string" ? (given as PickCode) : option.default;
  }
  return picks;
}

/** Where a jar begins by what is chosen of its family. */
export function originOf(family: Family, chosen: Chosen): Origin {
  const picks = picksOf(family, chosen);
  return family.begins.find(({ option, pick }) => picks[option] === pick)?.origin ?? family.origin;
}

/** What is chosen of a family so that it begins there. */
export function beginningAt(family: Family, chosen: Chosen, origin: Origin): Chosen {
  const begins = family.begins.find((one) => one.origin === origin);
  if (begins && family.origin !== origin) return { ...chosen, [begins.option]: begins.pick };
  // What sleeps is kept from its first feed on; a bake with it is planned from its page.
  if (family.code === "wake_and_keep" && !chosen.way) return { ...chosen, way: "fridge" };
  const others = family.begins.map(({ option }) => option);
  return Object.fromEntries(Object.entries(chosen).filter(([code]) => !others.includes(code as OptionCode)));
}

/** A new jar that begins there: the first question is answered. */
export function begunFrom(draft: JarDraft, { families }: Catalogue, from: Origin): JarDraft {
  const family = families.find(
    (one) => one.origin === from || one.begins.some(({ origin }) => origin === from),
  );
  if (!family) return draft;
  const chosen = { ...draft.chosen, [family.code]: beginningAt(family, {}, from) };
  return { ...draft, family: family.code, chosen, asked: 1 };
}

/** The options that matter under the choices as they stand, in the family's order. */
export function optionsThatMatter(family: Family, chosen: Chosen): Option[] {
  const picks = picksOf(family, chosen);
  return family.options.filter(
    ({ matters_when: when }) =>
      when.length === 0 ||
      when.some((all) => all.every((only) => only.picks.includes(picks[only.code] as PickCode))),
  );
}

/** A flour that nobody chose goes by the one that it follows. */
export function blendInUse({ code, follows }: BlendOption, chosen: Chosen): Chosen {
  const led = follows && chosen[follows];
  return chosen[code] === undefined && led ? { ...chosen, [code]: led } : chosen;
}

/** The parts of a blend as they stand. */
export function partsOf(option: BlendOption, chosen: Chosen): Partial<Record<Flour, string>> {
  const given = chosen[option.code];
  if (given && typeof given === "object" && Object.keys(given).length > 0) return given;
  const shares = Object.entries(option.default) as [Flour, number][];
  const least = Math.min(...shares.map(([, share]) => share));
  return Object.fromEntries(
    shares.map(([flour, share]) => [flour, String(Number((share / least).toFixed(2)))]),
  );
}

/** One flour, or one mix, for every way there is: whichever comes of it is fed with that. */
export function withFlour(
  draft: JarDraft,
  families: readonly Family[],
  parts: Partial<Record<Flour, string>>,
): JarDraft["chosen"] {
  const chosen = { ...draft.chosen };
  for (const family of families) {
    const blends = family.options.filter((option) => option.kind === "blend");
    chosen[family.code] = {
      ...chosen[family.code],
      ...Object.fromEntries(blends.map((option) => [option.code, parts])),
    };
  }
  return chosen;
}

/** The flours with their parts as they stand for the jar as a whole. */
export function flourOfAll(draft: JarDraft, family: Family): (readonly [Flour, string])[] {
  const option = family.options.find((one) => one.code === "blend" && one.kind === "blend");
  if (option?.kind !== "blend") return [];
  return Object.entries(partsOf(option, draft.chosen[family.code] ?? {})) as [Flour, string][];
}

function choiceOf(option: Option, chosen: Chosen): NewJar["choices"][string] | null {
  const given = (option.kind === "blend" ? blendInUse(option, chosen) : chosen)[option.code];
  if (given === undefined || given === "") return null;
  if (option.kind === "blend" && typeof given === "object")
    return Object.fromEntries(Object.entries(given).map(([flour, parts]) => [flour, number(parts)]));
  if (typeof given !== "string") return null;
  return option.kind === "number" ? number(given) : given;
}

export function jarOf(draft: JarDraft, family: Family, now: number, zone: string): NewJar {
  const chosen = draft.chosen[family.code] ?? {};
  const choices: NewJar["choices"] = {};
  for (const option of optionsThatMatter(family, chosen)) {
    const choice = choiceOf(option, chosen);
    if (choice !== null) choices[option.code] = choice;
  }
  return {
    id: draft.id,
    name: draft.name,
    family: family.code,
    method: draft.method,
    choices: draft.method ? {} : choices,
    // A jar that was never weighed is zeroed away on the scale.
    tare_g: draft.tare.trim() === "" ? 0 : number(draft.tare),
    volume_ml: number(draft.volume),
    height_mm: number(draft.height),
    flare: number(draft.flare),
    scale_step: draft.hasScale ? draft.scaleStep : null,
    // What this jar takes of it, where nobody has chosen.
    size: draft.size === "" ? null : number(draft.size),
    warmth_c: number(draft.warmth),
    night_c: draft.night.trim() === "" ? null : number(draft.night),
    ready_after: draft.readyAfter,
    by_earlier_jars: draft.byEarlierJars,
    starts_at: momentOf(draft.start, now, zone),
  };
}
