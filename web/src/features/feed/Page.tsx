import { useState } from "react";
import { Link, useNavigate, useParams, useSearchParams } from "react-router";
import { api } from "../../api/client";
import type { LogEntry, OpenJar } from "../../api/types";
import { useAwake } from "../../lib/awake";
import { type CarriedFeed, carriedKey } from "../../lib/carried";
import { forms } from "../../lib/forms";
import { useTitle } from "../../lib/hooks";
import { feedKey, readStored, useDraft, writeStored } from "../../lib/store";
import type { WeightUnit } from "../../lib/units";
import { NotOpen } from "../../parts/not-open";
import { Button, ButtonLink } from "../../ui/button";
import { Loading, OutOfReach } from "../../ui/states";
import { commonText, feedText } from "../../words";
import { Done, type Fed } from "./Done";
import { emptyFeed, type FeedDraft, readings } from "./draft";
import { EditFeed } from "./Edit";
import { Finish } from "./Finish";
import { StepScreen } from "./Step";
import { useSaving } from "./saving";
import { useSheet } from "./sheet";

const UNIT = "feed.unit";

export function FeedPage({ editing }: { readonly editing?: LogEntry }) {
  const { jarId = "" } = useParams();
  const opened = api.useQuery("get", "/api/jars/{jar_id}", { params: { path: { jar_id: jarId } } });
  const [fed, setFed] = useState<Fed | null>(null);
  useTitle(opened.data ? feedText.feed(opened.data.jar.name) : commonText.feed);
  if (opened.isPending) return <Loading what={commonText.fetchingTheJar} />;
  if (!opened.data)
    return <NotOpen jarId={jarId} error={opened.error} onRetry={() => void opened.refetch()} />;
  if (editing?.entry.kind === "feed")
    return <EditFeed opened={opened.data} editing={editing} feed={editing.entry} />;
  // In a round the next jar's walk follows on this very page.
  if (fed?.jarId === jarId) return <Done opened={opened.data} fed={fed} />;
  const { move } = opened.data.assessment.next_move;
  if (move === "bin" || move === "binned") return <NotToBeFed opened={opened.data} />;
  return <FeedWalk key={jarId} opened={opened.data} onFed={setFed} />;
}

function NotToBeFed({ opened }: { readonly opened: OpenJar }) {
  return (
    <div className="mx-auto flex max-w-md flex-col items-start gap-4 py-16">
      <h1 className="text-3xl">{feedText.isNotToBeFed(opened.jar.name)}</h1>
      <p>{feedText.mouldOrSpoilageWasSeen}</p>
      <ButtonLink look="act" to={`/?jar=${opened.jar.id}`}>
        {feedText.whatToDoInstead}
      </ButtonLink>
    </div>
  );
}

/** The walk on the scale, one step a screen, back and forth without loss; at its end the feed is saved. */
function FeedWalk({ opened, onFed }: { readonly opened: OpenJar; readonly onFed: (fed: Fed) => void }) {
  const { jar, assessment } = opened;
  useAwake();
  const navigate = useNavigate();
  const [search] = useSearchParams();
  const already = search.has("already");
  const [draft, setDraft, clear] = useDraft<FeedDraft>(feedKey(jar.id), () => {
    const fresh = emptyFeed(readStored<WeightUnit>(UNIT) ?? forms().mass);
    // A feed that was reckoned for it goes in as it was reckoned.
    const carried = readStored<CarriedFeed>(carriedKey(jar.id));
    if (carried) {
      writeStored(carriedKey(jar.id), null);
      return { ...fresh, ...carried };
    }
    // What is done already needs no walk: straight to when, and back from there to what.
    return already ? { ...fresh, step: Number.MAX_SAFE_INTEGER, when: { said: "60", field: "" } } : fresh;
  });
  const set = (part: Partial<FeedDraft>) => {
    if (part.unit) writeStored(UNIT, part.unit);
    setDraft({ ...draft, ...part });
  };
  const found = useSheet(opened, draft);
  const sheet = found === "away" ? null : found;
  const saving = useSaving(opened, sheet, clear, onFed);
  if (found === "away") return <OutOfReach onRetry={() => location.reload()} />;
  if (!sheet) return <Loading what={feedText.workingOutTheGrams} />;
  const walk = sheet.scale_walk;
  const at = Math.min(draft.step, walk.length);
  const step = walk[at];
  const shows = readings(walk, draft, sheet.tare_g);
  const parts = { opened, sheet, draft, set, shows };
  const first = assessment.in_jar === null;
  const throwAway = () => {
    clear();
    void navigate(`/?jar=${jar.id}`);
  };
  return (
    <div className="pt-4">
      <div className="flex flex-wrap items-baseline justify-between gap-x-4">
        <h1 className="text-2xl">
          {first ? feedText.mix : commonText.feed} {jar.name}
        </h1>
        <p className="text-soft">{feedText.stepOf(at + 1, walk.length + 1)}</p>
      </div>
      <Progress at={at} of={walk.length + 1} />
      {step ? (
        <StepScreen key={at} {...parts} step={step} at={at} problems={saving.problems} />
      ) : (
        <Finish {...parts} saving={saving} clear={clear} />
      )}
      <p className="mt-4 flex flex-wrap gap-x-6">
        <Link to={`/jars/${jar.id}`} className="inline-flex min-h-11 items-center font-semibold text-crust">
          {feedText.leaveItForNow}
        </Link>
        {at > 0 && (
          <Button look="plain" className="-ms-3" onClick={throwAway}>
            {feedText.throwItAway}
          </Button>
        )}
      </p>
    </div>
  );
}

function Progress({ at, of }: { readonly at: number; readonly of: number }) {
  return (
    <div aria-hidden="true" className="mt-2 flex gap-1.5">
      {Array.from({ length: of }, (_, index) => index).map((index) => (
        <span key={index} className={`h-1.5 grow rounded-full ${index <= at ? "bg-crust" : "bg-rule"}`} />
      ))}
    </div>
  );
}
