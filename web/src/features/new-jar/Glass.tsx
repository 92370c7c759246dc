import type { Catalogue, Glass } from "../../api/types";
import { Choice } from "../../ui/choice";
import { NumberField } from "../../ui/field";
import { GLASS_WORDS, SHAPE_WORDS } from "../../words/kitchen";
import { type JarDraft, type PartProps, STRAIGHT } from "./draft";

/** The usual glass that a draft has, if it is one. */
function glassOf({ volume, height, flare }: JarDraft, glasses: Catalogue["glasses"]): Glass | null {
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
}: PartProps & { readonly glasses: Catalogue["glasses"] }) {
  const glass = glassOf(draft, glasses);
  const take = (next: Glass | null) => {
    const one = glasses.find((usual) => usual.glass === next);
    if (one) set({ volume: String(one.volume_ml), height: String(one.height_mm), flare: STRAIGHT });
  };
  const wrong = ["volume_ml", "height_mm", "flare"].some((field) => error(field) !== null);
  return (
    <div className="flex flex-col gap-4">
      <Choice
        label="Jar"
        items={glasses.map((one) => ({
          value: one.glass,
          label: GLASS_WORDS[one.glass],
          hint: `${one.volume_ml} ml`,
        }))}
        value={glass}
        onChange={take}
      />
      <details open={glass === null || wrong}>
        <summary className="min-h-11 py-2 font-semibold text-crust">Another jar: measure it</summary>
        <div className="grid gap-4 pt-2 sm:grid-cols-2">
          <NumberField
            label="Jar, filled to the rim"
            unit="ml"
            hint="Weigh the water that it holds: a gram is a millilitre."
            value={draft.volume}
            onChange={(event) => set({ volume: event.target.value })}
            error={error("volume_ml")}
          />
          <NumberField
            label="Inside height"
            unit="mm"
            value={draft.height}
            onChange={(event) => set({ height: event.target.value })}
            error={error("height_mm")}
          />
          <div className="sm:col-span-2">
            <Choice
              label="Its shape"
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
          label="Weight of the empty jar"
          unit="g"
          hint="Clean and dry, lid off. Empty: you zero the scale with the jar on it."
          value={draft.tare}
          onChange={(event) => set({ tare: event.target.value })}
          error={error("tare_g")}
        />
      </div>
    </div>
  );
}
