import type { Catalogue, Glass } from "../api/types";
import { Choice } from "../ui/choice";
import { NumberField } from "../ui/field";
import { commonText, GLASS_WORDS, newJarText, SHAPE_WORDS } from "../words";

type Draft = {
  readonly tare: string;
  readonly volume: string;
  readonly height: string;
  readonly flare: string;
};
type Props = {
  readonly draft: Draft;
  readonly set: (part: Partial<Draft>) => void;
  readonly error: (field: string) => string | null;
};

/** As wide at the rim as at the bottom. */
export const STRAIGHT = "1";

/** The usual glass that a draft has, if it is one. */
function glassOf({ volume, height, flare }: Draft, glasses: Catalogue["glasses"]): Glass | null {
  const found = glasses.find(
    (one) => String(one.volume_ml) === volume && String(one.height_mm) === height && flare === STRAIGHT,
  );
  return found?.glass ?? null;
}

/** The jar itself: one of the usual, or measured; and what it weighs. */
export function GlassPart({
  draft,
  set,
  error,
  glasses,
}: Props & { readonly glasses: Catalogue["glasses"] }) {
  const glass = glassOf(draft, glasses);
  const take = (next: Glass | null) => {
    const one = glasses.find((usual) => usual.glass === next);
    if (one) set({ volume: String(one.volume_ml), height: String(one.height_mm), flare: STRAIGHT });
  };
  const wrong = ["volume_ml", "height_mm", "flare"].some((field) => error(field) !== null);
  return (
    <div className="flex flex-col gap-4">
      <Choice
        label={commonText.jar}
        items={glasses.map((one) => ({
          value: one.glass,
          label: GLASS_WORDS[one.glass],
          hint: newJarText.ml(one.volume_ml),
        }))}
        value={glass}
        onChange={take}
      />
      <details open={glass === null || wrong}>
        <summary className="min-h-11 py-2 font-semibold text-crust">{newJarText.anotherJarMeasureIt}</summary>
        <div className="grid gap-4 pt-2 sm:grid-cols-2">
          <NumberField
            label={newJarText.jarFilledToTheRim}
            unit="ml"
            hint={newJarText.weighTheWaterThatIt}
            value={draft.volume}
            onText={(text) => set({ volume: text })}
            error={error("volume_ml")}
          />
          <NumberField
            label={newJarText.insideHeight}
            unit="mm"
            value={draft.height}
            onText={(text) => set({ height: text })}
            error={error("height_mm")}
          />
          <div className="sm:col-span-2">
            <Choice
              label={newJarText.itsShape}
              items={SHAPE_WORDS}
              value={SHAPE_WORDS.find(({ value }) => value === draft.flare)?.value ?? null}
              onChange={(flare) => flare && set({ flare })}
              error={error("flare")}
            />
          </div>
        </div>
      </details>
      <div className="max-w-80">
        <NumberField
          label={newJarText.weightOfTheEmptyJar}
          unit="g"
          hint={newJarText.cleanAndDryLidOff}
          value={draft.tare}
          onText={(text) => set({ tare: text })}
          error={error("tare_g")}
        />
      </div>
    </div>
  );
}
