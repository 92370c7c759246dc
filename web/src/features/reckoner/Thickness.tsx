import { keepPreviousData } from "@tanstack/react-query";
import { api } from "../../api/client";
import type { Flour } from "../../api/types";
import { asSent, grams, percent } from "../../lib/numbers";
import { Button } from "../../ui/button";
import { NumberField } from "../../ui/field";
import { problemWords, reckonerText } from "../../words";
import { Answer, Big, sent, useAsked } from "./asked";

const USUAL = { steps: "100,150;75,75,75", flour: "white" };
type Row = { readonly keep: string; readonly flour: string; readonly water: string };

function rowsOf(text: string): Row[] {
  return text.split(";").map((step, at) => {
    const parts = step.split(",");
    const [keep, flour, water] = at === 0 ? ["", ...parts] : parts;
    return { keep: keep ?? "", flour: flour ?? "", water: water ?? "" };
  });
}

function textOf(rows: readonly Row[]): string {
  return rows
    .map(({ keep, flour, water }, at) => (at === 0 ? [flour, water] : [keep, flour, water]).join(","))
    .join(";");
}

/** How wet a jar is after each of its feeds, with what the seed carried in. */
export function Thickness() {
  const asked = useAsked(USUAL);
  const rows = rowsOf(asked.values.steps);
  const found = api.useQuery(
    "post",
    "/api/reckon/hydration",
    {
      body: {
        steps: rowsOf(asked.rested.steps).map(({ keep, flour, water }) => ({
          keep_g: asSent(keep),
          flours: { [asked.rested.flour as Flour]: sent(flour) },
          water_g: sent(water),
        })),
      },
    },
    { retry: false, placeholderData: keepPreviousData },
  );
  const problems = found.error?.errors ?? [];
  const set = (at: number, part: Partial<Row>) =>
    asked.set({ steps: textOf(rows.map((row, index) => (index === at ? { ...row, ...part } : row))) });
  const wrong = (at: number, name: string) => {
    const one = problems.find(({ field }) => field.includes(`steps[${at}]`) && field.includes(name));
    return one ? problemWords(one) : null;
  };
  const after = found.data ?? [];
  const last = after.at(-1);
  return (
    <>
      <ol className="flex flex-col gap-4">
        {rows.map((row, at) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: a row is known by its place alone
          <li key={at} className="grid grid-cols-3 gap-3 border-b border-rule pb-3 sm:max-w-lg">
            {at > 0 ? (
              <NumberField
                label={reckonerText.kept}
                unit="g"
                value={row.keep}
                placeholder={reckonerText.all}
                onText={(text) => set(at, { keep: text })}
                error={wrong(at, "keep")}
              />
            ) : (
              <span className="self-end pb-3 font-semibold">{reckonerText.firstMix}</span>
            )}
            <NumberField
              label={reckonerText.flour}
              unit="g"
              value={row.flour}
              onText={(text) => set(at, { flour: text })}
              error={wrong(at, "flour")}
            />
            <NumberField
              label={reckonerText.water}
              unit="g"
              value={row.water}
              onText={(text) => set(at, { water: text })}
              error={wrong(at, "water")}
            />
            {after[at] && problems.length === 0 && (
              <p className="col-span-3 text-soft">
                {reckonerText.afterIt(
                  grams(after[at].total_g),
                  after[at].hydration_percent === null ? "–" : percent(after[at].hydration_percent),
                )}
              </p>
            )}
          </li>
        ))}
        <li className="flex gap-3 print:hidden">
          <Button
            onClick={() => asked.set({ steps: textOf([...rows, { keep: "50", flour: "50", water: "50" }]) })}
          >
            {reckonerText.anotherFeed}
          </Button>
          {rows.length > 1 && (
            <Button look="plain" onClick={() => asked.set({ steps: textOf(rows.slice(0, -1)) })}>
              {reckonerText.oneLess}
            </Button>
          )}
        </li>
      </ol>
      <Answer
        problems={problems}
        shown={problems.filter(({ field }) => field.startsWith("steps[")).map(({ field }) => field)}
        waiting={found.isFetching}
      >
        {last && last.hydration_percent !== null && (
          <Big
            value={percent(last.hydration_percent)}
            of={reckonerText.waterToFlourIn(grams(last.total_g))}
          />
        )}
      </Answer>
    </>
  );
}
