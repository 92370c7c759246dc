import { useState } from "react";
import { api } from "../../api/client";
import type { FamilyCode, FlourLedger, FlourRow } from "../../api/types";
import { FlourStrip } from "../../drawing/flour-strip";
import { useTitle } from "../../lib/hooks";
import { grams } from "../../lib/numbers";
import { ButtonLink } from "../../ui/button";
import { Choice } from "../../ui/choice";
import { Loading, OutOfReach } from "../../ui/states";
import {
  costWords,
  FAMILY_WORDS,
  flourList,
  flourSentence,
  flourShares,
  monthName,
  pantryText,
  SHARE_WORDS,
} from "../../words";
import { OnTheShelf } from "./OnTheShelf";

const BY = [
  { value: "by_jar", label: pantryText.byJar },
  { value: "by_way", label: pantryText.byWay },
  { value: "by_month", label: pantryText.byMonth },
] as const;
type By = (typeof BY)[number]["value"];

/** Where the flour went: one picture, one sentence, and the table. */
export function FlourPage() {
  useTitle(pantryText.flour);
  const flour = api.useQuery("get", "/api/flour");
  if (flour.isPending) return <Loading what={pantryText.countingTheFlour} />;
  if (!flour.data) return <OutOfReach onRetry={() => void flour.refetch()} />;
  const { whole } = flour.data;
  return (
    <div className="flex flex-col gap-8 pt-6">
      <h1 className="text-3xl">{pantryText.flour}</h1>
      <OnTheShelf />
      <h2 className="mt-4 text-2xl">{pantryText.whereTheFlourWent}</h2>
      {whole.fed_g <= 0 ? (
        <p className="max-w-prose">{pantryText.noFlourYet}</p>
      ) : (
        <>
          <FlourStrip label={flourSentence(whole)} parts={flourShares(whole)} words={SHARE_WORDS} />
          <p className="max-w-prose">{flourList(whole.fed)}.</p>
          <Table told={flour.data} />
        </>
      )}
      <p>
        <ButtonLink to="/discard">{pantryText.seeIt}</ButtonLink>
      </p>
    </div>
  );
}

function Table({ told }: { readonly told: FlourLedger }) {
  const [by, setBy] = useState<By>("by_jar");
  const rows = told[by];
  const used = (row: FlourRow) =>
    flourShares(row).reduce(
      (sum, { share, g }) => (share === "dough" || share === "passed_on" ? sum + g : sum),
      0,
    );
  const name = ({ key }: FlourRow) => {
    if (by === "by_month") return monthName(key);
    return by === "by_jar" ? (told.names[key] ?? key) : (FAMILY_WORDS[key as FamilyCode]?.label ?? key);
  };
  return (
    <section aria-label={pantryText.whereTheFlourWent} className="flex flex-col gap-4">
      <Choice label={pantryText.byWhat} items={BY} value={by} onChange={(next) => next && setBy(next)} />
      {/* biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls must be reachable by keyboard */}
      <section aria-label={pantryText.lineByLine} tabIndex={0} className="overflow-x-auto">
        <table className="w-full max-w-4xl border-collapse text-end tabular-nums">
          <thead className="text-soft">
            <tr className="border-b border-edge">
              <th scope="col" className="py-2 pe-4 text-start font-semibold">
                {pantryText.name}
              </th>
              {[
                pantryText.fed,
                pantryText.thrownOut,
                pantryText.discardJar,
                pantryText.used,
                pantryText.standing,
                pantryText.cost,
              ].map((title) => (
                <th key={title} scope="col" className="px-3 py-2 font-semibold">
                  {title}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.map((row) => (
              <tr key={row.key} className="border-b border-rule">
                <th scope="row" dir="auto" className="py-2 pe-4 text-start font-semibold">
                  {name(row)}
                </th>
                <td className="px-3">{grams(Math.round(row.fed_g + row.other_g))}</td>
                <td className="px-3">{grams(Math.round(row.discard_g))}</td>
                <td className="px-3">
                  {grams(Math.round(row.went.find(({ went }) => went === "discard_jar")?.flour_g ?? 0))}
                </td>
                <td className="px-3">{grams(Math.round(used(row)))}</td>
                <td className="px-3">{row.left_g === null ? "–" : grams(Math.round(row.left_g))}</td>
                <td className="px-3">{costWords(row)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </section>
    </section>
  );
}
