import type { DeedBody, LogEntry, OpenJar } from "../../api/types";
import { nowMs } from "../../lib/clock";
import { useTitle } from "../../lib/hooks";
import { useDraft } from "../../lib/store";
import { toField } from "../../lib/time";
import { momentOf, type When } from "../../lib/when";
import { draftKeyOf, useAmending } from "../../parts/amending";
import { AmendEnd } from "../../parts/log-form";
import { DEED_WORDS } from "../../words";

type Draft = { readonly when: When; readonly note: string };

/** What was done beside feeding, corrected: when it was, and the note. */
export function EditDeed({
  opened,
  editing,
  deed,
}: {
  readonly opened: OpenJar;
  readonly editing: LogEntry;
  readonly deed: DeedBody;
}) {
  const { jar, time_zone: zone } = opened;
  const what = DEED_WORDS[deed.did];
  useTitle(`${what}: ${jar.name}`);
  const [draft, setDraft, clear] = useDraft<Draft>(draftKeyOf(editing), () => ({
    when: { said: "other", field: toField(deed.at, zone) },
    note: deed.note,
  }));
  const { problems, busy, amend } = useAmending<Draft>(opened, editing, `${what}: ${jar.name}`, clear);
  return (
    <form
      noValidate
      className="flex max-w-xl flex-col gap-6 pt-6"
      onSubmit={(event) => {
        event.preventDefault();
        const at = momentOf(draft.when, nowMs(), zone);
        void amend({ ...deed, at, note: draft.note }, draft);
      }}
    >
      <h1 className="text-3xl">
        {what}: {jar.name}
      </h1>
      <AmendEnd
        jarId={jar.id}
        zone={zone}
        draft={draft}
        set={(part) => setDraft({ ...draft, ...part })}
        problems={problems}
        shown={["at", "note"]}
        busy={busy}
      />
    </form>
  );
}
