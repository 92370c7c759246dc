/** All that stands side by side, or stood: those that run first. */
import { Link } from "react-router";
import { api } from "../../api/client";
import type { TrialLabel } from "../../api/types";
import { nowMs } from "../../lib/clock";
import { useTitle } from "../../lib/hooks";
import { dayWord, homeZone } from "../../lib/time";
import { ButtonLink } from "../../ui/button";
import { Loading, OutOfReach } from "../../ui/states";
import { commonText, trialText } from "../../words";

export function TrialsPage() {
  useTitle(trialText.trials);
  const found = api.useQuery("get", "/api/trials");
  if (found.isPending) return <Loading what={trialText.fetchingThem} />;
  if (!found.data) return <OutOfReach onRetry={() => void found.refetch()} />;
  const running = found.data.filter(({ ended_at: ended }) => ended === null);
  const ended = found.data.filter(({ ended_at: at }) => at !== null);
  return (
    <div className="flex flex-col gap-8 pt-6">
      <h1 className="text-3xl">{trialText.trials}</h1>
      {found.data.length === 0 && (
        <div className="max-w-prose">
          <p className="text-xl">{trialText.none}</p>
          <p className="mt-2">{trialText.noneHint}</p>
        </div>
      )}
      {running.length > 0 && <Group id="running" title={trialText.running} trials={running} />}
      {ended.length > 0 && <Group id="ended" title={trialText.ended} trials={ended} />}
      <p className="flex flex-wrap gap-x-3">
        <ButtonLink look={running.length === 0 ? "act" : "quiet"} to="/new?all=1&several=1">
          {trialText.newJars}
        </ButtonLink>
        <ButtonLink look="plain" to="/">
          {commonText.toTheKitchen}
        </ButtonLink>
      </p>
    </div>
  );
}

function Group({
  id,
  title,
  trials,
}: {
  readonly id: string;
  readonly title: string;
  readonly trials: readonly TrialLabel[];
}) {
  const zone = homeZone();
  const now = nowMs();
  return (
    <section aria-labelledby={id}>
      <h2 id={id} className="text-2xl">
        {title}
      </h2>
      <ul className="mt-2 max-w-prose">
        {trials.map((trial) => (
          <li key={trial.id} className="border-t border-rule py-3">
            <Link to={`/trials/${trial.id}`} className="text-lg font-semibold underline underline-offset-4">
              {trial.name}
            </Link>
            <p>{trialText.namesOf(trial.places.map(({ name }) => name))}</p>
            <p className="text-soft">
              {trial.ended_at
                ? trialText.endedOn(dayWord(trial.ended_at, now, zone))
                : trialText.begunOn(dayWord(trial.begun_at, now, zone))}
            </p>
          </li>
        ))}
      </ul>
    </section>
  );
}
