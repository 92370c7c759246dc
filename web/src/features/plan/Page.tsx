import { Link, useParams } from "react-router";
import { api } from "../../api/client";
import type { JarPlan, PlanTotals, Step } from "../../api/types";
import { useTitle } from "../../lib/hooks";
import { grams } from "../../lib/numbers";
import { clock, dayWord, span, toField, when } from "../../lib/time";
import { useFlourNames } from "../../parts/flours";
import { NotOpen } from "../../parts/not-open";
import { Button, ButtonLink } from "../../ui/button";
import { Loading } from "../../ui/states";
import {
  ACT_WORDS,
  changeLine,
  commonText,
  enterText,
  lifeText,
  measure,
  NORMAL_WORDS,
  planText,
  readyWords,
  sightWords,
  taskLine,
} from "../../words";
import { byDay, momentOf, offBy, type PlanDay } from "./days";
import { LessWaste } from "./LessWaste";
import { WhatIf } from "./WhatIf";

/** The whole course of a jar: the days as they went, and those to come until it is ready. */
export function PlanPage() {
  const { jarId = "" } = useParams();
  const plan = api.useQuery("get", "/api/jars/{jar_id}/plan", { params: { path: { jar_id: jarId } } });
  useTitle(plan.data ? planText.planOf(plan.data.jar.name) : commonText.plan);
  if (plan.isPending) return <Loading what={planText.layingOutTheDays} />;
  if (!plan.data) return <NotOpen jarId={jarId} error={plan.error} onRetry={() => void plan.refetch()} />;
  return <Laid told={plan.data} />;
}

function Laid({ told }: { readonly told: JarPlan }) {
  const { jar, plan, now, time_zone: zone, ready_on: ready } = told;
  const days = byDay(plan.steps, now, zone);
  const isGone = ({ steps }: PlanDay) => steps.every(({ state }) => state === "done" || state === "skipped");
  const gone = days.filter(isGone);
  const coming = days.filter((day) => !isGone(day));
  const likely = ready && !ready.seldom ? toField(ready.on.likely, zone).slice(0, 10) : null;
  const readyFrom = likely && coming.find(({ date }) => date >= likely)?.date;
  const path = `/api/jars/${jar.id}`;
  return (
    <article className="pt-6">
      <h1 className="text-3xl">{planText.planOf(jar.name)}</h1>
      {told.bakes[0] && (
        <p className="mt-2 border-s-4 border-crust ps-4 text-lg">
          <span className="font-semibold">{commonText.nextBake}:</span>{" "}
          {commonText.bakeLine(grams(told.bakes[0].grams), when(told.bakes[0].mixed_at, now, zone))}
        </p>
      )}
      {told.asks_how_to_keep && (
        <p className="mt-2 flex flex-wrap items-center gap-x-4 border-s-4 border-leaf ps-4 text-lg">
          {commonText.howOftenFor(jar.name)} {lifeText.untilYouSay}
          <ButtonLink look="act" to={`/jars/${jar.id}/keep`}>
            {commonText.sayIt}
          </ButtonLink>
        </p>
      )}
      {ready && Date.parse(ready.on.latest) > Date.parse(now) && (
        <p className="mt-2 border-s-4 border-dawn ps-4 text-lg">{readyWords(ready, now, zone)}</p>
      )}
      <div className="mt-4 -ms-3 flex flex-wrap gap-x-2 print:hidden">
        <Download href={`${path}/sheet.pdf`}>{planText.sheetForTheFridgeDoor}</Download>
        <Download href={`${path}/labels.pdf`}>{planText.jarLabels}</Download>
        <Download href={`${path}/calendar.ics`}>{planText.asACalendarFile}</Download>
        <ButtonLink look="plain" to={`/jars/${jar.id}/bake`}>
          {commonText.planABake}
        </ButtonLink>
        <ButtonLink look="plain" to={`/jars/${jar.id}/sheet`}>
          {enterText.enterAWrittenSheet}
        </ButtonLink>
        <Button look="plain" onClick={() => window.print()}>
          {planText.printThisPage}
        </Button>
      </div>
      <div className="mt-6 grid gap-10 md:grid-cols-[1fr_20rem]">
        <div className="min-w-0">
          {gone.length > 0 && (
            <details className="print:hidden">
              <summary className="min-h-11 py-2 font-semibold text-crust">
                {gone.length === 1 ? planText.theDayBefore : planText.theDaysBefore(gone.length)}
              </summary>
              <ol>
                {gone.map(({ date, steps }) => (
                  <Day key={date} steps={steps} told={told} normal={false} />
                ))}
              </ol>
            </details>
          )}
          <ol>
            {coming.map(({ date, steps }, index) => (
              <Day
                key={date}
                steps={steps}
                told={told}
                normal={steps[0]?.normal !== coming[index - 1]?.steps[0]?.normal}
                ready={date === readyFrom}
              />
            ))}
          </ol>
        </div>
        <aside className="flex flex-col gap-8">
          <Shopping
            title={planText.stillToBuy}
            totals={plan.to_come}
            until={dayWord(plan.until, now, zone)}
          />
          {plan.done.feeds > 0 && <Shopping title={planText.usedSoFar} totals={plan.done} until={null} />}
          {plan.changes.length > 0 && (
            <section aria-labelledby="moved">
              <h2 id="moved" className="text-2xl">
                {commonText.whatMovedIt}
              </h2>
              <ul className="mt-2">
                {[...plan.changes].reverse().map((change) => (
                  <li
                    key={`${change.code}.${change.at}`}
                    className="border-b border-rule py-2 first-letter:uppercase"
                  >
                    {changeLine(change, now, zone)}
                  </li>
                ))}
              </ul>
            </section>
          )}
          <LessWaste told={told} />
          <div className="print:hidden">
            <WhatIf told={told} />
          </div>
          <ButtonLink look="plain" to={`/jars/${jar.id}`} className="self-start print:hidden">
            {commonText.backTo(jar.name)}
          </ButtonLink>
        </aside>
      </div>
    </article>
  );
}

function Download({ href, children }: { readonly href: string; readonly children: string }) {
  return (
    <a
      href={href}
      target="_blank"
      rel="noreferrer"
      className="inline-flex min-h-11 items-center rounded-lg px-3 font-semibold text-crust underline-offset-4 hover:underline"
    >
      {children}
    </a>
  );
}

function Day({
  steps,
  told,
  normal,
  ready = false,
}: {
  readonly steps: readonly Step[];
  readonly told: JarPlan;
  /** Whether it is likely ready from this day on. */
  readonly ready?: boolean;
  /** Whether to say what is normal: where that changes. */
  readonly normal: boolean;
}) {
  const { now, time_zone: zone } = told;
  const [first] = steps;
  if (!first) return null;
  const at = momentOf(first, now);
  const today = dayWord(at, now, zone) === "today";
  const past = steps.every(({ state }) => state === "done" || state === "skipped");
  return (
    <li className={`border-t-2 py-3 ${today ? "border-crust" : "border-rule"} ${past ? "text-soft" : ""}`}>
      <h2 className="flex flex-wrap items-baseline gap-x-3 text-xl first-letter:uppercase">
        <span className="first-letter:uppercase">{dayWord(at, now, zone)}</span>
        <span className="font-sans text-base font-normal text-soft">{commonText.day(first.day)}</span>
      </h2>
      {ready && <p className="border-s-4 border-dawn ps-4">{planText.fromAboutHereOnIt}</p>}
      <ul className="mt-1 flex flex-col gap-2">
        {steps.map((step) => (
          <Act key={step.number} step={step} told={told} />
        ))}
      </ul>
      {normal && (
        <p className="mt-1 text-[0.95rem] text-soft">{planText.normal(NORMAL_WORDS[first.normal])}</p>
      )}
    </li>
  );
}

function Act({ step, told }: { readonly step: Step; readonly told: JarPlan }) {
  const { jar, now, time_zone: zone } = told;
  const done = step.state === "done";
  const off = offBy(step);
  return (
    <li className="grid grid-cols-[3.5rem_1fr] gap-x-3">
      <span className={`font-semibold ${done ? "" : "text-crust"}`}>{clock(momentOf(step, now), zone)}</span>
      <div className={step.state === "skipped" ? "line-through" : ""}>
        {step.waits_for.length > 0 && !done && commonText.once(sightWords(step.waits_for))}
        {step.do.length > 0 ? taskLine(step.do) : ACT_WORDS[step.act]}
        {done && " ✓"}
        {step.state === "skipped" && <span className="sr-only"> {planText.leftOut}</span>}
        {off && <span className="block text-[0.9rem]">{off}</span>}
        {!done && step.state !== "skipped" && step.has_window && (
          <span className="block text-[0.9rem] text-soft">
            {planText.asGoodFromTo(
              when(step.earliest, now, zone),
              clock(step.latest, zone),
              !step.fits ? planText.yourHoursLeaveNoBetter : "",
            )}
          </span>
        )}
        {(step.state === "due" || step.state === "late") && (
          <Link
            to={`/jars/${jar.id}${step.plan ? "/feed" : step.act === "use" ? "" : "/look"}`}
            className="inline-flex min-h-11 items-center font-semibold text-crust print:hidden"
          >
            {planText.doIt}
          </Link>
        )}
      </div>
    </li>
  );
}

function Shopping({
  title,
  totals,
  until,
}: {
  readonly title: string;
  readonly totals: PlanTotals;
  readonly until: string | null;
}) {
  const nameOf = useFlourNames();
  const hand = totals.by_hand;
  const said = (g: number, spoons: Parameters<typeof measure>[1]) => measure(Math.round(g), spoons);
  const spoonsOf = (flour: string) => hand?.flours.find((one) => one.flour === flour)?.spoons;
  return (
    <section aria-label={title}>
      <h2 className="text-2xl">{title}</h2>
      {until && <p className="text-soft">{planText.until(until)}</p>}
      <dl className="mt-2 grid grid-cols-[1fr_auto]">
        {totals.flours.map((part) => (
          <Line key={part.flour} name={nameOf(part.flour)} value={said(part.g, spoonsOf(part.flour))} />
        ))}
        <Line name={planText.water} value={said(totals.water_g, hand?.water)} />
        {totals.juice_g > 0 && <Line name={planText.juice} value={said(totals.juice_g, hand?.juice)} />}
        {totals.discard_g > 0 && <Line name={planText.takenOut} value={said(totals.discard_g, hand?.keep)} />}
        <Line name={planText.feeds} value={String(totals.feeds)} />
        <Line name={planText.workLooksIncluded} value={span(totals.minutes * 60_000)} />
      </dl>
    </section>
  );
}

function Line({ name, value }: { readonly name: string; readonly value: string }) {
  return (
    <>
      <dt className="border-b border-rule py-1 pe-4 first-letter:uppercase">{name}</dt>
      <dd className="border-b border-rule py-1 text-end font-semibold">{value}</dd>
    </>
  );
}
