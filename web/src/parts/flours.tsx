/** The flours on the baker's shelf, by their own names; a kind without one goes by what all call it. */

import { useState } from "react";
import { api, http } from "../api/client";
import type { Flour, ShelfFlour } from "../api/types";
import { forms, KG_PER_LB } from "../lib/forms";
import { newId } from "../lib/ids";
import { asSent, grams } from "../lib/numbers";
import { Button } from "../ui/button";
import { Choice } from "../ui/choice";
import { NumberField, TextField } from "../ui/field";
import { Loading } from "../ui/states";
import { FLOUR_WORDS, pantryText, partsText } from "../words";
import { Refused, useAct } from "./act";

type Shelf = readonly ShelfFlour[];

/** The shelf; null until it is known. */
function useShelf(): Shelf | null {
  const shelf = api.useQuery("get", "/api/flours", {}, { staleTime: 60_000 });
  return shelf.data?.flours ?? null;
}

/** What the baker calls a kind of flour; of several of a kind nobody knows which it is. */
export function useFlourNames(): (flour: Flour) => string {
  const shelf = useShelf();
  return (flour) => {
    const [one, ...others] = shelf?.filter((other) => other.flour === flour) ?? [];
    return one && others.length === 0 ? one.name : FLOUR_WORDS[flour];
  };
}

/** Kinds in the order of the shelf: what is there first. */
export function useShelfFirst(): (flours: readonly Flour[]) => Flour[] {
  const shelf = useShelf();
  return (flours) => {
    const there = new Set((shelf ?? []).map(({ flour }) => flour).filter((flour) => flours.includes(flour)));
    return [...there, ...flours.filter((flour) => !there.has(flour))];
  };
}

const KINDS = (Object.keys(FLOUR_WORDS) as Flour[]).map((value) => ({ value, label: FLOUR_WORDS[value] }));

/** The shelf itself: a name for a kind, or one taken off. It is written as a whole, so first it must be known. */
export function FloursPart() {
  const shelf = useShelf();
  return shelf ? <Editor shelf={shelf} /> : <Loading what={partsText.lookingAtTheFlours} />;
}

/** A price is typed for a kilo or a pound, as the baker weighs, and kept for a kilo. */
function perKilo(price: number | null): number | null {
  return typeof price === "number" && forms().mass === "oz" ? price / KG_PER_LB : price;
}

function Editor({ shelf }: { readonly shelf: Shelf }) {
  const { act, problem } = useAct();
  const [kind, setKind] = useState<Flour>("rye");
  const [name, setName] = useState("");
  const [price, setPrice] = useState("");
  const [bag, setBag] = useState("");
  const put = (flours: Shelf) => act(http.PUT("/api/flours", { body: { flours: [...flours] } }));
  // Not a form of its own: it also stands inside the one of a new jar.
  const add = async () => {
    const one = { id: newId(), flour: kind, name, price_per_kg: perKilo(asSent(price)), g: asSent(bag) };
    if (await put([...shelf, { ...one, weighed_at: null } as ShelfFlour])) {
      setName("");
      setPrice("");
      setBag("");
    }
  };
  return (
    <section aria-label={partsText.floursOnTheShelf} className="flex flex-col gap-3">
      {shelf.length > 0 && (
        <ul>
          {shelf.map((one) => (
            <li key={one.id} className="flex items-center justify-between gap-3 border-b border-rule">
              <span dir="auto">
                <span className="font-semibold">{one.name}</span>{" "}
                <span className="text-soft">
                  {FLOUR_WORDS[one.flour]}
                  {one.price_per_kg != null && ` · ${pantryText.aKiloCostsSo(one.price_per_kg)}`}
                  {one.g != null && ` · ${pantryText.bagOf(grams(one.g))}`}
                </span>
              </span>
              <Button look="plain" onClick={() => void put(shelf.filter(({ id }) => id !== one.id))}>
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
          <NumberField label={pantryText.aKiloCosts} value={price} onText={(text) => setPrice(text)} />
        </div>
        <div className="w-36">
          <NumberField label={pantryText.inTheBag} unit="g" value={bag} onText={(text) => setBag(text)} />
        </div>
        <Button onClick={() => void add()}>{partsText.putThere}</Button>
      </div>
      <Refused problem={problem} />
    </section>
  );
}
