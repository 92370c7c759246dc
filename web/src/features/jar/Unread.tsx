import { useState } from "react";
import { api } from "../../api/client";
import type { Problem, UnreadJar, Written } from "../../api/types";
import { restoreEntry, withdrawEntry } from "../../api/writes";
import { useTitle } from "../../lib/hooks";
import { clock, dayWord } from "../../lib/time";
import { Button, ButtonLink } from "../../ui/button";
import { Loading, OutOfReach, Trouble } from "../../ui/states";
import { commonText, jarText, problemWords } from "../../words";
import { tell } from "./entry-words";

/** A jar that cannot be told: why, the entry it stands on with the way to undo it, and all that is written in it. */
export function UnreadPage({ jarId, onMended }: { readonly jarId: string; readonly onMended: () => void }) {
  const path = { path: { jar_id: jarId } };
  const found = api.useQuery("get", "/api/jars/{jar_id}/unread", { params: path });
  useTitle(found.data?.jar.name ?? commonText.jar);
  if (found.isPending) return <Loading what={commonText.openingTheJar} />;
  if (!found.data) return <OutOfReach onRetry={() => void found.refetch()} />;
  return <Unread found={found.data} onMended={onMended} />;
}

function Unread({ found, onMended }: { readonly found: UnreadJar; readonly onMended: () => void }) {
  const { jar, cause, log } = found;
  const [trouble, setTrouble] = useState<readonly Problem[]>([]);
  const culprit = log.find(({ id }) => id === found.stands_on);
  const turn = async (entry: Written) => {
    const what = jarText.undoingAOf(titleOf(entry, found).toLowerCase(), jar.name);
    const outcome = entry.withdrawn
      ? await restoreEntry(entry.id, jarText.puttingBackAOf(titleOf(entry, found).toLowerCase(), jar.name))
      : await withdrawEntry(entry.id, what);
    setTrouble(outcome.kind === "refused" ? outcome.problems : []);
    if (outcome.kind === "saved") onMended();
  };
  return (
    <article className="flex flex-col gap-6 pt-6">
      <header className="flex max-w-prose flex-col gap-3">
        <h1 className="text-4xl">{jar.name}</h1>
        <p className="font-serif text-2xl">{jarText.cannotBeReadJustNow}</p>
        <p>{jarText.itsLogIsWholeAnd}</p>
        {cause && (
          <p className="border-s-4 border-dawn ps-4">
            {problemWords({ code: cause.code, field: cause.about, message: "", facts: cause.facts })}
          </p>
        )}
        {!cause && (
          <Button look="act" onClick={onMended}>
            {jarText.itCanBeReadAgain}
          </Button>
        )}
      </header>
      {trouble.length > 0 && <Trouble>{trouble.map(problemWords).join(" ")}</Trouble>}
      {culprit && (
        <section aria-labelledby="cause" className="max-w-prose rounded-lg border-2 border-dawn bg-card p-4">
          <h2 id="cause" className="text-2xl">
            {jarText.whatItStandsOn}
          </h2>
          <p className="mt-2">
            <Line entry={culprit} found={found} />
          </p>
          <p className="mt-2 text-soft">{jarText.undoThisOneAndThe}</p>
          <div className="mt-3">
            <Button look="act" onClick={() => void turn(culprit)}>
              {jarText.undoThisEntry}
            </Button>
          </div>
        </section>
      )}
      {log.length > 0 && (
        <section aria-labelledby="written" className="max-w-3xl">
          <h2 id="written" className="text-2xl">
            {jarText.allThatIsWrittenIn}
          </h2>
          <ul className="mt-2">
            {log.map((entry) => (
              <li
                key={entry.id}
                className="flex items-center justify-between gap-4 border-b border-rule py-1.5"
              >
                <span className={entry.withdrawn ? "text-soft line-through" : ""}>
                  <Line entry={entry} found={found} />
                </span>
                <Button look="plain" onClick={() => void turn(entry)}>
                  {entry.withdrawn ? jarText.putBack : commonText.undo}
                </Button>
              </li>
            ))}
          </ul>
        </section>
      )}
      <div>
        <ButtonLink look="quiet" to="/">
          {commonText.toTheKitchen}
        </ButtonLink>
      </div>
    </article>
  );
}

const KINDS: Readonly<Record<string, string>> = {
  feed: jarText.fed,
  look: commonText.look,
  bin: jarText.binned,
  leave: jarText.leftAlone,
  word: jarText.yourWord,
};

function titleOf(entry: Written, { now, time_zone: zone }: UnreadJar): string {
  return entry.entry ? tell(entry.entry, null, now, zone).title : (KINDS[entry.kind] ?? jarText.anEntry);
}

function Line({ entry, found }: { readonly entry: Written; readonly found: UnreadJar }) {
  const { now, time_zone: zone } = found;
  const said = entry.entry ? tell(entry.entry, null, now, zone).line : jarText.whatItSaysCannotBe;
  return (
    <>
      <span className="text-soft first-letter:uppercase">
        {dayWord(entry.at, now, zone)} {clock(entry.at, zone)}
      </span>{" "}
      <span className="font-semibold">{titleOf(entry, found)}</span> {said}
    </>
  );
}
