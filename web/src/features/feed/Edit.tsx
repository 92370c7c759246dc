import type { FeedBody, LogEntry, OpenJar } from "../../api/types";
import { useDraft } from "../../lib/store";
import { draftKeyOf, useAmending } from "../../parts/amending";
import { AmendEnd } from "../../parts/log-form";
import { Choice } from "../../ui/choice";
import { NumberField } from "../../ui/field";
import { capital, commonText, DISCARD_CHOICES, FLOUR_WORDS, feedText, problemAt } from "../../words";
import { draftOf, type FeedDraft } from "./draft";
import { correctedFeed } from "./saving";

const SHOWN = ["flours", "at", "keep_g", "water_g", "line_mm", "note", "discard_to"];

/** A feed of the log corrected: there is no scale to read any more. */
export function EditFeed({
  opened,
  editing,
  feed,
}: {
  readonly opened: OpenJar;
  readonly editing: LogEntry;
  readonly feed: FeedBody;
}) {
  const { jar, time_zone: zone } = opened;
  const [draft, setDraft, clear] = useDraft<FeedDraft>(draftKeyOf(editing), () =>
    draftOf(editing, feed, zone),
  );
  const set = (part: Partial<FeedDraft>) => setDraft({ ...draft, ...part });
  const { problems, busy, amend } = useAmending<FeedDraft>(
    opened,
    editing,
    commonText.feedOf(jar.name),
    clear,
  );
  return (
    <form
      noValidate
      className="flex max-w-3xl flex-col gap-6 pt-6"
      onSubmit={(event) => {
        event.preventDefault();
        void amend(correctedFeed(draft, feed, zone), draft);
      }}
    >
      <h1 className="text-3xl">{feedText.changeAFeedOf(jar.name)}</h1>
      <div className="grid max-w-xl gap-4 sm:grid-cols-3">
        {feed.keep_g > 0 && (
          <NumberField
            label={feedText.kept}
            unit="g"
            value={draft.keep}
            onText={(text) => set({ keep: text })}
            error={problemAt(problems, "keep_g")}
          />
        )}
        <NumberField
          label={feedText.water}
          unit="g"
          value={draft.water}
          onText={(text) => set({ water: text })}
          error={problemAt(problems, "water_g")}
        />
        {feed.flours.map((part, place) => (
          <NumberField
            key={part.flour}
            label={capital(FLOUR_WORDS[part.flour])}
            unit="g"
            value={draft.flours[part.flour] ?? ""}
            onText={(text) => set({ flours: { ...draft.flours, [part.flour]: text } })}
            error={problemAt(problems, `flours.${part.flour}`, `flours.${place}.g`)}
          />
        ))}
        <NumberField
          label={feedText.line}
          unit="mm"
          value={draft.line}
          onText={(text) => set({ line: text })}
          error={problemAt(problems, "line_mm")}
        />
      </div>
      <Choice
        label={feedText.whatWasTakenOutWent}
        items={DISCARD_CHOICES}
        value={draft.discardTo}
        onChange={(to) => set({ discardTo: to })}
        none
        error={problemAt(problems, "discard_to")}
      />
      <AmendEnd
        jarId={jar.id}
        zone={zone}
        draft={draft}
        set={set}
        problems={problems}
        shown={SHOWN}
        busy={busy}
      />
    </form>
  );
}
