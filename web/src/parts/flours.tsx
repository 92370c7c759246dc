/** The flours on the baker's shelf, by their own names; a kind without one goes by what all call it. */

import { useState } from "react";
import { api, http } from "../api/client";
import type { Flour } from "../api/types";
import { typed } from "../lib/numbers";
import { Button } from "../ui/button";
import { Choice } from "../ui/choice";
import { NumberField, TextField } from "../ui/field";
import { Loading } from "../ui/states";
import { FLOUR_WORDS, pantryText, partsText } from "../words";
import { Refused, useAct } from "./act";

type Shelf = readonly {
  readonly flour: Flour;
  readonly name: string;
  readonly price_per_kg?: number | null;
}[];

/** The shelf; null until it is known. */
function useShelf(): Shelf | null {
  const shelf = api.useQuery("get", "/api/flours", {}, { staleTime: 60_000 });
  return shelf.data?.flours ?? null;
}

/** What the baker calls a kind of flour. */
export function useFlourNames(): (flour: Flour) => string {
  const shelf = useShelf();
  return (flour) => shelf?.find((one) => one.flour === flour)?.name ?? FLOUR_WORDS[flour];
}

/** Kinds in the order of the shelf: what is there first. */
export function useShelfFirst(): (flours: readonly Flour[]) => Flour[] {
  const shelf = useShelf();
  return (flours) => {
    const there = (shelf ?? []).map(({ flour }) => flour).filter((flour) => flours.includes(flour));
    return [...there, ...flours.filter((flour) => !there.includes(flour))];
  };
}

const KINDS = (Object.keys(FLOUR_WORDS) as Flour[]).map((value) => ({ value, label: FLOUR_WORDS[value] }));

/** The shelf itself: a name for a kind, or one taken off. It is written as a whole, so first it must be known. */
export function FloursPart() {
  const shelf = useShelf();
  return shelf ? <Editor shelf={shelf} /> : <Loading what={partsText.lookingAtTheFlours} />;
}

function Editor({ shelf }: { readonly shelf: Shelf }) {
  const { act, problem } = useAct();
  const [kind, setKind] = useState<Flour>("rye");
  const [name, setName] = useState("");
  const [price, setPrice] = useState("");
  const put = (flours: Shelf) => act(http.PUT("/api/flours", { body: { flours: [...flours] } }));
  // Not a form of its own: it also stands inside the one of a new jar.
  const add = async () => {
    const costs = typed(price);
    // What is no number goes as it is, for the server to name the field.
    const price_per_kg = Number.isNaN(costs) ? (price as unknown as number) : costs;
    if (await put([...shelf, { flour: kind, name, price_per_kg }])) {
      setName("");
      setPrice("");
    }
  };
  return (
    <section aria-label={partsText.floursOnTheShelf} className="flex flex-col gap-3">
      {shelf.length > 0 && (
        <ul>
          {shelf.map((one) => (
            <li key={one.flour} className="flex items-center justify-between gap-3 border-b border-rule">
              <span dir="auto">
                <span className="font-semibold">{one.name}</span>{" "}
                <span className="text-soft">
                  {FLOUR_WORDS[one.flour]}
                  {one.price_per_kg != null && ` · ${pantryText.aKiloCostsSo(one.price_per_kg.toFixed(2))}`}
                </span>
              </span>
              <Button look="plain" onClick={() => void put(shelf.filter(({ flour }) => flour !== one.flour))}>
                {partsText.takeOff}
              </Button>
            </li>
          ))}
        </ul>
      )}
      <Choice label={partsText.kind} items={KINDS} value={kind} onChange={(next) => next && setKind(next)} />
      <div className="flex max-w-lg flex-wrap items-end gap-3">
        <TextField
          label={partsText.whatYouCallIt}
          placeholder={partsText.millRyeCoarse}
          value={name}
          onChange={(event) => setName(event.target.value)}
        />
        <div className="w-32">
          <NumberField
            label={pantryText.aKiloCosts}
            value={price}
            onChange={(event) => setPrice(event.target.value)}
          />
        </div>
        <Button onClick={() => void add()}>{partsText.putThere}</Button>
      </div>
      <Refused problem={problem} />
    </section>
  );
}
