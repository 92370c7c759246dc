import { useState } from "react";
import type { Family, FamilyCode, Offered } from "../../api/types";
import { grams } from "../../lib/numbers";
import { Button } from "../../ui/button";
import { FAMILY_WORDS, newJarText, problemWords, REASON_WORDS } from "../../words";
import { readyDay, type useOffered } from "./offered";

type Column = { readonly key: string; readonly label: string; readonly by: (one: Offered) => number };

/** The ways that begin so, side by side on what matters, for this kitchen and this flour. */
export function SideBySide({
  found,
  family,
  start,
  hasScale,
  onScale,
  onChange,
}: {
  readonly found: ReturnType<typeof useOffered>;
  readonly family: Family;
  readonly hasScale: boolean;
  readonly start: string;
  readonly onScale: (hasScale: boolean) => void;
  readonly onChange: (code: FamilyCode) => void;
}) {
  const [sort, setSort] = useState("ready");
  if (found.error?.errors)
    return <p className="text-alarm">{found.error.errors.map(problemWords).join(" ")}</p>;
  const columns: readonly Column[] = [
    { key: "ready", label: newJarText.likelyReady3, by: (one) => dayOf(one, start).days },
    { key: "feeds", label: newJarText.feedsADay, by: (one) => one.compared.feeds_a_day },
    { key: "minutes", label: newJarText.minutesADay, by: (one) => one.compared.minutes_a_day },
    { key: "flour", label: newJarText.flourInAll, by: (one) => one.compared.flour_g },
    { key: "discard", label: newJarText.takenOut, by: (one) => one.compared.discard_g },
  ];
  const by = columns.find(({ key }) => key === sort)?.by ?? (() => 0);
  const rows = [...(found.data ?? [])].sort((a, b) => by(a) - by(b));
  return (
    <div>
      <div className="flex flex-wrap items-center justify-between gap-3">
        <label className="flex min-h-11 items-center gap-2">
          <input
            type="checkbox"
            checked={hasScale}
            onChange={(event) => onScale(event.target.checked)}
            className="size-5 accent-crust"
          />
          {newJarText.iHaveAKitchenScale}
        </label>
        <span aria-live="polite" className="text-soft">
          {found.isFetching ? newJarText.foreseeingEachWayForYour : newJarText.pressAHeadingToSort}
        </span>
      </div>
      <p className="text-soft sm:hidden">{newJarText.moreToTheSide}</p>
      {/* biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls must be reachable by keyboard */}
      <section aria-label={newJarText.waysSideBySideScrolls} tabIndex={0} className="overflow-x-auto">
        <table className="w-full min-w-[40rem] border-collapse text-start">
          <thead>
            <tr className="border-b-2 border-rule align-bottom">
              <th scope="col" className="py-2 pe-3">
                {newJarText.way}
              </th>
              {columns.map(({ key, label }) => (
                <th
                  key={key}
                  scope="col"
                  aria-sort={sort === key ? "ascending" : "none"}
                  className="py-1 pe-3"
                >
                  <button
                    type="button"
                    onClick={() => setSort(key)}
                    className={`min-h-11 text-start font-semibold ${sort === key ? "underline underline-offset-4" : "text-soft"}`}
                  >
                    {label}
                  </button>
                </th>
              ))}
              <td />
            </tr>
          </thead>
          <tbody>
            {rows.map((one) => (
              <Row
                key={one.compared.family}
                one={one}
                start={start}
                chosen={one.compared.family === family.code}
                onChange={onChange}
              />
            ))}
          </tbody>
        </table>
      </section>
    </div>
  );
}

function dayOf({ ready_on: on, compared }: Offered, start: string) {
  return readyDay(on, compared.ready, start);
}

function Row({
  one,
  start,
  chosen,
  onChange,
}: {
  readonly one: Offered;
  readonly start: string;
  readonly chosen: boolean;
  readonly onChange: (code: FamilyCode) => void;
}) {
  const { compared, suits, speaks_against: against } = one;
  const code = compared.family as FamilyCode;
  const { likely, spread } = dayOf(one, start);
  const { label } = FAMILY_WORDS[code];
  return (
    <tr className={`border-b border-rule align-top ${chosen ? "bg-card" : ""}`}>
      <th scope="row" className="py-2 pe-3 font-semibold">
        {label}
        <span className="block text-[0.85rem] font-normal">
          {suits.length > 0 && (
            <span className="text-leaf">{suits.map((why) => REASON_WORDS[why]).join(", ")}</span>
          )}
          {suits.length > 0 && against.length > 0 && " · "}
          {against.length > 0 && (
            <span className="text-crust">
              {newJarText.but} {against.map((why) => REASON_WORDS[why]).join(", ")}
            </span>
          )}
        </span>
      </th>
      <td className="py-2 pe-3 whitespace-nowrap">
        {likely}
        <span className="block text-[0.85rem] text-soft">{spread}</span>
      </td>
      <td className="py-2 pe-3">{compared.feeds_a_day.toFixed(1)}</td>
      <td className="py-2 pe-3">{Math.round(compared.minutes_a_day)}</td>
      <td className="py-2 pe-3 whitespace-nowrap">{grams(Math.round(compared.flour_g))}</td>
      <td className="py-2 pe-3 whitespace-nowrap">{grams(Math.round(compared.discard_g))}</td>
      <td className="py-1">
        {chosen ? (
          <span className="flex min-h-11 items-center px-3 font-semibold">{newJarText.chosen}</span>
        ) : (
          <Button
            look="plain"
            className="whitespace-nowrap"
            aria-label={newJarText.takeIt2(label)}
            onClick={() => onChange(code)}
          >
            {newJarText.takeIt}
          </Button>
        )}
      </td>
    </tr>
  );
}
