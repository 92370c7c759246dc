import { keepPreviousData } from "@tanstack/react-query";
import { useState } from "react";
import { useParams, useSearchParams } from "react-router";
import { api } from "../../api/client";
import type { HadItBeen, LogEntry, OpenJar, Supposed } from "../../api/types";
import { Legend, LookSign, Sign } from "../../drawing/legend";
import { TwoLines } from "../../drawing/two-lines";
import { useTitle } from "../../lib/hooks";
import { times } from "../../lib/numbers";
import { when } from "../../lib/time";
import { NotOpen } from "../../parts/not-open";
import { ButtonLink } from "../../ui/button";
import { Choice, choiceItems } from "../../ui/choice";
import { Loading, OutOfReach } from "../../ui/states";
import { commonText, jarText, practiceText, problemWords, SUPPOSED_WORDS, watchText } from "../../words";
import { tell } from "./entry-words";

const OF_FEEDS: ReadonlySet<Supposed> = new Set(["larger_feed", "smaller_feed"]);
const ASKED: ReadonlySet<string> = new Set(["feed", "deed", "moved"]);
/** So many of the latest can be chosen from. */
const MOST = 14;

/** What would have happened, had one thing been done otherwise: a simulation beside what was. */
export function OtherwisePage() {
  const { jarId = "" } = useParams();
  const opened = api.useQuery("get", "/api/jars/{jar_id}", { params: { path: { jar_id: jarId } } });
  useTitle(practiceText.otherwise);
  if (opened.isPending) return <Loading what={commonText.openingTheJar} />;
  if (!opened.data)
    return <NotOpen jarId={jarId} error={opened.error} onRetry={() => void opened.refetch()} />;
  return <Opened opened={opened.data} />;
}

function Opened({ opened }: { readonly opened: OpenJar }) {
  const { jar, now, time_zone: zone } = opened;
  const [search, setSearch] = useSearchParams();
  const [supposed, setSupposed] = useState<Supposed>("left_out");
  const told = opened.log.filter(({ withdrawn, entry }) => !withdrawn && ASKED.has(entry.kind));
  // The first mix is what all else stands on.
  const first = told.map(({ entry }) => entry.at).sort()[0];
  const offered = told.filter(({ entry }) => entry.at !== first).slice(0, MOST);
  const chosen = offered.find(({ id }) => id === search.get("entry")) ?? offered[0] ?? null;
  if (!chosen)
    return (
      <div className="pt-6">
        <h1 className="text-3xl">{practiceText.otherwiseOf(jar.name)}</h1>
        <p className="mt-2">{practiceText.nothingYet}</p>
      </div>
    );
  const said = (entry: LogEntry) =>
    `${when(entry.entry.at, now, zone)}, ${tell(entry.entry, null, now, zone).title}`;
  const items = choiceItems(SUPPOSED_WORDS).filter(
    ({ value }) => chosen.entry.kind === "feed" || !OF_FEEDS.has(value),
  );
  return (
    <div className="pt-6">
      <h1 className="text-3xl">{practiceText.otherwiseOf(jar.name)}</h1>
      <p className="mt-1 max-w-prose text-soft">{practiceText.otherwiseLead}</p>
      <div className="mt-6 flex flex-col gap-5">
        <label className="flex max-w-md flex-col gap-1.5 font-semibold">
          {practiceText.whichMoment}
          <select
            value={chosen.id}
            onChange={(event) => setSearch({ entry: event.target.value }, { replace: true })}
            className="min-h-11 rounded-lg border border-edge bg-card px-3 font-normal"
          >
            {offered.map((entry) => (
              <option key={entry.id} value={entry.id}>
                {said(entry)}
              </option>
            ))}
          </select>
        </label>
        <Choice
          label={practiceText.hadItBeen}
          items={items}
          value={items.some(({ value }) => value === supposed) ? supposed : "left_out"}
          onChange={(next) => next && setSupposed(next)}
        />
        <Told
          opened={opened}
          entry={chosen.id}
          supposed={items.some(({ value }) => value === supposed) ? supposed : "left_out"}
        />
        <ButtonLink look="plain" className="-ms-3 self-start" to={`/jars/${jar.id}`}>
          {watchText.toTheJar}
        </ButtonLink>
      </div>
    </div>
  );
}

function Told({
  opened,
  entry,
  supposed,
}: {
  readonly opened: OpenJar;
  readonly entry: string;
  readonly supposed: Supposed;
}) {
  const { jar, time_zone: zone, now, assessment } = opened;
  const found = api.useQuery(
    "post",
    "/api/jars/{jar_id}/had-it-been",
    { params: { path: { jar_id: jar.id } }, body: { entry, supposed } },
    { placeholderData: keepPreviousData, retry: false },
  );
  if (found.isPending) return <Loading what={practiceText.supposing} />;
  if (found.error && "errors" in found.error)
    return (
      <p role="alert" className="font-semibold text-alarm">
        {found.error.errors.map(problemWords).join(" ")}
      </p>
    );
  if (!found.data) return <OutOfReach onRetry={() => void found.refetch()} />;
  const told: HadItBeen = found.data;
  const peak = (points: HadItBeen["was"]) =>
    points
      .filter(({ at }) => at > told.changed_at)
      .reduce((best, one) => (one.level > best.level ? one : best), { at: told.changed_at, level: 1 });
  const [was, might] = [peak(told.was), peak(told.might)];
  const read = assessment.rounds.flatMap(({ levels }) =>
    levels.map(({ at, times: level }) => ({ at: Date.parse(at), level })),
  );
  return (
    <section aria-live="polite" className={found.isPlaceholderData ? "opacity-60" : ""}>
      <p className="mb-3 inline-block rounded bg-ink px-2 py-0.5 text-sm font-semibold text-card">
        {practiceText.simulated}
      </p>
      <p className="max-w-prose text-lg">
        <span className="font-semibold">
          {practiceText.mightHave(times(might.level), when(might.at, now, zone))}
        </span>{" "}
        {practiceText.asItWas(times(was.level), when(was.at, now, zone))}{" "}
        {practiceText.onceMore(times(1 + told.once_more_might), times(1 + told.once_more_was))}
      </p>
      <div className="mt-4 rounded-xl border border-rule bg-card p-2 sm:p-4">
        <TwoLines
          was={told.was.map(({ at, level }) => ({ at: Date.parse(at), level }))}
          might={told.might.map(({ at, level }) => ({ at: Date.parse(at), level }))}
          read={read}
          changedAt={Date.parse(told.changed_at)}
          zone={zone}
          summary={practiceText.twoLines}
          doubled={assessment.doubles_at}
        />
        <Legend>
          <Sign words={practiceText.mightLine} wide={24}>
            <path d="M0 8H24" stroke="var(--crust)" strokeWidth="3" strokeDasharray="6 4" />
          </Sign>
          <Sign words={practiceText.wasLine} wide={24}>
            <path d="M0 8H24" stroke="var(--ink)" strokeWidth="2.2" />
          </Sign>
          <LookSign words={jarText.look} />
        </Legend>
      </div>
    </section>
  );
}
