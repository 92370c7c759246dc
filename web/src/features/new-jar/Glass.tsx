import { Choice } from "../../ui/choice";
import { NumberField } from "../../ui/field";
import type { JarDraft, PartProps } from "./draft";

/** Straight jars of usual sizes: to the rim, and inside height. */
const GLASSES = {
  small: { volume: "250", height: "85" },
  usual: { volume: "370", height: "100" },
  large: { volume: "500", height: "120" },
  tall: { volume: "750", height: "150" },
} as const;
type Glass = keyof typeof GLASSES;
const ITEMS = (Object.keys(GLASSES) as Glass[]).map((value) => ({
  value,
  label: value,
  hint: `${GLASSES[value].volume} ml`,
}));

function glassOf({ volume, height }: JarDraft): Glass | null {
  const found = Object.entries(GLASSES).find(([, one]) => one.volume === volume && one.height === height);
  return found ? (found[0] as Glass) : null;
}

/** The jar itself: one of the usual, or measured; and what it weighs. */
export function GlassPart({ draft, set, error }: PartProps) {
  const glass = glassOf(draft);
  const wrong = error("volume_ml") !== null || error("height_mm") !== null;
  return (
    <div className="flex flex-col gap-4">
      <Choice label="Jar" items={ITEMS} value={glass} onChange={(next) => next && set(GLASSES[next])} />
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
