import { api } from "../api/client";
import type { Catalogue } from "../api/types";
import { Choice } from "../ui/choice";
import { NumberField } from "../ui/field";
import { commonText, newJarText, PLACE_WORDS } from "../words";

type Draft = { readonly warmth: string; readonly night: string; readonly thermometer: string | null };
type Props = {
  readonly draft: Draft;
  readonly set: (part: Partial<Draft>) => void;
  readonly error: (field: string) => string | null;
};

/** The thermometers of the house. */
export function useStations() {
  return api.useQuery("get", "/api/thermometers", {}, { staleTime: 60_000 });
}

/** Where it stands and how warm that is: a usual place, a thermometer of the house, or told in degrees. */
export function PlacePart({ draft, set, error, places }: Props & { readonly places: Catalogue["places"] }) {
  const usuals = places.map(({ place, warmth_c: celsius }) => ({
    value: String(celsius),
    label: PLACE_WORDS[place],
    hint: newJarText.aboutC(celsius),
  }));
  const stations = useStations();
  const measured = (stations.data ?? []).map((one) => ({
    value: one.id,
    label: one.place,
    hint: one.last_c === null ? newJarText.thermometerNothingYet : newJarText.thermometerC(one.last_c),
    celsius: one.last_c,
  }));
  const usual = usuals.find(({ value }) => value === draft.warmth)?.value ?? null;
  const choose = (next: string | null) => {
    const station = measured.find(({ value }) => value === next);
    if (station) set({ thermometer: station.value, warmth: String(station.celsius ?? draft.warmth) });
    else if (next) set({ thermometer: null, warmth: next });
  };
  return (
    <div className="flex flex-col gap-4">
      <Choice
        label={commonText.whereItStands}
        items={[...usuals, ...measured]}
        value={draft.thermometer ?? usual}
        onChange={choose}
      />
      <div className="grid gap-4 sm:grid-cols-2">
        <NumberField
          label={newJarText.warmthWhereItStands}
          unit="°C"
          hint={newJarText.n24To27IsBest}
          value={draft.warmth}
          onText={(text) => set({ warmth: text })}
          error={error("warmth_c")}
        />
        <NumberField
          label={commonText.atNight}
          unit="°C"
          hint={commonText.onlyIfItIsColder}
          value={draft.night}
          onText={(text) => set({ night: text })}
          error={error("night_c")}
        />
      </div>
    </div>
  );
}
