import { useState } from "react";
import { useParams } from "react-router";
import { api } from "../../api/client";
import type { OpenJar } from "../../api/types";
import { recordEntry } from "../../api/writes";
import { nowIso } from "../../lib/clock";
import { useTitle } from "../../lib/hooks";
import { newId } from "../../lib/ids";
import { dayWord } from "../../lib/time";
import { NotOpen } from "../../parts/not-open";
import { Button, ButtonLink } from "../../ui/button";
import { Loading } from "../../ui/states";
import { useSay } from "../../ui/toast";
import { commonText, findingLine, jarText, problemWords } from "../../words";

/** Binning a jar, led through: why, what to wash, and how to begin again. */
export function BinPage() {
  const { jarId = "" } = useParams();
  const opened = api.useQuery("get", "/api/jars/{jar_id}", { params: { path: { jar_id: jarId } } });
  useTitle(opened.data ? jarText.bin(opened.data.jar.name) : jarText.binAJar);
  if (opened.isPending) return <Loading what={commonText.openingTheJar} />;
  if (!opened.data)
    return <NotOpen jarId={jarId} error={opened.error} onRetry={() => void opened.refetch()} />;
  return <Steps opened={opened.data} />;
}

function Steps({ opened }: { readonly opened: OpenJar }) {
  const { jar, assessment, now, time_zone: zone } = opened;
  const [busy, setBusy] = useState(false);
  const say = useSay();
  const danger = assessment.next_move.move === "bin" ? assessment.findings[0] : undefined;
  const done = assessment.binned_at !== null;
  const bin = async () => {
    setBusy(true);
    const entry = { kind: "bin", at: nowIso(), note: "" } as const;
    const outcome = await recordEntry(jar.id, newId(), null, entry, jarText.binning(jar.name), null);
    setBusy(false);
    if (outcome.kind === "refused") say(outcome.problems.map(problemWords).join(" "));
  };
  return (
    <article className="mx-auto max-w-2xl pt-6">
      <h1 className={`text-3xl ${danger && !done ? "text-alarm" : ""}`}>
        {done ? jarText.isBinned(jar.name) : jarText.binAllOf(jar.name)}
      </h1>
      {danger && <p className="mt-3 text-lg">{findingLine(danger, now, zone)}</p>}
      {!done && (
        <ol className="mt-6 flex flex-col gap-5">
          <Part title={danger ? jarText.whyNoneOfItCan : jarText.allOfItGoes}>
            {danger ? jarText.whatShowsOnTopHas : jarText.nothingMoreCanBeLogged}
          </Part>
          <Part title={jarText.intoTheBinUnopenedAs}>{jarText.doNotSmellItClosely}</Part>
          <Part title={jarText.washEverythingItTouched}>{jarText.jarLidSpoonSpatulaRubber}</Part>
        </ol>
      )}
      {done ? (
        <Again opened={opened} />
      ) : (
        <div className="sticky bottom-0 mt-6 flex flex-wrap gap-3 bg-paper py-3">
          <Button look="alarm" disabled={busy} onClick={() => void bin()}>
            {busy ? commonText.saving : jarText.allOfItIsIn}
          </Button>
          <ButtonLink look="plain" to={`/jars/${jar.id}`}>
            {commonText.notNow}
          </ButtonLink>
        </div>
      )}
    </article>
  );
}

function Part({ title, children }: { readonly title: string; readonly children: string }) {
  return (
    <li className="border-s-4 border-rule ps-4">
      <h2 className="text-xl">{title}</h2>
      <p>{children}</p>
    </li>
  );
}

function Again({ opened }: { readonly opened: OpenJar }) {
  const { jar, log, now, time_zone: zone } = opened;
  const spare = log.find(
    ({ entry, withdrawn }) => entry.kind === "deed" && entry.did === "spare_set_aside" && !withdrawn,
  );
  return (
    <div className="mt-4 flex flex-col items-start gap-4">
      <p className="text-lg">{jarText.itHappensToEveryBaker}</p>
      {spare && <p>{jarText.youSetASpareAside(dayWord(spare.entry.at, now, zone))}</p>}
      <div className="flex flex-wrap gap-3">
        {spare && (
          <ButtonLink look="act" to="/new?from=asleep">
            {jarText.wakeTheSpare}
          </ButtonLink>
        )}
        <ButtonLink look={spare ? "quiet" : "act"} to={`/new?like=${jar.id}`}>
          {commonText.beginAgainTheSameWay}
        </ButtonLink>
        <ButtonLink look="plain" to="/">
          {commonText.toTheKitchen}
        </ButtonLink>
      </div>
    </div>
  );
}
