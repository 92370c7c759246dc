import { Link } from "react-router";
import type { DeedBody, LogEntry, OpenJar } from "../../api/types";
import { useTitle } from "../../lib/hooks";
import { useDraft } from "../../lib/store";
import { toField } from "../../lib/time";
import { momentOf, type When } from "../../lib/when";
import { draftKeyOf, useAmending } from "../../parts/amending";
import { NotSaved } from "../../parts/not-saved";
import { Button } from "../../ui/button";
import { TextArea } from "../../ui/field";
import { WhenField } from "../../ui/when-field";
import { problemAt } from "../../words/problems";
import { DEED_WORDS } from "../../words/tasks";

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
        const at = momentOf(draft.when, Date.now(), zone);
        void amend({ ...deed, at, note: draft.note }, draft);
      }}
    >
      <h1 className="text-3xl">
        {what}: {jar.name}
      </h1>
      <WhenField
        label="When"
        value={draft.when}
        onChange={(when) => setDraft({ ...draft, when })}
        zone={zone}
        error={problemAt(problems, "at")}
        lastNight
      />
      <TextArea
        label="Note"
        value={draft.note}
        onChange={(event) => setDraft({ ...draft, note: event.target.value })}
        error={problemAt(problems, "note")}
      />
      <NotSaved problems={problems} shown={["at", "note"]} />
      <div className="flex gap-3">
        <Button type="submit" look="act" disabled={busy}>
          {busy ? "Saving …" : "Save the change"}
        </Button>
        <Link to={`/jars/${jar.id}`} className="flex min-h-11 items-center px-3 font-semibold text-crust">
          Leave it
        </Link>
      </div>
    </form>
  );
}
