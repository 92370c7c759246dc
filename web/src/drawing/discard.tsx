/** The discard jar as it stands in the fridge: a plain glass, as full as it is. */
import { mixColour } from "./colours";
import { JarDrawing } from "./jar";

// A common half-litre glass, where nobody said how large it is.
const USUAL_ML = 500;
// As high as wide and a half more.
const heightOf = (ml: number) => 104 * Math.cbrt(ml / USUAL_ML);

type Parts = {
  readonly totalG: number;
  readonly flours: readonly { readonly flour: string; readonly g: number }[];
  readonly top: readonly string[];
  readonly holdsMl: number | null;
  readonly scale: number;
};

export function DiscardDrawing({ totalG, flours, top, holdsMl, scale }: Parts) {
  const volumeMl = holdsMl ?? USUAL_ML;
  const glass = { volumeMl, heightMm: heightOf(volumeMl), flare: 1 };
  const levelMm = Math.min(1, totalG / volumeMl) * glass.heightMm;
  return (
    <JarDrawing
      scale={scale}
      state={{
        glass,
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
