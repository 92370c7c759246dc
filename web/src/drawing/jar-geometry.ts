/** The jar as drawn: everything in mm of the real jar, so that all jars on a shelf are to one scale. */

export type Glass = { readonly volumeMl: number; readonly heightMm: number };

/** Inside width of a straight round jar, in mm. */
export function widthMm({ volumeMl, heightMm }: Glass): number {
  return 2 * Math.sqrt((volumeMl * 1000) / heightMm / Math.PI);
}

/** Height of the mix in mm: a level as a multiple of the line, never above the rim. */
export function levelMm(times: number, lineMm: number, glass: Glass): number {
  return Math.min(glass.heightMm, Math.max(0, times * lineMm));
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

/** Bubbles at the glass, the same ones every time: spread by the golden angle, more where the look saw more. */
export function bubblesIn(width: number, bottom: number, level: number, seen: string | null): Bubble[] {
  const count = Math.min(90, Math.round((DENSITY[seen ?? "none"] ?? 0) * width * level));
  return Array.from({ length: count }, (_, index) => {
    const across = (index * 0.618034) % 1;
    const up = (index * 0.754878 + 0.31) % 1;
    // Froth gathers at the top.
    const height = seen === "froth" ? Math.sqrt(up) : up;
    return {
      x: width * (0.06 + 0.88 * across),
      y: bottom - level * (0.05 + 0.86 * height),
      r: 0.7 + 1.6 * ((index * 0.381966) % 1),
    };
  });
}
