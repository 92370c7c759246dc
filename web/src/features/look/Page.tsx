import { type FormEvent, useState } from "react";
import { Link, useNavigate, useParams } from "react-router";
import { api } from "../../api/client";
import type { LevelUnit, LogEntry, OpenJar, Problem } from "../../api/types";
import { amendEntry, recordEntry, withdrawEntry } from "../../api/writes";
import { BUBBLE_PICTURES, TOP_PICTURES } from "../../drawing/glyphs";
import { useTitle } from "../../lib/hooks";
import { useDraft } from "../../lib/store";
import { Button } from "../../ui/button";
import { Choice, Choices, choiceItems } from "../../ui/choice";
import { NumberField, TextArea } from "../../ui/field";
import { Loading, OutOfReach, Trouble } from "../../ui/states";
import { useSay } from "../../ui/toast";
import { WhenField } from "../../ui/when-field";
import { BUBBLE_WORDS, SMELL_WORDS, THICKNESS_WORDS, TOP_HINTS, TOP_WORDS } from "../../words/looks";
import { fieldWords, problemAt, problemWords } from "../../words/problems";
import { draftOf, emptyLook, type LookDraft, lookOf } from "./draft";
import { LevelPart } from "./LevelPart";

const BUBBLES = choiceItems(BUBBLE_WORDS, BUBBLE_PICTURES);
const TOPS = choiceItems(TOP_WORDS, TOP_PICTURES, TOP_HINTS);
const SMELLS = choiceItems(SMELL_WORDS);
const THICKNESSES = choiceItems(THICKNESS_WORDS);
const FLOATS = [
  { value: "floats", label: "floats" },
  { value: "sinks", label: "sinks" },
] as const;
const SHOWN = ["at", "level", "level.value", "high", "high.value", "ph", "celsius", "note"];

export function LookPage({ editing }: { readonly editing?: LogEntry }) {
  const { jarId = "" } = useParams();
  const opened = api.useQuery("get", "/api/jars/{jar_id}", { params: { path: { jar_id: jarId } } });
  useTitle(opened.data ? `Look at ${opened.data.jar.name}` : "Look");
  if (opened.isPending) return <Loading what="Fetching the jar" />;
  if (!opened.data) return <OutOfReach onRetry={() => void opened.refetch()} />;
  if (!opened.data.assessment.in_jar) {
    return (
      <div className="mx-auto max-w-md py-16">
        <h1 className="text-3xl">{opened.data.jar.name} is not mixed yet.</h1>
        <p className="mt-3">There is nothing to look at until flour and water are in the jar.</p>
      </div>
    );
  }
  return <LookForm key={editing?.id ?? jarId} opened={opened.data} editing={editing ?? null} />;
}

function useSaving(opened: OpenJar, editing: LogEntry | null, draft: LookDraft, clear: () => void) {
  const { jar, now, time_zone: zone } = opened;
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const [busy, setBusy] = useState(false);
  const navigate = useNavigate();
  const say = useSay();

  const save = async (event: FormEvent) => {
    event.preventDefault();
    setBusy(true);
    setProblems([]);
    const look = lookOf(draft, Date.now(), zone);
    const label = `Look at ${jar.name}`;
    const path = editing ? `/jars/${jar.id}/log/${editing.id}` : `/jars/${jar.id}/look`;
    const reopen = { path, draft: draftKey(jar.id, editing), value: draft };
    const outcome = editing
      ? await amendEntry(editing.id, editing.revision, look, label, reopen)
      : await recordEntry(jar.id, draft.id, null, look, label, reopen);
    setBusy(false);
    if (outcome.kind === "refused") {
      setProblems(outcome.problems);
      return;
    }
    clear();
    if (outcome.kind === "waiting") say("Kept on this device. It is sent when the connection is back.");
    else if (editing) say("Changed. What it said before is kept.");
    else
      say("Look saved.", {
        label: "Undo",
        run: () => void withdrawEntry(draft.id, `Undoing a look at ${jar.name}`),
      });
    await navigate(editing ? `/jars/${jar.id}` : `/?jar=${jar.id}`);
  };
  return { problems, busy, save, now };
}

function draftKey(jarId: string, editing: LogEntry | null): string {
  return editing ? `amend.${editing.id}` : `look.${jarId}`;
}

function LookForm({ opened, editing }: { readonly opened: OpenJar; readonly editing: LogEntry | null }) {
  const { jar, time_zone: zone } = opened;
  const [draft, setDraft, clear] = useDraft<LookDraft>(draftKey(jar.id, editing), () =>
    editing?.entry.kind === "look" ? draftOf(editing, editing.entry, zone) : emptyLook(),
  );
  const { problems, busy, save } = useSaving(opened, editing, draft, clear);
  const set = (part: Partial<LookDraft>) => setDraft({ ...draft, ...part });
  const other = problems.filter((problem) => !SHOWN.includes(problem.field));

  return (
    <form onSubmit={(event) => void save(event)} noValidate className="pt-6">
      <h1 className="text-3xl">{editing ? `Change a look at ${jar.name}` : `Look at ${jar.name}`}</h1>
      <p className="mt-1 text-soft">Level first, before any stirring. Leave out what you did not look at.</p>
      <div className="mt-6 grid gap-x-12 gap-y-8 md:grid-cols-[auto_1fr]">
        <LevelPart
          opened={opened}
          draft={draft}
          set={set}
          error={problemAt(problems, "level", "level.value")}
        />
        <div className="flex min-w-0 flex-col gap-6">
          <Choice
            label="Bubbles"
            items={BUBBLES}
            value={draft.bubbles}
            onChange={(bubbles) => set({ bubbles })}
            none
          />
          <Choices label="Top" items={TOPS} value={draft.top} onChange={(top) => set({ top })} />
          <Choices label="Smell" items={SMELLS} value={draft.smell} onChange={(smell) => set({ smell })} />
          <Choice
            label="Thickness"
            items={THICKNESSES}
            value={draft.thickness}
            onChange={(thickness) => set({ thickness })}
            none
          />
          <Measured draft={draft} set={set} problems={problems} />
          <WhenField
            label="When"
            value={draft.when}
            onChange={(when) => set({ when })}
            zone={zone}
            error={problemAt(problems, "at")}
          />
          <TextArea
            label="Note"
            value={draft.note}
            onChange={(event) => set({ note: event.target.value })}
            error={problemAt(problems, "note")}
          />
          {problems.length > 0 && (
            <Trouble>
              <strong>Not saved yet.</strong>{" "}
              {other.length > 0
                ? other.map((problem) => `${fieldWords(problem.field)}: ${problemWords(problem)}`).join(" ")
                : `See ${problems.map((problem) => fieldWords(problem.field)).join(", ")}.`}
            </Trouble>
          )}
        </div>
      </div>
      <div className="sticky bottom-0 flex gap-3 bg-paper py-3">
        <Button type="submit" look="act" disabled={busy} className="grow sm:grow-0 sm:px-10">
          {busy ? "Saving …" : "Save the look"}
        </Button>
        <Link to={`/jars/${jar.id}`} className="flex min-h-11 items-center px-3 font-semibold text-crust">
          Leave it
        </Link>
      </div>
    </form>
  );
}

/** What only some bakers measure. */
function Measured({
  draft,
  set,
  problems,
}: {
  readonly draft: LookDraft;
  readonly set: (part: Partial<LookDraft>) => void;
  readonly problems: readonly Problem[];
}) {
  const used = [draft.high, draft.ph, draft.celsius].some((text) => text !== "") || draft.floats !== null;
  const wrong = problems.some((problem) => ["high", "high.value", "ph", "celsius"].includes(problem.field));
  return (
    <details open={used || wrong}>
      <summary className="min-h-11 py-2 font-semibold text-crust">High mark, warmth, pH, float test</summary>
      <div className="grid gap-4 pt-2 sm:grid-cols-3">
        <NumberField
          label="High mark"
          unit={UNIT_SIGNS[draft.unit]}
          hint="The smear it left on the glass at its highest."
          value={draft.high}
          onChange={(event) => set({ high: event.target.value })}
          error={problemAt(problems, "high", "high.value")}
        />
        <NumberField
          label="Warmth"
          unit="°C"
          hint="Of the jar, or beside it."
          value={draft.celsius}
          onChange={(event) => set({ celsius: event.target.value })}
          error={problemAt(problems, "celsius")}
        />
        <NumberField
          label="pH"
          hint="After stirring, read at once."
          value={draft.ph}
          onChange={(event) => set({ ph: event.target.value })}
          error={problemAt(problems, "ph")}
        />
      </div>
      <div className="pt-4">
        <Choice
          label="Float test, unstirred, at its peak"
          items={FLOATS}
          value={draft.floats}
          onChange={(floats) => set({ floats })}
          none
        />
      </div>
    </details>
  );
}

const UNIT_SIGNS: Record<LevelUnit, string> = { times: "×", percent: "%", mm: "mm", ml: "ml" };
