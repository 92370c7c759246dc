import type { LeaveBody, LogEntry, OpenJar, UseBody } from "../../api/types";
import { nowMs } from "../../lib/clock";
import { useTitle } from "../../lib/hooks";
import { asSent } from "../../lib/numbers";
import { useDraft } from "../../lib/store";
import { fromField, toField } from "../../lib/time";
import { momentOf, type When } from "../../lib/when";
import { draftKeyOf, useAmending } from "../../parts/amending";
import { AmendEnd } from "../../parts/log-form";
import { NumberField, TextField } from "../../ui/field";
import { lifeText, problemAt } from "../../words";

type Editing<T> = { readonly opened: OpenJar; readonly editing: LogEntry; readonly entry: T };
type UseDraft = { readonly g: string; readonly when: When; readonly note: string };

/** What was used, corrected: how much, and when. */
export function EditUse({ opened, editing, entry }: Editing<UseBody>) {
  const { jar, time_zone: zone } = opened;
  const title = lifeText.takeSomeOf(jar.name);
  useTitle(title);
  const [draft, setDraft, clear] = useDraft<UseDraft>(draftKeyOf(editing), () => ({
    g: String(entry.g),
    when: { said: "other", field: toField(entry.at, zone) },
    note: entry.note,
  }));
  const { problems, busy, amend } = useAmending<UseDraft>(opened, editing, title, clear);
  const set = (part: Partial<UseDraft>) => setDraft({ ...draft, ...part });
  return (
    <form
      noValidate
      className="flex max-w-xl flex-col gap-6 pt-6"
      onSubmit={(event) => {
        event.preventDefault();
        const g = asSent(draft.g) ?? (null as unknown as number);
        void amend({ ...entry, g, at: momentOf(draft.when, nowMs(), zone), note: draft.note }, draft);
      }}
    >
      <h1 className="text-3xl">{title}</h1>
      <NumberField
        label={lifeText.howMuch}
        unit="g"
        value={draft.g}
        onText={(text) => set({ g: text })}
        error={problemAt(problems, "g")}
      />
      <AmendEnd
        jarId={jar.id}
        zone={zone}
        draft={draft}
        set={set}
        problems={problems}
        shown={["g", "at", "note"]}
        busy={busy}
      />
    </form>
  );
}

type LeaveDraft = { readonly until: string; readonly when: When; readonly note: string };

/** Left alone, corrected: from when, and until when. */
export function EditLeave({ opened, editing, entry }: Editing<LeaveBody>) {
  const { jar, time_zone: zone } = opened;
  const title = lifeText.awayOf(jar.name);
  useTitle(title);
  const [draft, setDraft, clear] = useDraft<LeaveDraft>(draftKeyOf(editing), () => ({
    until: toField(entry.until, zone),
    when: { said: "other", field: toField(entry.at, zone) },
    note: entry.note,
  }));
  const { problems, busy, amend } = useAmending<LeaveDraft>(opened, editing, title, clear);
  const set = (part: Partial<LeaveDraft>) => setDraft({ ...draft, ...part });
  return (
    <form
      noValidate
      className="flex max-w-xl flex-col gap-6 pt-6"
      onSubmit={(event) => {
        event.preventDefault();
        const until = fromField(draft.until, zone) ?? draft.until;
        void amend({ ...entry, until, at: momentOf(draft.when, nowMs(), zone), note: draft.note }, draft);
      }}
    >
      <h1 className="text-3xl">{title}</h1>
      <TextField
        label={lifeText.awayUntil}
        type="datetime-local"
        value={draft.until}
        onChange={(event) => set({ until: event.target.value })}
        error={problemAt(problems, "until")}
      />
      <AmendEnd
        jarId={jar.id}
        zone={zone}
        draft={draft}
        set={set}
        problems={problems}
        shown={["until", "at", "note"]}
        busy={busy}
      />
    </form>
  );
}
