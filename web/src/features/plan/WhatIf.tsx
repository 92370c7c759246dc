import { useState } from "react";
import { api } from "../../api/client";
import type { Flour, JarPlan, PlanTotals } from "../../api/types";
import { useRested } from "../../lib/hooks";
import { grams, typed } from "../../lib/numbers";
import { dayWord } from "../../lib/time";
import { Choice } from "../../ui/choice";
import { NumberField } from "../../ui/field";
import { FLOUR_WORDS } from "../../words/flours";
import { readyWords } from "../../words/forecasts";
import { problemWords } from "../../words/problems";

const RHYTHMS = [
  { value: "24", label: "once a day" },
  { value: "12", label: "twice a day" },
] as const;
const SIZES = [
  { value: "0.5", label: "half the size" },
  { value: "2", label: "twice the size" },
] as const;
const STARTS = [{ value: "24", label: "start tomorrow" }] as const;
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
        What if
      </h2>
      <p className="text-soft">Only asked; the jar stays as it is.</p>
      <NumberField
        label="It stood at"
        unit="°C"
        placeholder={String(jar.warmth_c)}
        value={warmth}
        onChange={(event) => setWarmth(event.target.value)}
      />
      <Choice label="Another flour" items={FLOURS} value={flour} onChange={setFlour} none />
      <Choice label="Another rhythm" items={RHYTHMS} value={rhythm} onChange={setRhythm} none />
      <Choice label="Another size" items={SIZES} value={size} onChange={setSize} none />
      {unmixed && <Choice label="Another start" items={STARTS} value={start} onChange={setStart} none />}
      <div aria-live="polite" className="border-l-4 border-dawn pl-4 empty:hidden">
        {asked && found.error?.errors && (
          <p className="text-alarm">{found.error.errors.map(problemWords).join(" ")}</p>
        )}
        {asked && found.data && (
          <>
            {found.data.ready_on && <p>{readyWords(found.data.ready_on, now, zone)}</p>}
            <p>
              Until {dayWord(found.data.plan.until, now, zone)}:{" "}
              {difference("flour", flourOf(found.data.plan.to_come), flourOf(plan.to_come))},{" "}
              {found.data.plan.to_come.feeds} feeds instead of {plan.to_come.feeds}.
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
  return `${grams(Math.round(then))} ${what} instead of ${grams(Math.round(as))}`;
}
