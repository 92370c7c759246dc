import { useState } from "react";
import { useNavigate } from "react-router";
import { api } from "../../api/client";
import { useLog } from "../../api/older";
import type { ByHand, Chapter, LogEntry, OpenJar } from "../../api/types";
import { moveEntry, restoreEntry, withdrawEntry } from "../../api/writes";
import { clock, dayWord, when } from "../../lib/time";
import { Button } from "../../ui/button";
import { Menu } from "../../ui/menu";
import { useSay } from "../../ui/toast";
import { chapterTitle, commonText, jarText, lifeText, practiceText, problemWords } from "../../words";
import { tell } from "./entry-words";

/** All entries, the latest first: the chapter that lasts by its days, those before it folded up, and what is older than
 * what came with the jar when it is asked for. */
export function Log({ opened }: { readonly opened: OpenJar }) {
  const { now, time_zone: zone, assessment } = opened;
  const [asked, setAsked] = useState(false);
  const { log, isWhole, isLooking, isOutOfReach } = useLog(opened, asked);
  const chapters = [...assessment.chapters].reverse();
  const [current, ...earlier] = chapters;
  // What is planned or was noted before the first mix belongs to no chapter yet.
  const since = earlier.length > 0 && current ? Date.parse(current.since) : Number.NEGATIVE_INFINITY;
  const at = (entry: LogEntry) => Date.parse(entry.entry.at);
  const of = (chapter: Chapter, index: number) =>
    log.filter(
      (entry) =>
        at(entry) < Date.parse(chapter.until ?? now) &&
        (index === earlier.length - 1 || at(entry) >= Date.parse(chapter.since)),
    );
  return (
    <section aria-labelledby="log" className="min-w-0">
      <div className="flex flex-wrap items-center justify-between gap-x-6">
        <h2 id="log" className="text-2xl">
          {jarText.log}
        </h2>
        <UndoLatest opened={opened} log={log} />
      </div>
      {log.length === 0 && <p className="mt-2 text-soft">{jarText.nothingYetItFillsBy}</p>}
      {earlier.length > 0 && current && <Title chapter={current} now={now} zone={zone} />}
      <Days entries={log.filter((entry) => at(entry) >= since)} opened={opened} />
      {earlier.map((chapter, index) => (
        <details key={chapter.since} className="mt-6" onToggle={() => setAsked(true)}>
          <summary className="min-h-11 cursor-pointer py-2">
            <Title chapter={chapter} now={now} zone={zone} />
          </summary>
          <Days entries={of(chapter, index)} opened={opened} />
        </details>
      ))}
      {!isWhole && (
        <div className="mt-4" aria-live="polite">
          {isLooking ? (
            <p className="text-soft">{jarText.lookingItUp}</p>
          ) : (
            <Button onClick={() => setAsked(true)}>{jarText.whatIsOlder}</Button>
          )}
          {isOutOfReach && <p className="mt-2 text-soft">{jarText.itCannotBeReachedJust}</p>}
        </div>
      )}
    </section>
  );
}

function Title({
  chapter,
  now,
  zone,
}: {
  readonly chapter: Chapter;
  readonly now: string;
  readonly zone: string;
}) {
  const until = chapter.until && dayWord(chapter.until, now, zone);
  return (
    <span className="inline-block pt-2">
      <span className="block font-serif text-xl">{chapterTitle(chapter)}</span>
      <span className="block text-soft first-letter:uppercase">
        {lifeText.chapterSpan(dayWord(chapter.since, now, zone), until, chapter.feeds)}
      </span>
    </span>
  );
}

function Days({ entries, opened }: { readonly entries: readonly LogEntry[]; readonly opened: OpenJar }) {
  const { now, time_zone: zone, assessment } = opened;
  const byHand = new Map(assessment.rounds.map((round) => [round.feed_id, round.by_hand]));
  const readings = new Map(
    assessment.rounds.flatMap((round) => round.levels.map((level) => [level.look_id, level.times])),
  );
  return [...Map.groupBy(entries, (entry) => dayWord(entry.entry.at, now, zone))].map(([day, ofDay]) => (
    <div key={day} className="mt-4">
      <h3 className="text-lg first-letter:uppercase">{day}</h3>
      <ul>
        {ofDay.map((entry) => (
          <Entry
            key={entry.id}
            entry={entry}
            opened={opened}
            readAs={readings.get(entry.id) ?? null}
            hand={byHand.get(entry.id) ?? null}
          />
        ))}
      </ul>
    </div>
  ));
}

function Entry({
  entry,
  opened,
  readAs,
  hand,
}: {
  readonly entry: LogEntry;
  readonly opened: OpenJar;
  readonly readAs: number | null;
  readonly hand: ByHand | null;
}) {
  const { jar, now, time_zone: zone } = opened;
  const say = useSay();
  const navigate = useNavigate();
  const [history, setHistory] = useState(false);
  const { title, line } = tell(entry.entry, readAs, now, zone, hand);
  const session = api.useQuery("get", "/api/session");
  const me = session.data?.account?.name;
  const by = entry.recorded_by && entry.recorded_by !== me ? entry.recorded_by : null;
  const what = jarText.ofIt(title.toLowerCase(), clock(entry.entry.at, zone));
  const turn = async () => {
    const outcome = entry.withdrawn
      ? await restoreEntry(entry.id, jarText.puttingBackAOf(title.toLowerCase(), jar.name))
      : await withdrawEntry(entry.id, jarText.undoingAOf(title.toLowerCase(), jar.name));
    if (outcome.kind === "refused") say(outcome.problems.map(problemWords).join(" "));
    if (outcome.kind === "saved" && !entry.withdrawn) say(jarText.undoneItCountsForNothing);
  };
  const change = { label: jarText.change, run: () => void navigate(`/jars/${jar.id}/log/${entry.id}`) };
  const suppose = {
    label: practiceText.whatIf,
    run: () => void navigate(`/jars/${jar.id}/otherwise?entry=${entry.id}`),
  };
  const kitchen = api.useQuery("get", "/api/kitchen", {}, { staleTime: 60_000 });
  const move = async (to: string, toName: string) => {
    const outcome = await moveEntry(entry.id, to, jarText.movingTo(title.toLowerCase(), toName));
    if (outcome.kind === "refused") say(outcome.problems.map(problemWords).join(" "));
    if (outcome.kind === "saved")
      say(jarText.itStandsWith(toName), {
        label: commonText.undo,
        run: () => void moveEntry(entry.id, jar.id, jarText.movingTo(title.toLowerCase(), jar.name)),
      });
  };
  // What was noted with the wrong jar in hand goes over to its own.
  const others = entry.withdrawn || !MOVED.has(entry.entry.kind) ? [] : (kitchen.data?.jars ?? []);
  const acts = [
    ...(entry.withdrawn || !EDITED.has(entry.entry.kind) ? [] : [change]),
    { label: entry.withdrawn ? jarText.putBack : commonText.undo, run: () => void turn() },
    ...(entry.withdrawn || !SUPPOSED.has(entry.entry.kind) ? [] : [suppose]),
    ...others
      .filter((one) => one.jar.id !== jar.id && !one.binned_at)
      .map((one) => ({
        label: jarText.itWasOf(one.jar.name),
        run: () => void move(one.jar.id, one.jar.name),
      })),
    ...(entry.revision > 1
      ? [
          {
            label: history ? jarText.hideWhatItSaidBefore : jarText.whatItSaidBefore,
            run: () => setHistory(!history),
          },
        ]
      : []),
  ];
  return (
    <li className="grid grid-cols-[3.5rem_1fr_auto] gap-x-3 border-b border-rule py-1.5">
      <span className="pt-2 text-soft">{clock(entry.entry.at, zone)}</span>
      <div className="min-w-0 py-2">
        <div className={entry.withdrawn ? "text-soft line-through" : ""}>
          <span className="font-semibold">{title}</span> {line}
          {by && <span className="text-soft"> {jarText.by(by)}</span>}
          {entry.withdrawn && <span className="sr-only"> {jarText.undone}</span>}
        </div>
        {entry.entry.note && (
          <p dir="auto" className="whitespace-pre-wrap break-words italic">
            {entry.entry.note}
          </p>
        )}
        {history && <History entry={entry} opened={opened} />}
      </div>
      <Menu label={jarText.changeOrUndoThe(what)} trigger={<Dots />} items={acts} />
    </li>
  );
}

/** What may be supposed to have been done otherwise. */
const SUPPOSED: ReadonlySet<string> = new Set(["feed", "deed", "moved"]);

/** What may be noted with the wrong jar in hand. */
const MOVED: ReadonlySet<string> = new Set(["feed", "look"]);

/** Takes back what was written down last. */
function UndoLatest({ opened, log }: { readonly opened: OpenJar; readonly log: readonly LogEntry[] }) {
  const { jar, now, time_zone: zone } = opened;
  const say = useSay();
  const latest = log
    .filter(({ withdrawn }) => !withdrawn)
    .sort((a, b) => (a.recorded_at < b.recorded_at ? 1 : -1))[0];
  if (!latest) return null;
  const { title } = tell(latest.entry, null, now, zone);
  const undo = async () => {
    const outcome = await withdrawEntry(latest.id, jarText.undoingAOf(title.toLowerCase(), jar.name));
    if (outcome.kind === "refused") say(outcome.problems.map(problemWords).join(" "));
    if (outcome.kind === "saved")
      say(jarText.undoneSo(title.toLowerCase()), {
        label: jarText.putBack,
        run: () => void restoreEntry(latest.id, jarText.puttingBackAOf(title.toLowerCase(), jar.name)),
      });
  };
  return (
    <Button look="plain" data-undoes onClick={() => void undo()}>
      {jarText.undoTheLatest}
    </Button>
  );
}

/** What is corrected in a form of its own; the rest is undone and noted anew. */
const EDITED: ReadonlySet<string> = new Set([
  "feed",
  "look",
  "deed",
  "leave",
  "use",
  "moved",
  "jar",
  "flour",
  "rhythm",
  "amount",
  "way",
]);

function Dots() {
  return (
    <svg width="20" height="20" viewBox="0 0 20 20" aria-hidden="true" fill="currentColor">
      <circle cx="4" cy="10" r="1.8" />
      <circle cx="10" cy="10" r="1.8" />
      <circle cx="16" cy="10" r="1.8" />
    </svg>
  );
}

function History({ entry, opened }: { readonly entry: LogEntry; readonly opened: OpenJar }) {
  const { now, time_zone: zone } = opened;
  const changes = api.useQuery("get", "/api/log/{entry_id}/history", {
    params: { path: { entry_id: entry.id } },
  });
  if (!changes.data)
    return (
      <p className="text-soft">{changes.isError ? jarText.itCannotBeReachedJust : jarText.lookingItUp}</p>
    );
  return (
    <ul className="border-s-4 border-rule ps-4">
      {changes.data.map((change) => {
        const { title, line } = tell(change.before, null, now, zone);
        return (
          <li key={change.made_at}>
            <span className="text-soft">{jarText.until(when(change.made_at, now, zone))}</span> {title}{" "}
            {when(change.before.at, now, zone)} {line}
            {change.before.note && <span className="italic"> {change.before.note}</span>}
          </li>
        );
      })}
    </ul>
  );
}
