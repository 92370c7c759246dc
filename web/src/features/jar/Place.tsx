import { type FormEvent, useState } from "react";
import { api } from "../../api/client";
import type { OpenJar, Problem } from "../../api/types";
import { setPlace } from "../../api/writes";
import { typed } from "../../lib/numbers";
import { Button } from "../../ui/button";
import { Choice } from "../../ui/choice";
import { NumberField } from "../../ui/field";
import { Trouble } from "../../ui/states";
import { commonText, fieldWords, jarText, problemAt, problemWords } from "../../words";

const BY_HAND = "by_hand";

/** How warm it stands, told by hand or by a thermometer of the house. */
export function PlaceOfJar({ opened }: { readonly opened: OpenJar }) {
  const { jar } = opened;
  const stations = api.useQuery("get", "/api/thermometers", {}, { staleTime: 60_000 });
  const [day, setDay] = useState(String(jar.warmth_c));
  const [night, setNight] = useState(jar.night_c === null ? "" : String(jar.night_c));
  const [station, setStation] = useState(jar.thermometer ?? BY_HAND);
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const save = async (event: FormEvent) => {
    event.preventDefault();
    const place = {
      warmth_c: asNumber(day) ?? (null as unknown as number),
      night_c: asNumber(night),
      thermometer: station === BY_HAND ? null : station,
    };
    const outcome = await setPlace(jar.id, place, commonText.whereStands(jar.name));
    setProblems(outcome.kind === "refused" ? outcome.problems : []);
  };
  const items = [
    { value: BY_HAND, label: jarText.asToldHere },
    ...(stations.data ?? []).map((one) => ({
      value: one.id,
      label: one.place,
      hint: one.last_c === null ? jarText.nothingYet : `${one.last_c} °C`,
    })),
  ];
  const other = problems.filter(({ field }) => field !== "warmth_c" && field !== "night_c");
  return (
    <details className="max-w-xl">
      <summary className="min-h-11 py-2 font-semibold text-crust">{commonText.whereItStands}</summary>
      <form onSubmit={(event) => void save(event)} noValidate className="flex flex-col gap-4 pt-2">
        {items.length > 1 && (
          <Choice
            label={jarText.warmthBy}
            items={items}
            value={station}
            onChange={(next) => next && setStation(next)}
          />
        )}
        <div className="grid gap-4 sm:grid-cols-2">
          <NumberField
            label={commonText.warmth}
            unit="°C"
            hint={station === BY_HAND ? jarText.countsFromTheFirstMix : jarText.countsWhereTheThermometerIs}
            value={day}
            onChange={(event) => setDay(event.target.value)}
            error={problemAt(problems, "warmth_c")}
          />
          <NumberField
            label={commonText.atNight}
            unit="°C"
            hint={commonText.onlyIfItIsColder}
            value={night}
            onChange={(event) => setNight(event.target.value)}
            error={problemAt(problems, "night_c")}
          />
        </div>
        {other.length > 0 && (
          <Trouble>{other.map((one) => `${fieldWords(one.field)}: ${problemWords(one)}`).join(" ")}</Trouble>
        )}
        <Button type="submit" className="self-start">
          {jarText.saveThePlace}
        </Button>
      </form>
    </details>
  );
}

/** Nothing typed and what is no number go as they are, for the server to name the field. */
function asNumber(text: string): number | null {
  const value = typed(text);
  return Number.isNaN(value) ? (text as unknown as number) : value;
}
