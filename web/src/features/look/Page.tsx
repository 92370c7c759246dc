import { type FormEvent, useState } from "react";
import { Link, useParams, useSearchParams } from "react-router";
import { api } from "../../api/client";
import type { LogEntry, OpenJar, Problem } from "../../api/types";
import { BUBBLE_PICTURES, THICKNESS_PICTURES, TOP_PICTURES } from "../../drawing/glyphs";
import { nowMs } from "../../lib/clock";
import { useTitle } from "../../lib/hooks";
import { readStored, useDraft } from "../../lib/store";
import { WhenAndNote } from "../../parts/log-form";
import { NotOpen } from "../../parts/not-open";
import { Button } from "../../ui/button";
import { Choice, Choices, choiceItems } from "../../ui/choice";
import { NumberField } from "../../ui/field";
import { Loading } from "../../ui/states";
import {
  BUBBLE_WORDS,
  commonText,
  lookText,
  problemAt,
  SMELL_WORDS,
  THICKNESS_WORDS,
  TOP_HINTS,
  TOP_WORDS,
} from "../../words";
import { asSeen, boundsOf, draftOf, emptyLook, fromSeen, type LookDraft, lineOf } from "./draft";
import { LevelPart } from "./LevelPart";
import { lastSeen, likelyFirst, type Uses, usesOf } from "./likely";
import { PhotoPart } from "./PhotoPart";
import { BEFORE_IN_ROUND, draftKey, type SeenBefore, useSaving } from "./saving";

const BUBBLES = choiceItems(BUBBLE_WORDS, BUBBLE_PICTURES);
const TOPS = choiceItems(TOP_WORDS, TOP_PICTURES, TOP_HINTS);
const SMELLS = choiceItems(SMELL_WORDS);
const THICKNESSES = choiceItems(THICKNESS_WORDS, THICKNESS_PICTURES);
const FLOATS = [
  { value: "floats", label: lookText.floats },
  { value: "sinks", label: lookText.sinks },
] as const;
const SHOWN = ["at", "level", "level.value", "high", "high.value", "ph", "celsius", "note"];

export function LookPage({ editing }: { readonly editing?: LogEntry }) {
  const { jarId = "" } = useParams();
  const opened = api.useQuery("get", "/api/jars/{jar_id}", { params: { path: { jar_id: jarId } } });
  useTitle(opened.data ? commonText.lookAt(opened.data.jar.name) : commonText.look);
  if (opened.isPending) return <Loading what={commonText.fetchingTheJar} />;
  if (!opened.data)
    return <NotOpen jarId={jarId} error={opened.error} onRetry={() => void opened.refetch()} />;
  if (!opened.data.assessment.in_jar) {
    return (
      <div className="mx-auto max-w-md py-16">
        <h1 className="text-3xl">{lookText.isNotMixedYet(opened.data.jar.name)}</h1>
        <p className="mt-3">{lookText.thereIsNothingToLook}</p>
      </div>
    );
  }
  return <LookForm key={editing?.id ?? jarId} opened={opened.data} editing={editing ?? null} />;
}

function LookForm({ opened, editing }: { readonly opened: OpenJar; readonly editing: LogEntry | null }) {
  const { jar, time_zone: zone, assessment } = opened;
  const [search] = useSearchParams();
  const [draft, setDraft, clear] = useDraft<LookDraft>(draftKey(jar.id, editing), () =>
    editing?.entry.kind === "look" ? draftOf(editing, editing.entry, zone) : emptyLook(),
  );
  const round = search.get("round");
  const { problems, busy, save } = useSaving(opened, editing, clear, round, search.get("trial"));
  const set = (part: Partial<LookDraft>) => setDraft({ ...draft, ...part });
  const overflowed = problems.some((one) => one.code === "level_above_rim" && one.field.startsWith("level"));
  const line = lineOf(opened);
  const atTheRim = () => line && set({ level: String(fromSeen(boundsOf(line).most, draft.unit, line)) });
  const uses = usesOf(opened);
  const { expected_look: likely } = assessment;
  const submit = (event: FormEvent) => {
    event.preventDefault();
    void save(draft);
  };

  return (
    <form onSubmit={submit} noValidate className="pt-6">
      <h1 className="text-3xl">{editing ? lookText.changeALookAt(jar.name) : commonText.lookAt(jar.name)}</h1>
      <p className="mt-1 text-soft">
        {round ? lookText.oneJarAfterAnotherLevel : lookText.levelFirstBeforeAnyStirring}
      </p>
      {!editing && (
        <div className="mt-4 flex flex-wrap gap-3">
          <SameAgain opened={opened} busy={busy} onSame={(same) => void save(same)} />
          {round && <AsBefore name={jar.name} set={set} />}
        </div>
      )}
      <div className="mt-6 grid gap-x-12 gap-y-8 md:grid-cols-[auto_1fr]">
        <LevelPart
          opened={opened}
          draft={draft}
          set={set}
          errors={{
            level: problemAt(problems, "level", "level.value"),
            high: problemAt(problems, "high", "high.value"),
          }}
          onOverflow={overflowed ? atTheRim : null}
        />
        <div className="flex min-w-0 flex-col gap-6">
          <Choice
            label={commonText.bubbles}
            items={likelyFirst(BUBBLES, likely.bubbles)}
            value={draft.bubbles}
            onChange={(bubbles) => set({ bubbles })}
            none
          />
          <Choices
            label={commonText.top}
            items={likelyFirst(TOPS, likely.top)}
            value={draft.top}
            onChange={(top) => set({ top })}
          />
          <Choices
            label={commonText.smell}
            items={likelyFirst(SMELLS, likely.smell)}
            value={draft.smell}
            onChange={(smell) => set({ smell })}
          />
          <Measured draft={draft} set={set} problems={problems} uses={uses} asked />
          {!editing && <PhotoPart opened={opened} draft={draft} set={set} />}
          <More draft={draft} set={set} problems={problems} uses={uses} />
          <WhenAndNote zone={zone} draft={draft} set={set} problems={problems} shown={SHOWN} />
        </div>
      </div>
      <div className="sticky bottom-0 flex gap-3 bg-paper py-3">
        <Button type="submit" look="act" disabled={busy} className="grow sm:grow-0 sm:px-10">
          {busy ? commonText.saving : round ? lookText.saveNextJar : lookText.saveTheLook}
        </Button>
        <Link to={`/jars/${jar.id}`} className="flex min-h-11 items-center px-3 font-semibold text-crust">
          {commonText.leaveIt}
        </Link>
      </div>
    </form>
  );
}

/** Nothing changed since the last look: saved with one press. */
function SameAgain({
  opened,
  busy,
  onSame,
}: {
  readonly opened: OpenJar;
  readonly busy: boolean;
  readonly onSame: (same: LookDraft) => void;
}) {
  const last = lastSeen(opened);
  const line = lineOf(opened);
  if (!last || !line) return null;
  const { times, bubbles, top, smell, thickness } = last;
  const level = times === null ? "" : String(fromSeen(asSeen(times, line), "times", line));
  const same = { ...emptyLook(), level, bubbles, top, smell, thickness };
  return (
    <Button disabled={busy} onClick={() => onSame(same)}>
      {lookText.nothingChanged}
    </Button>
  );
}

/** So long what was seen of the jar before is what is seen in the same round. */
const ONE_ROUND_MS = 30 * 60_000;

/** What was seen of the jar before in this round is seen here too: all but the level with one press. */
function AsBefore({
  name,
  set,
}: {
  readonly name: string;
  readonly set: (part: Partial<LookDraft>) => void;
}) {
  const [before] = useState(() => readStored<SeenBefore>(BEFORE_IN_ROUND));
  if (!before || before.name === name || nowMs() - before.atMs > ONE_ROUND_MS) return null;
  const { bubbles, top, smell, thickness } = before;
  if (!bubbles && !thickness && top.length === 0 && smell.length === 0) return null;
  return (
    <Button onClick={() => set({ bubbles, top, smell, thickness })}>
      {lookText.asAtTheOther(before.name)}
    </Button>
  );
}

type Parts = {
  readonly draft: LookDraft;
  readonly set: (part: Partial<LookDraft>) => void;
  readonly problems: readonly Problem[];
  readonly uses: Uses;
};

/** What only some bakers measure: asked for outright where this one does, else under a fold. pH comes after stirring. */
function Measured({ draft, set, problems, uses, asked }: Parts & { readonly asked: boolean }) {
  const shows = (used: boolean) => used === asked;
  if (!Object.values(uses).some(shows)) return null;
  return (
    <div className="flex flex-col gap-5">
      {shows(uses.thickness) && (
        <Choice
          label={lookText.thicknessTipped}
          items={THICKNESSES}
          value={draft.thickness}
          onChange={(thickness) => set({ thickness })}
          none
        />
      )}
      {(shows(uses.celsius) || shows(uses.ph)) && (
        <div className="grid gap-4 sm:grid-cols-2">
          {shows(uses.celsius) && (
            <NumberField
              label={commonText.warmth}
              unit="°C"
              hint={lookText.ofTheJarOrBeside}
              value={draft.celsius}
              onText={(text) => set({ celsius: text })}
              error={problemAt(problems, "celsius")}
            />
          )}
          {shows(uses.ph) && (
            <NumberField
              label={lookText.ph}
              hint={lookText.afterStirringReadAtOnce}
              value={draft.ph}
              onText={(text) => set({ ph: text })}
              error={problemAt(problems, "ph")}
            />
          )}
        </div>
      )}
      {shows(uses.floats) && (
        <Choice
          label={lookText.floatTestUnstirredAtIts}
          items={FLOATS}
          value={draft.floats}
          onChange={(floats) => set({ floats })}
          none
        />
      )}
    </div>
  );
}

function More(parts: Parts) {
  const { draft, problems, uses } = parts;
  if (Object.values(uses).every(Boolean)) return null;
  const used = draft.ph !== "" || draft.celsius !== "" || draft.floats !== null || draft.thickness !== null;
  const wrong = problems.some(({ field }) => field === "ph" || field === "celsius");
  return (
    <details open={used || wrong}>
      <summary className="min-h-11 py-2 font-semibold text-crust">{lookText.moreToNote}</summary>
      <div className="pt-2">
        <Measured {...parts} asked={false} />
      </div>
    </details>
  );
}
