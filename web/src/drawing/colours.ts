/** The colour of a mix from its flours. */

const FLOUR_RGB: Record<string, readonly [number, number, number]> = {
  rye: [172, 142, 108],
  whole_wheat: [196, 164, 118],
  high_extraction: [214, 188, 144],
  white: [234, 220, 190],
  spelt: [208, 174, 122],
  einkorn: [222, 184, 112],
  gluten_free: [226, 214, 196],
};
const UNKNOWN = [210, 185, 145] as const;

/** `rgb(…)` of a mix; `lot` in grams or any other weight. */
export function mixColour(lot: readonly { readonly flour: string; readonly g: number }[]): string {
  const whole = lot.reduce((sum, part) => sum + part.g, 0);
  if (whole <= 0) return `rgb(${UNKNOWN.join(" ")})`;
  const mixed = [0, 1, 2].map((channel) =>
    Math.round(
      lot.reduce(
        (sum, part) => sum + (part.g / whole) * ((FLOUR_RGB[part.flour] ?? UNKNOWN)[channel] ?? 0),
        0,
      ),
    ),
  );
  return `rgb(${mixed.join(" ")})`;
}
