import { type FormEvent, useState } from "react";
import { useNavigate } from "react-router";
import type { OpenJar, Problem } from "../../api/types";
import { leaveAlone } from "../../api/writes";
import { nowMs } from "../../lib/clock";
import { useTitle } from "../../lib/hooks";
import { newId } from "../../lib/ids";
import { useDraft } from "../../lib/store";
import { daysAhead, fromField } from "../../lib/time";
import { SaveOrLeave } from "../../parts/log-form";
import { NotSaved } from "../../parts/not-saved";
import { OfJar } from "../../parts/of-jar";
import { TextField } from "../../ui/field";
import { useSay } from "../../ui/toast";
import { commonText, lifeText, problemAt } from "../../words";

type Draft = { readonly day: string; readonly hour: string };

const DAY_MS = 24 * 3_600_000;
/** Up to a week a jar stands that on a good meal; longer is the fridge's work. */
const SHORT_DAYS = 7;

/** Days or weeks in which nobody looks after it: what to do before, and on coming back. */
export function AwayPage() {
  return <OfJar>{(opened) => <Away opened={opened} />}</OfJar>;
}

function Away({ opened }: { readonly opened: OpenJar }) {
  const { jar, time_zone: zone } = opened;
  const title = lifeText.awayOf(jar.name);
  useTitle(title);
  const key = `away.${jar.id}`;
  const [draft, setDraft, clear] = useDraft<Draft>(key, () => ({
    day: daysAhead(nowMs(), zone, 4)[3] ?? "",
    hour: "18:00",
  }));
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const [busy, setBusy] = useState(false);
  const navigate = useNavigate();
  const say = useSay();
  const until = fromField(`${draft.day}T${draft.hour}`, zone);
  const long = until !== null && Date.parse(until) - nowMs() > SHORT_DAYS * DAY_MS;
  const save = async (event: FormEvent) => {
    event.preventDefault();
    setBusy(true);
    const outcome = await leaveAlone(jar.id, newId(), until ?? draft.day, title);
    setBusy(false);
    setProblems(outcome.kind === "refused" ? outcome.problems : []);
    if (outcome.kind === "refused") return;
    clear();
    say(outcome.kind === "waiting" ? commonText.keptOnThisDeviceIt : lifeText.nothingIsDueBefore);
    await navigate(`/jars/${jar.id}`);
  };
  return (
    <form noValidate className="flex max-w-2xl flex-col gap-6 pt-6" onSubmit={(event) => void save(event)}>
      <h1 className="text-3xl">{title}</h1>
      <div className="grid gap-4 sm:grid-cols-2">
        <TextField
          label={lifeText.awayUntil}
          type="date"
          value={draft.day}
          onChange={(event) => setDraft({ ...draft, day: event.target.value })}
          error={problemAt(problems, "until")}
        />
        <TextField
          label={lifeText.backAt}
          type="time"
          value={draft.hour}
          onChange={(event) => setDraft({ ...draft, hour: event.target.value })}
        />
      </div>
      <List title={lifeText.before} lines={long ? lifeText.awayLong : lifeText.awayShort} />
      <List title={lifeText.onReturn} lines={lifeText.awayBack} />
      <p className="text-soft">{lifeText.nothingIsDueBefore}</p>
      <NotSaved problems={problems} shown={["until"]} />
      <SaveOrLeave jarId={jar.id} busy={busy} yes={lifeText.noteIt} />
    </form>
  );
}

function List({ title, lines }: { readonly title: string; readonly lines: readonly string[] }) {
  return (
    <section aria-label={title}>
      <h2 className="text-xl">{title}</h2>
      <ul className="list-disc ps-6">
        {lines.map((line) => (
          <li key={line}>{line}</li>
        ))}
      </ul>
    </section>
  );
}
