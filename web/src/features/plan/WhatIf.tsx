import { useState } from "react";
import { api } from "../../api/client";
import type { Flour, JarPlan, PlanTotals } from "../../api/types";
import { useRested } from "../../lib/hooks";
import { grams, typed } from "../../lib/numbers";
import { dayWord } from "../../lib/time";
import { Choice } from "../../ui/choice";
import { NumberField } from "../../ui/field";
import { FLOUR_WORDS, planText, problemWords, readyWords } from "../../words";

const RHYTHMS = [
  { value: "24", label: planText.onceADay },
  { value: "12", label: planText.twiceADay },
] as const;
const SIZES = [
  { value: "0.5", label: planText.halfTheSize },
  { value: "2", label: planText.twiceTheSize },
] as const;
const STARTS = [{ value: "24", label: planText.startTomorrow }] as const;
const FLOURS = (Object.keys(FLOUR_WORDS) as Flour[]).map((value) => ({ value, label: FLOUR_WORDS[value] }));

/** What would be otherwise; nothing is changed by asking. */
export function WhatIf({ told }: { readonly told: JarPlan }) {
  const { jar, plan, now, time_zone: zone } = told;
  const [warmth, setWarmth] = useState("");
  const [flour, setFlour] = useState<Flour | null>(null);
  const [rhythm, setRhythm] = useState<"24" | "12" | null>(null);
  const [size, setSize] = useState<"0.5" | "2" | null>(null);
  const [start, setStart] = useState<"24" | null>(null);
  const celsius = useRested(typed(warmth), 300);
  const number = (text: string | null) => (text === null ? null : Number(text));
  const body = {
    warmth_c: Number.isNaN(celsius) ? null : celsius,
    flour,
    every_h: number(rhythm),
    size: number(size),
    starts_in_h: number(start),
  };
  const asked = Object.values(body).some((value) => value !== null);
  const found = api.useQuery(
    "post",
    "/api/jars/{jar_id}/plan-otherwise",
    { params: { path: { jar_id: jar.id } }, body },
    { enabled: asked, retry: false },
  );
  const unmixed = plan.done.feeds === 0;
  return (
    <section aria-labelledby="what-if" className="flex flex-col gap-4">
      <h2 id="what-if" className="text-2xl">
        {planText.whatIf}
      </h2>
      <p className="text-soft">{planText.onlyAskedTheJarStays}</p>
      <NumberField
        label={planText.itStoodAt}
        unit="°C"
        placeholder={String(jar.warmth_c)}
        value={warmth}
        onChange={(event) => setWarmth(event.target.value)}
      />
      <Choice label={planText.anotherFlour} items={FLOURS} value={flour} onChange={setFlour} none />
      <Choice label={planText.anotherRhythm} items={RHYTHMS} value={rhythm} onChange={setRhythm} none />
      <Choice label={planText.anotherSize} items={SIZES} value={size} onChange={setSize} none />
      {unmixed && (
        <Choice label={planText.anotherStart} items={STARTS} value={start} onChange={setStart} none />
      )}
      <div aria-live="polite" className="border-l-4 border-dawn pl-4 empty:hidden">
        {asked && found.error?.errors && (
          <p className="text-alarm">{found.error.errors.map(problemWords).join(" ")}</p>
        )}
        {asked && found.data && (
          <>
            {found.data.ready_on && <p>{readyWords(found.data.ready_on, now, zone)}</p>}
            <p>
              {planText.untilFeedsInsteadOf(
                dayWord(found.data.plan.until, now, zone),
                difference("flour", flourOf(found.data.plan.to_come), flourOf(plan.to_come)),
                found.data.plan.to_come.feeds,
                plan.to_come.feeds,
              )}
            </p>
          </>
        )}
      </div>
    </section>
  );
}

function flourOf(totals: PlanTotals): number {
  return totals.flours.reduce((sum, part) => sum + part.g, 0);
}

function difference(what: string, then: number, as: number): string {
  return planText.insteadOf(grams(Math.round(then)), what, grams(Math.round(as)));
}
