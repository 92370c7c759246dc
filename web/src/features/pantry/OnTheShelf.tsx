import { useState } from "react";
import { api, http } from "../../api/client";
import type { Bag, Flour, ShelfFlour, Stock, StockKind } from "../../api/types";
import { recordEntry } from "../../api/writes";
import { FlourBag } from "../../drawing/flour-bag";
import { nowIso } from "../../lib/clock";
import { newId } from "../../lib/ids";
import { asSent, grams, list } from "../../lib/numbers";
import { dayWord } from "../../lib/time";
import { Refused, useAct } from "../../parts/act";
import { Button, ButtonLink } from "../../ui/button";
import { NumberField } from "../../ui/field";
import { Loading } from "../../ui/states";
import { useSay } from "../../ui/toast";
import { commonText, FLOUR_WORDS, pantryText, problemWords, stockLine } from "../../words";

/** The flour on the shelf: how much of each bag is left, until when it is enough, and what to buy. */
export function OnTheShelf() {
  const stock = api.useQuery("get", "/api/stock");
  if (stock.isPending) return <Loading what={pantryText.countingTheFlour} />;
  if (!stock.data) return <p className="text-soft">{pantryText.shelfOutOfReach}</p>;
  const { kinds, until, now, time_zone: zone } = stock.data;
  const toBuy = kinds.filter(({ buy_g: g }) => g > 0);
  return (
    <section aria-labelledby="shelf" className="flex flex-col gap-6">
      <h2 id="shelf" className="text-2xl">
        {pantryText.onTheShelf}
      </h2>
      {kinds.length === 0 && <p className="max-w-prose">{pantryText.nothingOnTheShelf}</p>}
      <ul className="grid gap-x-12 gap-y-8 md:grid-cols-2">
        {kinds.map((kind) => (
          <li key={kind.flour}>
            <Kind kind={kind} stock={stock.data} />
          </li>
        ))}
      </ul>
      {toBuy.length > 0 && (
        <div className="max-w-prose border-s-4 border-dawn ps-4">
          <h3 className="text-xl">{pantryText.toBuyUntil(dayWord(until, now, zone))}</h3>
          <ul>
            {toBuy.map(({ flour, buy_g: g }) => (
              <li key={flour} className="flex justify-between gap-6 border-b border-rule py-1">
                <span className="first-letter:uppercase">{FLOUR_WORDS[flour]}</span>
                <span className="font-semibold tabular-nums">{grams(Math.ceil(g))}</span>
              </li>
            ))}
          </ul>
        </div>
      )}
      <p>
        <ButtonLink look="quiet" to="/house">
          {pantryText.putFlourThere}
        </ButtonLink>
      </p>
    </section>
  );
}

/** How full a bag is against the most that is known to have been in it. */
function shareOf({ g, left_g: left }: Bag): number | null {
  return g == null || left == null ? null : left / Math.max(g, 1);
}

function Kind({ kind, stock }: { readonly kind: StockKind; readonly stock: Stock }) {
  const { flour, bags } = kind;
  return (
    <section aria-label={FLOUR_WORDS[flour]} className="flex gap-4">
      <div className="flex gap-1">
        {(bags.length > 0 ? bags : [null]).map((bag) => (
          <FlourBag key={bag?.id ?? "none"} flour={flour} share={bag ? shareOf(bag) : 0} />
        ))}
      </div>
      <div className="flex min-w-0 flex-1 flex-col items-start gap-2">
        <h3 className="text-xl first-letter:uppercase">{FLOUR_WORDS[flour]}</h3>
        <p className="font-semibold">{stockLine(kind, stock.now, stock.time_zone)}</p>
        {bags.map((bag) => (
          <OneBag key={bag.id} bag={bag} />
        ))}
        {[...new Set(kind.instead.map((other) => other.flour))].map((other) => (
          <Instead
            key={other}
            flour={flour}
            other={other}
            jars={kind.instead.filter((one) => one.flour === other)}
          />
        ))}
      </div>
    </section>
  );
}

/** One bag; weighed again, it runs down from there. */
function OneBag({ bag }: { readonly bag: Bag }) {
  const shelf = api.useQuery("get", "/api/flours");
  const [weighing, setWeighing] = useState(false);
  const [g, setG] = useState("");
  const { act, problem } = useAct();
  const put = async () => {
    const flours = (shelf.data?.flours ?? []).map(
      (one): ShelfFlour => (one.id === bag.id ? { ...one, g: asSent(g), weighed_at: nowIso() } : one),
    );
    if (await act(http.PUT("/api/flours", { body: { flours } }))) {
      setWeighing(false);
      setG("");
    }
  };
  return (
    <div className="w-full">
      <div className="flex items-center justify-between gap-3 border-b border-rule">
        <span dir="auto">
          {bag.name}
          {bag.left_g != null && <span className="text-soft"> · {grams(Math.round(bag.left_g))}</span>}
        </span>
        <Button
          look="plain"
          className="shrink-0"
          aria-expanded={weighing}
          onClick={() => setWeighing(!weighing)}
        >
          {pantryText.weighIt}
          <span className="sr-only"> {bag.name}</span>
        </Button>
      </div>
      {weighing && (
        <form
          noValidate
          className="flex flex-wrap items-end gap-3 py-2"
          onSubmit={(event) => {
            event.preventDefault();
            void put();
          }}
        >
          <div className="w-36">
            <NumberField label={pantryText.inTheBag} unit="g" value={g} onText={(text) => setG(text)} />
          </div>
          <Button type="submit" look="act" disabled={!shelf.data || g.trim() === ""}>
            {pantryText.soMuch}
          </Button>
          <Refused problem={problem} />
        </form>
      )}
    </div>
  );
}

type Fed = StockKind["instead"][number];

/** Another flour from the next feed on: a change in each jar's log, undone there like any other. */
function Instead({
  flour,
  other,
  jars,
}: {
  readonly flour: Flour;
  readonly other: Flour;
  readonly jars: readonly Fed[];
}) {
  const [from, to] = [FLOUR_WORDS[flour], FLOUR_WORDS[other]];
  if (jars.length === 1)
    return <Replace label={pantryText.feedInstead(jars[0]?.name ?? "", to, from)} jars={jars} />;
  return (
    <>
      <Replace label={pantryText.insteadInAll(to, from, jars.length)} jars={jars} />
      <details>
        <summary className="min-h-11 py-2 font-semibold text-crust">{pantryText.jarByJar(to)}</summary>
        <div className="flex flex-wrap gap-2">
          {jars.map((one) => (
            <Replace key={one.jar} label={pantryText.feedInstead(one.name, to, from)} jars={[one]} />
          ))}
        </div>
      </details>
    </>
  );
}

function Replace({ label, jars }: { readonly label: string; readonly jars: readonly Fed[] }) {
  const say = useSay();
  const [busy, setBusy] = useState(false);
  const run = async () => {
    setBusy(true);
    const said = new Set<string>();
    for (const { jar, name, blends } of jars) {
      const entry = { kind: "flour", at: nowIso(), note: "", blends } as const;
      const outcome = await recordEntry(jar, newId(), null, entry, label, null);
      if (outcome.kind === "refused") said.add(`${name}: ${outcome.problems.map(problemWords).join(" ")}`);
      if (outcome.kind === "waiting") said.add(commonText.keptOnThisDeviceIt);
    }
    setBusy(false);
    say([...said].join(" ") || pantryText.fedSoFromNowOn(list(jars.map(({ name }) => name))));
  };
  return (
    <Button look="quiet" disabled={busy} onClick={() => void run()}>
      {label}
    </Button>
  );
}
