/** The jar as drawn: everything in mm of the real jar, so that all jars on a shelf are to one scale. */

/** `flare` is the inside width at the rim over that at the bottom: 1 for a straight jar. */
export type Glass = { readonly volumeMl: number; readonly heightMm: number; readonly flare: number };

/** Inside widths of a round jar at its bottom and at its rim, in mm: those of the cone that holds its volume. */
export function widthsMm({ volumeMl, heightMm, flare }: Glass): {
  readonly foot: number;
  readonly rim: number;
} {
  const share = (1 + flare + flare ** 2) / 3;
  const foot = 2 * Math.sqrt((volumeMl * 1000) / heightMm / Math.PI / share);
  return { foot, rim: foot * flare };
}

/** The widest that it is. */
export function widthMm(glass: Glass): number {
  const { foot, rim } = widthsMm(glass);
  return Math.max(foot, rim);
}

/** A height in the jar, in mm: never under its bottom or above its rim. */
export function insideMm(mm: number, glass: Glass): number {
  return Math.min(glass.heightMm, Math.max(0, mm));
}

export type Surface = "flat" | "domed" | "sunken";

/** The outline of the mix from the bottom up; `bow` is how far the middle stands off the level at the glass. */
export function mixPath(
  width: number,
  bottom: number,
  level: number,
  surface: Surface,
  corner: number,
): string {
  const bow = { flat: 0, domed: 0.09, sunken: -0.07 }[surface] * width;
  const top = bottom - level;
  const round = Math.min(corner, level / 2);
  return [
    `M 0 ${top}`,
    `Q ${width / 2} ${top - 2 * bow} ${width} ${top}`,
    `V ${bottom - round}`,
    `Q ${width} ${bottom} ${width - round} ${bottom}`,
    `H ${round}`,
    `Q 0 ${bottom} 0 ${bottom - round}`,
    "Z",
  ].join(" ");
}

export type Bubble = { readonly x: number; readonly y: number; readonly r: number };

const DENSITY: Record<string, number> = { none: 0, few: 0.0035, throughout: 0.011, froth: 0.016 };

/** A number from 0 to 1 that looks like chance and is the same for the same place in the row. */
function scatter(index: number, salt: number): number {
  const value = Math.sin((index + 1) * 12.9898 + salt * 78.233) * 43758.5453;
  return value - Math.floor(value);
}

/** Bubbles at the glass, the same ones every time, more where the look saw more. */
export function bubblesIn(width: number, bottom: number, level: number, seen: string | null): Bubble[] {
  const count = Math.min(90, Math.round((DENSITY[seen ?? "none"] ?? 0) * width * level));
  return Array.from({ length: count }, (_, index) => {
    // Even steps in one direction and scattered ones in the other leave no holes and no rows.
    const across = (index * 0.754878 + 0.12 * scatter(index, 1)) % 1;
    const up = (index * 0.56984 + 0.2 * scatter(index, 2)) % 1;
    // Froth gathers at the top.
    const height = seen === "froth" ? Math.sqrt(up) : up;
    return {
      x: width * (0.06 + 0.88 * across),
      y: bottom - level * (0.05 + 0.86 * height),
      r: 0.6 + 1.7 * scatter(index, 3) ** 2,
    };
  });
}
