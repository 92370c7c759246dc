/** The discard jar as it stands in the fridge: a plain glass, as full as it is. */
import { mixColour } from "./colours";
import { JarDrawing } from "./jar";

// A common half-litre glass; what more there is stands in a second one.
const GLASS = { volumeMl: 500, heightMm: 104, flare: 1 };

type Parts = {
  readonly totalG: number;
  readonly flours: readonly { readonly flour: string; readonly g: number }[];
  readonly top: readonly string[];
  readonly scale: number;
};

export function DiscardDrawing({ totalG, flours, top, scale }: Parts) {
  const levelMm = Math.min(1, totalG / GLASS.volumeMl) * GLASS.heightMm;
  return (
    <JarDrawing
      scale={scale}
      state={{
        glass: GLASS,
        lineMm: null,
        levelMm,
        highMm: null,
        colour: mixColour(flours),
        bubbles: null,
        top,
        gone: false,
      }}
    />
  );
}
