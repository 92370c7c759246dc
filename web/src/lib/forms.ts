/** The forms in which a baker reads and types: weights, warmth, lengths, the clock and the decimal sign. */

export type Mass = "g" | "oz";
export type Forms = {
  readonly mass: Mass;
  readonly warmth: "c" | "f";
  readonly length: "mm" | "in";
  readonly clock: "h24" | "h12";
  readonly decimal: "point" | "comma";
};

export const METRIC: Forms = { mass: "g", warmth: "c", length: "mm", clock: "h24", decimal: "point" };
const AMERICAN: Forms = { mass: "oz", warmth: "f", length: "in", clock: "h12", decimal: "point" };

let spoken: Forms = METRIC;

/** From now on everything is told and typed so. */
export function tellIn(forms: Forms): void {
  spoken = forms;
}

export function forms(): Forms {
  return spoken;
}

/** What a baker of this device is likely used to, by where it says that it is. */
export function usualForms(language: string): Forms {
  const { region } = new Intl.Locale(language).maximize();
  if (region === "US") return AMERICAN;
  const comma = new Intl.NumberFormat(language).format(1.5).includes(",");
  return { ...METRIC, decimal: comma ? "comma" : "point" };
}

/** The units that are kept, and those that stand for them: what one is worth, and how finely it is written. */
export type Kept = "g" | "°C" | "mm";
type Other = {
  readonly sign: string;
  readonly to: (v: number) => number;
  readonly back: (v: number) => number;
};

// By definition: an avoirdupois ounce is 28.349523125 g, an inch 25.4 mm (NIST Handbook 44).
const G_PER_OZ = 28.349523125;
const MM_PER_IN = 25.4;
export const KG_PER_LB = (16 * G_PER_OZ) / 1000;
const OTHERS: Record<Kept, Other> = {
  g: { sign: "oz", to: (g) => g / G_PER_OZ, back: (oz) => oz * G_PER_OZ },
  "°C": { sign: "°F", to: (c) => (c * 9) / 5 + 32, back: (f) => ((f - 32) * 5) / 9 },
  mm: { sign: "in", to: (mm) => mm / MM_PER_IN, back: (inches) => inches * MM_PER_IN },
};

/** The other unit where the baker reads in it; null where the kept one is the baker's own. */
function otherOf(kept: Kept): Other | null {
  const own = { g: spoken.mass === "oz", "°C": spoken.warmth === "f", mm: spoken.length === "in" };
  return own[kept] ? OTHERS[kept] : null;
}

/** Ounces, °F or inches that were said so, whatever the baker reads in. */
export function ofOther(kept: Kept, value: number): number {
  return OTHERS[kept].back(value);
}

export function isKept(unit: string | undefined): unit is Kept {
  return unit === "g" || unit === "°C" || unit === "mm";
}

/** `oz` for `g` where the baker reads in ounces. */
export function signOf(kept: Kept): string {
  return otherOf(kept)?.sign ?? kept;
}

/** A kept value as the baker reads it. */
export function shownOf(kept: Kept, value: number): number {
  return otherOf(kept)?.to(value) ?? value;
}

/** What a baker typed, as it is kept: fine enough that it comes back as it was typed. */
export function keptOf(kept: Kept, value: number): number {
  const other = otherOf(kept);
  return other ? Number(other.back(value).toFixed(4)) : value;
}
