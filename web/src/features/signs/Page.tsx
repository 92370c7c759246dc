import { keepPreviousData } from "@tanstack/react-query";
import { useState } from "react";
import { useNavigate, useSearchParams } from "react-router";
import { api } from "../../api/client";
import type { Finding, OpenJar, SignChoices } from "../../api/types";
import { recordEntry } from "../../api/writes";
import { CLOSE_UPS } from "../../drawing/atlas";
import { BUBBLE_PICTURES, TOP_PICTURES } from "../../drawing/glyphs";
import { nowIso } from "../../lib/clock";
import { useRested, useTitle } from "../../lib/hooks";
import { newId } from "../../lib/ids";
import { NotOpen } from "../../parts/not-open";
import { Button } from "../../ui/button";
import { Choice, Choices, choiceItems } from "../../ui/choice";
import { SignNote } from "../../ui/sign-note";
import { Loading, OutOfReach } from "../../ui/states";
import { useSay } from "../../ui/toast";
import {
  AGE_WORDS,
  BEGINNING_WORDS,
  BUBBLE_WORDS,
  CLOSE_UP_WORDS,
  commonText,
  LEVEL_WORDS,
  problemWords,
  SINCE_WORDS,
  SMELL_WORDS,
  signNote,
  signsText,
  THICKNESS_WORDS,
  TOP_HINTS,
  TOP_WORDS,
} from "../../words";
import { Atlas } from "./Atlas";
import { bodyOf, type Described, isBlank, lookOf, NOTHING } from "./described";

/** Look it up by what is seen and smelt: by the rules that watch the log, for a jar of the shelf or for any other. */
export function SignsPage() {
  const [search] = useSearchParams();
  const jarId = search.get("jar");
  const choices = api.useQuery("get", "/api/signs/choices", {}, { staleTime: Number.POSITIVE_INFINITY });
  if (choices.isPending) return <Loading what={signsText.fetchingTheSigns} />;
  if (!choices.data) return <OutOfReach onRetry={() => void choices.refetch()} />;
  return jarId ? <OfJar jarId={jarId} choices={choices.data} /> : <OfAny choices={choices.data} />;
}

function OfAny({ choices }: { readonly choices: SignChoices }) {
  useTitle(commonText.signs);
  const [it, setIt] = useState<Described>(NOTHING);
  const set = (part: Partial<Described>) => setIt({ ...it, ...part });
  const blank = isBlank(it);
  const found = api.useQuery(
    "post",
    "/api/signs",
    { body: bodyOf(it, choices) },
    { enabled: !blank, placeholderData: keepPreviousData, retry: false },
  );
  const findings = blank ? null : (found.data?.findings ?? null);
  return (
    <div className="pt-6">
      <h1 className="text-3xl">{signsText.whatDoesItShow}</h1>
      <p className="mt-1 text-soft">{signsText.pressWhatYouSeeAnd}</p>
      <div className="mt-6 grid gap-x-12 gap-y-8 md:grid-cols-[1fr_22rem]">
        <div className="flex min-w-0 flex-col gap-6">
          <Seen it={it} set={set} />
          <Choice
            label={signsText.howOldItIs}
            items={choiceItems(AGE_WORDS)}
            value={it.age}
            onChange={(age) => age && set({ age })}
          />
          <Choice
            label={signsText.lastFed}
            items={choiceItems(SINCE_WORDS)}
            value={it.since}
            onChange={(since) => since && set({ since })}
          />
          <Choice
            label={signsText.begunWith}
            items={choiceItems(BEGINNING_WORDS)}
            value={it.began}
            onChange={(began) => began && set({ began })}
          />
        </div>
        <Meaning
          findings={findings}
          blank={blank}
          away={!blank && found.isError}
          retry={() => void found.refetch()}
        />
      </div>
      <Atlas />
    </div>
  );
}

function OfJar({ jarId, choices }: { readonly jarId: string; readonly choices: SignChoices }) {
  const opened = api.useQuery("get", "/api/jars/{jar_id}", { params: { path: { jar_id: jarId } } });
  useTitle(opened.data ? signsText.signsOf(opened.data.jar.name) : commonText.signs);
  if (opened.isPending) return <Loading what={commonText.openingTheJar} />;
  if (!opened.data)
    return <NotOpen jarId={jarId} error={opened.error} onRetry={() => void opened.refetch()} />;
  return <Opened opened={opened.data} choices={choices} />;
}

/** With its log known, nobody is asked how old it is; what is pressed can be kept as a look. */
function Opened({ opened, choices }: { readonly opened: OpenJar; readonly choices: SignChoices }) {
  const { jar } = opened;
  const [it, setIt] = useState<Described>(NOTHING);
  const set = (part: Partial<Described>) => setIt({ ...it, ...part });
  const say = useSay();
  const navigate = useNavigate();
  const blank = isBlank(it);
  const rested = useRested(JSON.stringify(it), 150);
  const found = api.useQuery(
    "post",
    "/api/jars/{jar_id}/signs",
    {
      params: { path: { jar_id: jar.id } },
      body: { look: lookOf(JSON.parse(rested) as Described, opened.now, choices) },
    },
    { enabled: !isBlank(JSON.parse(rested) as Described), placeholderData: keepPreviousData, retry: false },
  );
  const findings = blank ? opened.assessment.findings : (found.data?.findings ?? null);
  const keep = async () => {
    const look = lookOf(it, nowIso(), choices);
    const outcome = await recordEntry(jar.id, newId(), null, look, commonText.lookAt(jar.name), null);
    if (outcome.kind === "refused") say(outcome.problems.map(problemWords).join(" "));
    else await navigate(`/jars/${jar.id}`);
  };
  return (
    <div className="pt-6">
      <h1 className="text-3xl">{signsText.whatDoesShow(jar.name)}</h1>
      <p className="mt-1 text-soft">{signsText.itsAgeItsFeedsAnd}</p>
      <div className="mt-6 grid gap-x-12 gap-y-8 md:grid-cols-[1fr_22rem]">
        <div className="flex min-w-0 flex-col gap-6">
          <Seen it={it} set={set} />
          {!blank && (
            <Button look="act" className="self-start" onClick={() => void keep()}>
              {signsText.keepThisAsALook}
            </Button>
          )}
        </div>
        <Meaning
          findings={findings}
          blank={blank && findings?.length === 0}
          away={!blank && found.isError}
          retry={() => void found.refetch()}
        />
      </div>
      <Atlas />
    </div>
  );
}

function Seen({ it, set }: { readonly it: Described; readonly set: (part: Partial<Described>) => void }) {
  return (
    <>
      <Choices
        label={commonText.top}
        items={choiceItems(TOP_WORDS, TOP_PICTURES, TOP_HINTS)}
        value={it.top}
        onChange={(top) => set({ top })}
      />
      <Choices
        label={commonText.smell}
        items={choiceItems(SMELL_WORDS)}
        value={it.smell}
        onChange={(smell) => set({ smell })}
      />
      <Choice
        label={commonText.level}
        items={choiceItems(LEVEL_WORDS)}
        value={it.level}
        onChange={(level) => set({ level })}
        none
      />
      <Choice
        label={commonText.bubbles}
        items={choiceItems(BUBBLE_WORDS, BUBBLE_PICTURES)}
        value={it.bubbles}
        onChange={(bubbles) => set({ bubbles })}
        none
      />
      <Choice
        label={signsText.thickness}
        items={choiceItems(THICKNESS_WORDS)}
        value={it.thickness}
        onChange={(thickness) => set({ thickness })}
        none
      />
    </>
  );
}

function Meaning({
  findings,
  blank,
  away,
  retry,
}: {
  readonly findings: readonly Finding[] | null;
  readonly blank: boolean;
  readonly away: boolean;
  readonly retry: () => void;
}) {
  return (
    <aside
      aria-label={signsText.whatItMeans}
      aria-live="polite"
      className="sticky bottom-0 flex max-h-[45vh] flex-col gap-4 self-start overflow-y-auto border-t-2 border-rule bg-paper py-4 md:top-6 md:max-h-none md:border-t-0 md:border-s-2 md:py-0 md:ps-8"
    >
      <h2 className="text-2xl">{signsText.whatItMeans}</h2>
      {blank && <p className="text-soft">{signsText.nothingPressedYet}</p>}
      {away && <OutOfReach onRetry={retry} />}
      {!blank && !away && findings?.length === 0 && <p>{signsText.nothingUnusualInThatKeep}</p>}
      {findings?.map((one) => (
        <div key={one.sign}>
          <SignNote {...signNote(one)} />
          {one.ask === "is_it_fuzzy_or_coloured" && <FilmOrMould />}
        </div>
      ))}
    </aside>
  );
}

function FilmOrMould() {
  return (
    <div className="mt-2 flex gap-3 ps-5">
      {(["film", "mould"] as const).map((kind) => (
        <figure key={kind} className="flex flex-col items-center text-center">
          {CLOSE_UPS[kind]}
          <figcaption className="font-semibold">{CLOSE_UP_WORDS[kind].name}</figcaption>
        </figure>
      ))}
    </div>
  );
}
