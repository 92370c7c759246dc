import { api } from "../../api/client";
import type { Catalogue, FamilyCode, Flour } from "../../api/types";
import { GlassPart } from "../../parts/glass";
import { PlacePart } from "../../parts/place";
import { Choice, Choices } from "../../ui/choice";
import { NumberField } from "../../ui/field";
import { FAMILY_WORDS, FLOUR_WORDS, lifeText } from "../../words";
import type { TermDraft, TermKind } from "./draft";

export type FormProps = {
  readonly draft: TermDraft;
  readonly set: (part: Partial<TermDraft>) => void;
  readonly error: (field: string) => string | null;
};

/** The fields whose problems stand beside them, by what is changed. */
export const SHOWN: Record<TermKind, readonly string[]> = {
  moved: ["warmth_c", "night_c", "thermometer"],
  jar: ["tare_g", "volume_ml", "height_mm", "flare", "line_mm"],
  flour: ["blends"],
  rhythm: ["every_h"],
  amount: ["size", "seed_g", "flour_parts", "hydration_percent"],
  way: ["family"],
};

/** What is changed, field by field. */
export function TermForm({ kind, ...form }: FormProps & { readonly kind: TermKind }) {
  const catalogue = api.useQuery("get", "/api/catalogue", {}, { staleTime: Number.POSITIVE_INFINITY });
  if (kind === "moved") return <PlacePart {...form} places={catalogue.data?.places ?? []} />;
  if (kind === "jar") return <GlassForm {...form} glasses={catalogue.data?.glasses ?? []} />;
  if (kind === "flour") return <FlourForm {...form} />;
  if (kind === "rhythm") return <RhythmForm {...form} />;
  if (kind === "amount") return <AmountForm {...form} />;
  return <WayForm {...form} families={catalogue.data?.families ?? []} />;
}

function GlassForm({ draft, set, error, glasses }: FormProps & { readonly glasses: Catalogue["glasses"] }) {
  return (
    <>
      <GlassPart draft={draft} set={set} error={error} glasses={glasses} />
      <div className="max-w-80">
        <NumberField
          label={lifeText.lineMeasured}
          unit="mm"
          value={draft.line}
          onText={(text) => set({ line: text })}
          error={error("line_mm")}
        />
      </div>
    </>
  );
}

const FLOURS = (Object.keys(FLOUR_WORDS) as Flour[]).map((value) => ({ value, label: FLOUR_WORDS[value] }));
const HOW = [
  { value: "mixed", label: lifeText.mixed },
  { value: "turn", label: lifeText.inTurn },
] as const;

function FlourForm({ draft, set, error }: FormProps) {
  const several = draft.flours.length > 1;
  return (
    <>
      <Choices
        label={lifeText.fedWith}
        items={FLOURS}
        value={draft.flours}
        onChange={(flours) => set({ flours })}
        error={error("blends")}
      />
      {several && (
        <Choice
          label={lifeText.mixedOrInTurn}
          items={HOW}
          value={draft.inTurn ? "turn" : "mixed"}
          onChange={(next) => next && set({ inTurn: next === "turn" })}
        />
      )}
      {several && !draft.inTurn && (
        <div className="grid gap-4 sm:grid-cols-2">
          {draft.flours.map((flour) => (
            <NumberField
              key={flour}
              label={lifeText.partsOf(FLOUR_WORDS[flour])}
              value={draft.parts[flour] ?? "1"}
              onText={(text) => set({ parts: { ...draft.parts, [flour]: text } })}
            />
          ))}
        </div>
      )}
    </>
  );
}

const RHYTHMS = [
  { value: "48", label: lifeText.everyOther },
  { value: "24", label: lifeText.onceADay },
  { value: "12", label: lifeText.twiceADay },
  { value: "8", label: lifeText.threeADay },
] as const;

function RhythmForm({ draft, set, error }: FormProps) {
  return (
    <>
      <Choice
        label={lifeText.every}
        items={RHYTHMS}
        value={RHYTHMS.find(({ value }) => value === draft.every)?.value ?? null}
        onChange={(every) => every && set({ every })}
      />
      <div className="max-w-64">
        <NumberField
          label={lifeText.otherHours}
          unit={lifeText.hoursUnit}
          value={draft.every}
          onText={(text) => set({ every: text })}
          error={error("every_h")}
        />
      </div>
    </>
  );
}

function AmountForm({ draft, set, error }: FormProps) {
  const [size] = [Number(draft.size) || 1];
  const sizes = [
    { value: String(size / 2), label: lifeText.half },
    { value: String(size * 2), label: lifeText.twice },
  ];
  const field = (label: string, unit: string, key: "seed" | "flourParts" | "hydration", name: string) => (
    <NumberField
      label={label}
      unit={unit}
      hint={lifeText.emptyAsTheWay}
      value={draft[key]}
      onText={(text) => set({ [key]: text })}
      error={error(name)}
    />
  );
  return (
    <>
      <Choice
        label={lifeText.size}
        items={sizes}
        value={null}
        onChange={(next) => next && set({ size: next })}
        error={error("size")}
      />
      <div className="grid gap-4 sm:grid-cols-2">
        <NumberField
          label={lifeText.sizeOfTheWay}
          unit="×"
          value={draft.size}
          onText={(text) => set({ size: text })}
        />
        {field(lifeText.seedKept, "g", "seed", "seed_g")}
        {field(lifeText.flourToSeed, "", "flourParts", "flour_parts")}
        {field(lifeText.waterToFlour, "%", "hydration", "hydration_percent")}
      </div>
    </>
  );
}

/** What sleeps or is dried cannot be taken up by a jar that runs. */
const BEGUN_ONLY: ReadonlySet<FamilyCode> = new Set(["dried_soak", "dried_spoons", "wake_and_keep"]);

function WayForm({ draft, set, error, families }: FormProps & { readonly families: Catalogue["families"] }) {
  const items = families
    .filter(({ code }) => !BEGUN_ONLY.has(code))
    .map(({ code }) => ({ value: code, ...FAMILY_WORDS[code] }));
  return (
    <Choice
      label={lifeText.whichWay}
      items={items}
      value={draft.family}
      onChange={(family) => set({ family, choices: {} })}
      error={error("family")}
    />
  );
}
