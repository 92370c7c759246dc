import type { Family, FamilyCode, Offered, Origin, Reason } from "../../api/types";
import { list } from "../../lib/numbers";
import { Choice } from "../../ui/choice";
import { FAMILY_WORDS, newJarText, ORIGIN_WORDS, REASON_WORDS, THING_WORDS } from "../../words";
import { readyDay } from "./offered";

const ORIGINS = Object.keys(ORIGIN_WORDS) as Origin[];

function mayBegin(family: Family, origin: Origin): boolean {
  return family.origin === origin || family.begins.some((one) => one.origin === origin);
}

function reasons(said: string, why: readonly Reason[]): string {
  return why.length > 0 ? ` ${said} ${list(why.map((one) => REASON_WORDS[one]))}.` : "";
}

/** Where it begins, then the way to raise it, each with the day it is likely ready on in this kitchen. */
export function FamilyChoice({
  families,
  value,
  origin,
  offered,
  start,
  onChange,
}: {
  readonly families: readonly Family[];
  readonly value: Family;
  readonly origin: Origin;
  /** What is foreseen of each way; empty until it is. */
  readonly offered: readonly Offered[];
  readonly start: string;
  readonly onChange: (next: FamilyCode, origin: Origin) => void;
}) {
  const all = families.flatMap((family) => [family.origin, ...family.begins.map((one) => one.origin)]);
  const origins = ORIGINS.filter((one) => all.includes(one));
  const fitting = families.filter((family) => mayBegin(family, origin));
  const begin = (next: Origin | null) => {
    const first = next && families.find((family) => mayBegin(family, next));
    if (next && first) onChange(first.code, next);
  };
  const of = (code: FamilyCode) => offered.find(({ compared }) => compared.family === code);
  const dayOf = (code: FamilyCode) => {
    const found = of(code);
    // The place is kept while it is being foreseen.
    return found ? readyDay(found.ready_on, found.compared.ready, start).likely : "\u00a0";
  };
  const needs = list(value.needs.map((thing) => THING_WORDS[thing]));
  const chosen = of(value.code);
  return (
    <div className="flex flex-col gap-4">
      <Choice
        label={newJarText.beginningWith}
        items={origins.map((one) => ({ value: one, ...ORIGIN_WORDS[one] }))}
        value={origin}
        onChange={begin}
      />
      <Choice
        label={newJarText.theWayAndTheDay}
        items={fitting.map(({ code }) => ({
          value: code,
          label: FAMILY_WORDS[code].label,
          hint: dayOf(code),
        }))}
        value={value.code}
        onChange={(code) => code && onChange(code, origin)}
        guessed
      />
      <p className="max-w-prose">
        {newJarText.itNeeds(
          FAMILY_WORDS[value.code].hint ?? "",
          needs,
          value.wants_c !== null ? newJarText.steadyAtAboutC(value.wants_c) : "",
        )}
        {chosen && (
          <>
            <span className="text-leaf">{reasons(newJarText.forItHere, chosen.suits)}</span>
            <span className="font-semibold text-crust">
              {reasons(newJarText.againstItHere, chosen.speaks_against)}
            </span>
          </>
        )}
      </p>
    </div>
  );
}
