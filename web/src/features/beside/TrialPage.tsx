/** A trial: how its jars stand, what goes into all of them, one photo of all, paper for all, and its end. */
import { useState } from "react";
import { Link, useParams } from "react-router";
import { api } from "../../api/client";
import type { Glance, Trial, TrialLabel } from "../../api/types";
import { nameTrial, recordDeed } from "../../api/writes";
import { BesideMark } from "../../drawing/beside-lines";
import { JarDrawing } from "../../drawing/jar";
import { jarState } from "../../drawing/jar-state";
import { useTitle } from "../../lib/hooks";
import { newId } from "../../lib/ids";
import { roundPath } from "../../lib/round";
import { dayWord } from "../../lib/time";
import { Button, ButtonLink } from "../../ui/button";
import { TextField } from "../../ui/field";
import { Loading, OutOfReach } from "../../ui/states";
import { useSay } from "../../ui/toast";
import {
  apartLine,
  besideText,
  commonText,
  problemAt,
  problemWords,
  shortMove,
  trialText,
  weighedOnce,
} from "../../words";
import { EndPart, HasEnded } from "./Ending";
import { PhotosOfAll } from "./PhotosOfAll";
import { Told } from "./Told";

export function TrialPage() {
  const { trialId = "" } = useParams();
  const found = api.useQuery("get", "/api/trials/{trial_id}", { params: { path: { trial_id: trialId } } });
  useTitle(found.data?.trial.name ?? trialText.trials);
  if (found.isPending) return <Loading what={trialText.openingIt} />;
  if (found.error?.errors)
    return (
      <p role="alert" className="pt-6 text-alarm">
        {found.error.errors.map(problemWords).join(" ")}
      </p>
    );
  if (!found.data) return <OutOfReach onRetry={() => void found.refetch()} />;
  return <Opened found={found.data} />;
}

function Opened({ found }: { readonly found: Trial }) {
  const { trial, beside, now, time_zone: zone } = found;
  const kitchen = api.useQuery("get", "/api/kitchen");
  const [plain] = trial.places;
  const ids = trial.places.map(({ jar }) => jar);
  const glances = kitchen.data?.jars.filter(({ jar }) => ids.includes(jar.id)) ?? [];
  const asksForFeed = glances.some(({ next_move: next }) => next.is_now && FEEDS.has(next.move));
  // What the jars ask for decides which of the ways stands first: shown before, it would change under the thumb.
  const onTheirWay = glances.length < ids.length && kitchen.isFetching && !kitchen.isFetchedAfterMount;
  if (onTheirWay) return <Loading what={trialText.openingIt} />;
  return (
    <article className="flex flex-col gap-8 pt-6">
      <div className="grid items-end gap-x-12 gap-y-4 md:grid-cols-[1fr_auto]">
        <div className="flex flex-col gap-3">
          <Named trial={trial} />
          <p className="text-xl">{apartLine(beside.apart)}</p>
          {trial.ended_at ? (
            <HasEnded trial={trial} day={dayWord(trial.ended_at, now, zone)} />
          ) : (
            <p className="max-w-prose text-soft">{trialText.plainFirst(plain?.name ?? "")}</p>
          )}
          {!trial.ended_at && (
            <p className="flex flex-wrap gap-3 print:hidden">
              <ButtonLink look={asksForFeed ? "quiet" : "act"} to={roundPath("look", ids, trial.id)}>
                {besideText.lookAtThem}
              </ButtonLink>
              <ButtonLink look={asksForFeed ? "act" : "quiet"} to={roundPath("feed", ids, trial.id)}>
                {trialText.feedThem}
              </ButtonLink>
            </p>
          )}
        </div>
        {!trial.ended_at && <OnOnePlank trial={trial} glances={glances} now={now} zone={zone} />}
      </div>
      <Yeast found={found} />
      {asksForFeed && <Together found={found} />}
      <Told beside={beside} />
      {!asksForFeed && <Together found={found} />}
      <PhotosOfAll found={found} />
      {!trial.ended_at && (
        <section aria-labelledby="paper" className="print:hidden">
          <h2 id="paper" className="text-2xl">
            {trialText.paper}
          </h2>
          <p className="flex flex-wrap gap-x-6">
            <Paper href={`/api/trials/${trial.id}/sheet.pdf`}>{trialText.sheetForAll}</Paper>
            <Paper href={`/api/trials/${trial.id}/labels.pdf`}>{trialText.labelsForAll}</Paper>
          </p>
        </section>
      )}
      {!trial.ended_at && <EndPart found={found} />}
      <p className="print:hidden">
        <ButtonLink look="plain" to="/trials" className="-ms-3">
          {trialText.allTrials}
        </ButtonLink>
        <ButtonLink look="plain" to="/">
          {commonText.toTheKitchen}
        </ButtonLink>
      </p>
    </article>
  );
}

const FEEDS: ReadonlySet<string> = new Set(["feed", "mix"]);
const SCALE = 1.4;
const SMALLER = 1;

/** The jars as they stand now, the plain one at the left, as in the photo of all. */
function OnOnePlank({
  trial,
  glances,
  now,
  zone,
}: {
  readonly trial: TrialLabel;
  readonly glances: readonly Glance[];
  readonly now: string;
  readonly zone: string;
}) {
  const placed = trial.places.flatMap(({ jar }) => glances.filter((one) => one.jar.id === jar));
  if (placed.length === 0) return null;
  const scale = placed.length > 2 ? SMALLER : SCALE;
  return (
    <ul className="flex overflow-x-auto overflow-y-hidden print:hidden">
      {placed.map((one, at) => (
        <li key={one.jar.id} className="flex grow flex-col">
          <Link to={`/?jar=${one.jar.id}`} className="flex grow flex-col items-center text-ink no-underline">
            <span className="flex grow items-end px-5">
              <JarDrawing state={jarState({ ...one, jar: one.glass })} scale={scale} />
            </span>
            <span className="h-3 w-full shrink-0 border-b-4 border-[var(--plank-edge)] bg-[var(--plank)]" />
            <span className="mt-1 h-16 px-2 text-center leading-tight">
              <span className="block whitespace-nowrap font-serif text-lg">
                <BesideMark at={at} /> {one.jar.name}
              </span>
              <span className="block whitespace-nowrap text-[0.9rem] text-soft">
                {shortMove(one.next_move, now, zone)}
              </span>
            </span>
          </Link>
        </li>
      ))}
    </ul>
  );
}

function Paper({ href, children }: { readonly href: string; readonly children: string }) {
  return (
    <a
      href={href}
      target="_blank"
      rel="noreferrer"
      className="inline-flex min-h-11 items-center font-semibold text-crust underline-offset-4 hover:underline"
    >
      {children}
    </a>
  );
}

/** Its name, which can be another. */
function Named({ trial }: { readonly trial: TrialLabel }) {
  const [name, setName] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  if (name === null)
    return (
      <h1 className="flex flex-wrap items-baseline gap-x-4 text-3xl">
        {trial.name}
        <Button
          look="plain"
          className="-ms-3 font-sans text-base print:hidden"
          onClick={() => setName(trial.name)}
        >
          {trialText.rename}
        </Button>
      </h1>
    );
  const save = async () => {
    const outcome = await nameTrial(trial.id, name, trialText.beginning(name));
    setProblem(outcome.kind === "refused" ? problemAt(outcome.problems, "name") : null);
    if (outcome.kind !== "refused") setName(null);
  };
  return (
    <form
      className="flex max-w-xl flex-wrap items-end gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        void save();
      }}
    >
      <h1 className="sr-only">{trial.name}</h1>
      <div className="grow">
        <TextField
          label={commonText.name}
          value={name}
          onChange={(event) => setName(event.target.value)}
          error={problem}
        />
      </div>
      <Button type="submit">{trialText.keepName}</Button>
    </form>
  );
}

/** The pinch for show is noted with one press, so that nobody takes its rise for the starter's. */
function Yeast({ found: { trial, yeast_due: due } }: { readonly found: Trial }) {
  const say = useSay();
  return trial.places
    .filter(({ jar }) => due.includes(jar))
    .map(({ jar, name }) => (
      <p
        key={jar}
        className="flex max-w-prose flex-wrap items-center gap-3 border-s-4 border-dawn ps-4 print:hidden"
      >
        {trialText.yeastInto(name)}
        <Button
          onClick={async () => {
            const outcome = await recordDeed(jar, newId(), "yeast_added", trialText.yeastNoted(name));
            say(
              outcome.kind === "refused"
                ? outcome.problems.map(problemWords).join(" ")
                : trialText.yeastNoted(name),
            );
          }}
        >
          {trialText.yeastIsIn}
        </Button>
      </p>
    ));
}

function Together({ found: { trial, together } }: { readonly found: Trial }) {
  if (together.length === 0) return null;
  const nameOf = (id: string) => trial.places.find(({ jar }) => jar === id)?.name ?? "";
  return (
    <section aria-labelledby="once">
      <h2 id="once" className="text-2xl">
        {trialText.weighedOnce}
      </h2>
      <ul className="mt-1 text-lg">
        {together.map((one) => (
          <li key={`${one.ingredient}-${one.flour}`}>{weighedOnce(one, nameOf)}</li>
        ))}
      </ul>
    </section>
  );
}
