import { useState } from "react";
import { api } from "../../api/client";
import type { EntryBody, Flour, JarPlan, PlanTotals } from "../../api/types";
import { recordEntry } from "../../api/writes";
import { nowIso } from "../../lib/clock";
import { useRested } from "../../lib/hooks";
import { newId } from "../../lib/ids";
import { grams, typed } from "../../lib/numbers";
import { dayWord } from "../../lib/time";
import { Button } from "../../ui/button";
import { Choice } from "../../ui/choice";
import { NumberField } from "../../ui/field";
import { useSay } from "../../ui/toast";
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
  const empty = () => {
    setWarmth("");
    setFlour(null);
    setRhythm(null);
    setSize(null);
  };
  return (
    <section aria-labelledby="what-if" className="flex flex-col gap-4">
      <h2 id="what-if" className="text-2xl">
        {planText.whatIf}
      </h2>
      <p className="text-soft">{planText.onlyAskedTheJarStays}</p>
      <NumberField
        label={planText.itStoodAt}
        unit="°C"
        placeholder={String(told.stands.warmth_c)}
        value={warmth}
        onText={(text) => setWarmth(text)}
      />
      <Choice label={planText.anotherFlour} items={FLOURS} value={flour} onChange={setFlour} none />
      <Choice label={planText.anotherRhythm} items={RHYTHMS} value={rhythm} onChange={setRhythm} none />
      <Choice label={planText.anotherSize} items={SIZES} value={size} onChange={setSize} none />
      {unmixed && (
        <Choice label={planText.anotherStart} items={STARTS} value={start} onChange={setStart} none />
      )}
      <div aria-live="polite" className="flex flex-col gap-2 border-s-4 border-dawn ps-4 empty:hidden">
        {asked && found.error?.errors && (
          <p className="text-alarm">{found.error.errors.map(problemWords).join(" ")}</p>
        )}
        {asked && found.data && (
          <>
            {found.data.ready_on && <p>{readyWords(found.data.ready_on, now, zone)}</p>}
            {!unmixed && <DoIt told={told} body={body} onDone={empty} />}
            <p className="order-first">
              {planText.untilFeedsInsteadOf(
                dayWord(found.data.plan.until, now, zone),
                difference(flourOf(found.data.plan.to_come), flourOf(plan.to_come)),
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

type Wished = {
  readonly warmth_c: number | null;
  readonly flour: Flour | null;
  readonly every_h: number | null;
  readonly size: number | null;
};

/** What is wished for, as the baker would write it into the log. */
function wished({ warmth_c: warmth, flour, every_h: every, size }: Wished, { stands }: JarPlan): EntryBody[] {
  const shared = { at: nowIso(), note: "" };
  const entries: EntryBody[] = [];
  if (warmth !== null)
    entries.push({ kind: "moved", ...shared, warmth_c: warmth, night_c: null, thermometer: null });
  if (flour !== null) entries.push({ kind: "flour", ...shared, blends: [{ [flour]: 1 }] });
  if (every !== null) entries.push({ kind: "rhythm", ...shared, every_h: every });
  if (size !== null)
    entries.push({
      kind: "amount",
      ...shared,
      size: stands.size * size,
      seed_g: stands.seed_g,
      flour_parts: stands.flour_parts,
      hydration_percent: stands.hydration_percent,
    });
  return entries;
}

/** From wondering to doing: every part of it is written down as a change from now on. */
function DoIt({
  told,
  body,
  onDone,
}: {
  readonly told: JarPlan;
  readonly body: Wished;
  readonly onDone: () => void;
}) {
  const { jar } = told;
  const say = useSay();
  const [busy, setBusy] = useState(false);
  const run = async () => {
    setBusy(true);
    const refused: string[] = [];
    for (const entry of wished(body, told)) {
      const outcome = await recordEntry(jar.id, newId(), null, entry, planText.changeOf(jar.name), null);
      if (outcome.kind === "refused") refused.push(...outcome.problems.map(problemWords));
    }
    setBusy(false);
    say(refused.length > 0 ? refused.join(" ") : planText.soItIsFromNowOn);
    if (refused.length === 0) onDone();
  };
  return (
    <Button look="act" className="self-start" disabled={busy} onClick={() => void run()}>
      {planText.doItFromNowOn}
    </Button>
  );
}

function flourOf(totals: PlanTotals): number {
  return totals.flours.reduce((sum, part) => sum + part.g, 0);
}

function difference(then: number, as: number): string {
  return planText.flourInsteadOf(grams(Math.round(then)), grams(Math.round(as)));
}
