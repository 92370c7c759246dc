import type { ReactNode } from "react";
import type { Catalogue } from "../../api/types";
import { degrees, grams } from "../../lib/numbers";
import { FloursPart } from "../../parts/flours";
import { GlassPart } from "../../parts/glass";
import { PlacePart } from "../../parts/place";
import { Choice } from "../../ui/choice";
import { commonText, newJarText, sizeWords } from "../../words";
import type { PartProps } from "./draft";

/** Answers that are no number of the catalogue. */
const WHAT_FITS = "fits";
const NO_SCALE = "none";

/** What is usually right as it is: each a line that says how it stands, and opens to be changed. */
export function Usual({ catalogue, ...part }: PartProps & { readonly catalogue: Catalogue }) {
  const { draft, set, error } = part;
  const wrong = (...fields: string[]) => error(...fields) !== null;
  const night = draft.night ? newJarText.atNightC(draft.night) : "";
  const size = draft.size === "" ? newJarText.whatFits : sizeWords(Number(draft.size));
  return (
    <div className="border-t border-rule">
      <Line
        label={newJarText.amountsAndScale}
        said={`${size}, ${draft.hasScale ? newJarText.stepsOf(grams(draft.scaleStep)) : newJarText.noScale}`}
        open={wrong("size", "scale_step")}
      >
        <Choice
          label={newJarText.size}
          items={[
            { value: WHAT_FITS, label: newJarText.whatFits },
            ...catalogue.beginning.sizes.map((one) => ({ value: String(one), label: sizeWords(one) })),
          ]}
          value={draft.size || WHAT_FITS}
          onChange={(next) => next && set({ size: next === WHAT_FITS ? "" : next })}
          error={error("size")}
        />
        <Choice
          label={newJarText.yourScaleTells}
          items={[
            ...catalogue.beginning.scale_steps.map((step) => ({ value: String(step), label: grams(step) })),
            { value: NO_SCALE, label: newJarText.iHaveNone },
          ]}
          value={draft.hasScale ? String(draft.scaleStep) : NO_SCALE}
          onChange={(step) =>
            step && set(step === NO_SCALE ? { hasScale: false } : { hasScale: true, scaleStep: Number(step) })
          }
          error={error("scale_step")}
        />
      </Line>
      <Line
        label={commonText.whereItStands}
        said={`${degrees(draft.warmth)}${night}`}
        open={wrong("warmth_c", "night_c")}
      >
        <PlacePart {...part} places={catalogue.places} />
      </Line>
      <Line
        label={commonText.jar}
        said={`${draft.volume}\u00a0ml`}
        open={wrong("volume_ml", "height_mm", "flare", "tare_g")}
      >
        <GlassPart {...part} glasses={catalogue.glasses} />
      </Line>
      <Line label={newJarText.floursOnYourShelf} said="" open={false}>
        <FloursPart />
      </Line>
    </div>
  );
}

/** One thing in a line: what it is, how it stands; opened it can be changed. */
export function Line({
  label,
  said,
  open,
  children,
}: {
  readonly label: string;
  readonly said: string;
  /** Something in it is wrong. */
  readonly open: boolean;
  readonly children: ReactNode;
}) {
  return (
    <details open={open || undefined} className="border-b border-rule">
      <summary className="min-h-11 py-2.5">
        <span className="font-semibold text-crust">{label}</span>
        {said && <span className="ms-3 text-soft">{said}</span>}
      </summary>
      <div className="flex flex-col gap-5 pt-1 pb-5">{children}</div>
    </details>
  );
}
