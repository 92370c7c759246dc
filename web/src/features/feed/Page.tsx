import { useState } from "react";
import { Link, useParams } from "react-router";
import { api } from "../../api/client";
import type { LogEntry, OpenJar } from "../../api/types";
import { useTitle } from "../../lib/hooks";
import { useDraft } from "../../lib/store";
import { when } from "../../lib/time";
import { Button, ButtonLink } from "../../ui/button";
import { NumberField, TextArea } from "../../ui/field";
import { Loading, OutOfReach, Trouble } from "../../ui/states";
import { WhenField } from "../../ui/when-field";
import { fieldWords, problemAt, problemWords } from "../../words/problems";
import { draftOf, emptyFeed, type FeedDraft } from "./draft";
import { Meanwhile } from "./Meanwhile";
import { Mending } from "./Mending";
import { draftKey, useSaving } from "./saving";
import { useSheet } from "./sheet";
import { Walk } from "./Walk";

export function FeedPage({ editing }: { readonly editing?: LogEntry }) {
  const { jarId = "" } = useParams();
  const opened = api.useQuery("get", "/api/jars/{jar_id}", { params: { path: { jar_id: jarId } } });
  useTitle(opened.data ? `Feed ${opened.data.jar.name}` : "Feed");
  if (opened.isPending) return <Loading what="Fetching the jar" />;
  if (!opened.data) return <OutOfReach onRetry={() => void opened.refetch()} />;
  const { move } = opened.data.assessment.next_move;
  if (!editing && (move === "bin" || move === "binned")) return <NotToBeFed opened={opened.data} />;
  return <FeedForm key={editing?.id ?? jarId} opened={opened.data} editing={editing ?? null} />;
}

function NotToBeFed({ opened }: { readonly opened: OpenJar }) {
  return (
    <div className="mx-auto flex max-w-md flex-col items-start gap-4 py-16">
      <h1 className="text-3xl">{opened.jar.name} is not to be fed.</h1>
      <p>Mould or spoilage was seen in it, or it was binned. Feeding does not rescue it.</p>
      <ButtonLink look="act" to={`/?jar=${opened.jar.id}`}>
        What to do instead
      </ButtonLink>
    </div>
  );
}

function FeedForm({ opened, editing }: { readonly opened: OpenJar; readonly editing: LogEntry | null }) {
  const { jar, now, time_zone: zone, assessment } = opened;
  const [draft, setDraft, clear] = useDraft<FeedDraft>(draftKey(jar.id, editing), () =>
    editing?.entry.kind === "feed" ? draftOf(editing, editing.entry, zone) : emptyFeed(),
  );
  const set = (part: Partial<FeedDraft>) => setDraft({ ...draft, ...part });
  const found = useSheet(opened, editing, draft);
  const sheet = found === "away" ? null : found;
  const { problems, busy, save, conflict } = useSaving(opened, editing, draft, sheet?.plan ?? null, clear);
  const [more, setMore] = useState(draft.line !== "" || draft.note !== "" || editing !== null);
  const first = assessment.in_jar === null;
  const title = editing ? `Change a feed of ${jar.name}` : `${first ? "Mix" : "Feed"} ${jar.name}`;
  const early = !editing && assessment.next_move.state === "not_yet" && assessment.next_move.due;
  const shown = ["at", "keep_g", "water_g", "line_mm", "note"];
  const other = problems.filter((one) => !shown.includes(one.field) && !one.field.startsWith("flours"));

  if (found === "away") return <OutOfReach onRetry={() => location.reload()} />;
  if (!sheet) return <Loading what="Working out the grams" />;
  return (
    <form
      noValidate
      className="pt-6"
      onSubmit={(event) => {
        event.preventDefault();
        void save();
      }}
    >
      <h1 className="text-3xl">{title}</h1>
      <p className="mt-1 max-w-prose text-soft">
        {early
          ? `It is early: the next feed is planned for ${when(early, now, zone)}. Feeding too often thins out the yeast.`
          : "Jar on the scale, lid off. The big number is what the scale should show."}
      </p>
      <Walk sheet={sheet} opened={opened} editing={editing} draft={draft} set={set} problems={problems} />
      <div className="mt-8 flex max-w-3xl flex-col gap-6">
        <WhenField
          label="When"
          value={draft.when}
          onChange={(at) => set({ when: at })}
          zone={zone}
          error={problemAt(problems, "at")}
        />
        {more ? (
          <div className="grid gap-4 sm:grid-cols-[12rem_1fr]">
            <NumberField
              label="New line"
              unit="mm"
              hint="Height after the feed, if you measure it."
              value={draft.line}
              onChange={(event) => set({ line: event.target.value })}
              error={problemAt(problems, "line_mm")}
            />
            <TextArea
              label="Note"
              value={draft.note}
              onChange={(event) => set({ note: event.target.value })}
              error={problemAt(problems, "note")}
            />
          </div>
        ) : (
          <Button look="plain" className="self-start !px-0" onClick={() => setMore(true)}>
            Add a measured line or a note
          </Button>
        )}
        {conflict && (
          <Meanwhile
            problem={conflict}
            onBoth={() => void save(String(conflict.facts.id))}
            onOnlyTheirs={clear}
            jarId={jar.id}
          />
        )}
        {problems.length > 0 && !conflict && (
          <Trouble>
            <strong>Not saved yet.</strong>{" "}
            {other.length > 0
              ? other.map((one) => `${fieldWords(one.field)}: ${problemWords(one)}`).join(" ")
              : `See ${problems.map((one) => fieldWords(one.field)).join(", ")}.`}
          </Trouble>
        )}
      </div>
      <div className="sticky bottom-0 bg-paper py-3">
        <div aria-live="polite" className="mb-3 max-w-3xl empty:hidden">
          {sheet.mend && <Mending mend={sheet.mend} sheet={sheet} draft={draft} set={set} />}
        </div>
        <div className="flex gap-3">
          <Button type="submit" look="act" disabled={busy} className="grow sm:grow-0 sm:px-10">
            {busy ? "Saving …" : editing ? "Save the change" : first ? "It is mixed" : "It is fed"}
          </Button>
          <Link to={`/jars/${jar.id}`} className="flex min-h-11 items-center px-3 font-semibold text-crust">
            Leave it
          </Link>
        </div>
      </div>
    </form>
  );
}
