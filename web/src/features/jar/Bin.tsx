import { useState } from "react";
import { useParams } from "react-router";
import { api } from "../../api/client";
import type { OpenJar } from "../../api/types";
import { recordEntry } from "../../api/writes";
import { useTitle } from "../../lib/hooks";
import { newId } from "../../lib/ids";
import { dayWord } from "../../lib/time";
import { Button, ButtonLink } from "../../ui/button";
import { Loading, OutOfReach } from "../../ui/states";
import { useSay } from "../../ui/toast";
import { findingLine } from "../../words/judging";
import { problemWords } from "../../words/problems";

/** Binning a jar, led through: why, what to wash, and how to begin again. */
export function BinPage() {
  const { jarId = "" } = useParams();
  const opened = api.useQuery("get", "/api/jars/{jar_id}", { params: { path: { jar_id: jarId } } });
  useTitle(opened.data ? `Bin ${opened.data.jar.name}` : "Bin a jar");
  if (opened.isPending) return <Loading what="Opening the jar" />;
  if (!opened.data) return <OutOfReach onRetry={() => void opened.refetch()} />;
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
    const entry = { kind: "bin", at: new Date().toISOString(), note: "" } as const;
    const outcome = await recordEntry(jar.id, newId(), null, entry, `Binning ${jar.name}`, null);
    setBusy(false);
    if (outcome.kind === "refused") say(outcome.problems.map(problemWords).join(" "));
  };
  return (
    <article className="mx-auto max-w-2xl pt-6">
      <h1 className={`text-3xl ${danger && !done ? "text-alarm" : ""}`}>
        {done ? `${jar.name} is binned.` : `Bin all of ${jar.name}`}
      </h1>
      {danger && <p className="mt-3 text-lg">{findingLine(danger, now, zone)}</p>}
      {!done && (
        <ol className="mt-6 flex flex-col gap-5">
          <Part title={danger ? "Why none of it can be kept" : "All of it goes"}>
            {danger
              ? "What shows on top has already grown through the rest. Scraping it off or feeding what is under it does not help. The usual advice of food-safety agencies for soft foods is the same."
              : "Nothing more can be logged after it. The log itself stays, and you can undo this there."}
          </Part>
          <Part title="Into the bin, unopened as far as it goes">
            Do not smell it closely or taste it. Tie it in a bag. Not to the compost, and not down the sink.
          </Part>
          <Part title="Wash everything it touched">
            Jar, lid, spoon, spatula, rubber band, in the hottest water you have, or replace them. Throw the
            cloth or paper away. Wipe the place where it stood, and wash your hands.
          </Part>
        </ol>
      )}
      {done ? (
        <Again opened={opened} />
      ) : (
        <div className="sticky bottom-0 mt-6 flex flex-wrap gap-3 bg-paper py-3">
          <Button look="alarm" disabled={busy} onClick={() => void bin()}>
            {busy ? "Saving …" : "All of it is in the bin"}
          </Button>
          <ButtonLink look="plain" to={`/jars/${jar.id}`}>
            Not now
          </ButtonLink>
        </div>
      )}
    </article>
  );
}

function Part({ title, children }: { readonly title: string; readonly children: string }) {
  return (
    <li className="border-l-4 border-rule pl-4">
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
      <p className="text-lg">
        It happens to every baker once. A warm spoon left in, a lid that stood open; nothing about you.
      </p>
      {spare && (
        <p>
          You set a spare aside {dayWord(spare.entry.at, now, zone)}. If it looks and smells clean, wake it:
          it saves you the first week.
        </p>
      )}
      <div className="flex flex-wrap gap-3">
        {spare && (
          <ButtonLink look="act" to="/new?from=asleep">
            Wake the spare
          </ButtonLink>
        )}
        <ButtonLink look={spare ? "quiet" : "act"} to={`/new?like=${jar.id}`}>
          Begin again the same way
        </ButtonLink>
        <ButtonLink look="plain" to="/">
          To the kitchen
        </ButtonLink>
      </div>
    </div>
  );
}
