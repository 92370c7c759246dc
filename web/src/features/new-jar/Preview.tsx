import { keepPreviousData } from "@tanstack/react-query";
import { api } from "../../api/client";
import type { Assessment, Family, NewJar, Origin } from "../../api/types";
import { mixColour } from "../../drawing/colours";
import { JarDrawing } from "../../drawing/jar";
import { nowMs } from "../../lib/clock";
import { grams } from "../../lib/numbers";
import { when } from "../../lib/time";
import { Button } from "../../ui/button";
import {
  ACT_WORDS,
  newJarText,
  problemWords,
  shareWords,
  sightWords,
  taskLine,
  taughtWords,
} from "../../words";
import { type JarDraft, jarOf } from "./draft";
import { readyDay } from "./offered";

const STEPS_SHOWN = 5;
type PreviewBody = Omit<NewJar, "id">;

type Parts = {
  readonly draft: JarDraft;
  readonly family: Family;
  readonly zone: string;
};
/** Beside a question only what it comes to; the rest when all is answered. */
type Shown = Parts & { readonly short?: boolean; readonly set: (part: Partial<JarDraft>) => void };

/** The jar as it stands in the form, told by the core. */
function usePreview({ draft, family, zone }: Parts) {
  const now = nowMs();
  const { id: _id, ...jar } = jarOf(draft, family, Math.floor(now / 60_000) * 60_000, zone);
  // The plan does not wait for the name and the weight of the jar.
  const body = { ...jar, name: "preview", tare_g: 0 };
  const isTyped = [body.warmth_c, body.volume_ml, body.height_mm].every((value) => typeof value === "number");
  const preview = api.useQuery(
    "post",
    "/api/preview",
    { body },
    // What is still being typed is no question yet.
    { enabled: isTyped, placeholderData: keepPreviousData, retry: false },
  );
  return { now, body, preview };
}

/** What it comes to, for where the whole plan stands far below. */
export function InShort(parts: Parts) {
  const { body, preview } = usePreview(parts);
  if (!preview.data) return null;
  const { sentence, spread } = readyDay(
    preview.data.ready_on,
    preview.data.ready,
    body.starts_at,
    parts.family.origin,
  );
  return (
    <p className="pb-2 text-center md:hidden">
      {sentence} <span className="text-soft">({spread})</span>
    </p>
  );
}

/** What the jar will ask for, worked out while the baker chooses. */
export function Preview({ short = false, set, ...parts }: Shown) {
  const { zone } = parts;
  const { now, body, preview } = usePreview(parts);
  const found = preview.data;
  const glass = { volumeMl: body.volume_ml, heightMm: body.height_mm, flare: body.flare };
  // What is half typed is no jar that could be drawn.
  const isDrawn = [glass.volumeMl, glass.heightMm, glass.flare, found?.usual_line_mm].every(
    (value) => Number.isFinite(value) && Number(value) > 0,
  );
  const fullest = found?.timeline.reduce(
    (most, step) => (step.plan && step.plan.total_g > most.total_g ? step.plan : most),
    {
      total_g: 0,
      flours: [] as NonNullable<Assessment["timeline"][number]["plan"]>["flours"],
    },
  );
  return (
    <aside
      aria-label={newJarText.thePlan}
      aria-live="polite"
      className="flex flex-col gap-4 md:sticky md:top-4 md:self-start md:border-s-2 md:border-rule md:ps-8"
    >
      <h2 className="text-2xl">{newJarText.whatItAsksOfYou}</h2>
      {preview.error?.errors && (
        <p className="font-semibold text-alarm">{preview.error.errors.map(problemWords).join(" ")}</p>
      )}
      {found && <Ready found={found} start={body.starts_at} origin={parts.family.origin} />}
      {found && <Taught found={found} draft={parts.draft} set={set} />}
      {found && !short && !preview.isPlaceholderData && !preview.isError && (
        <LessWaste body={body} set={set} />
      )}
      {found && isDrawn && !preview.isError && fullest && fullest.total_g > 0 && (
        <JarDrawing
          scale={Math.min(1.6, 190 / glass.heightMm)}
          lid={false}
          state={{
            glass,
            lineMm: found.usual_line_mm,
            levelMm: found.usual_line_mm,
            highMm: null,
            colour: mixColour(fullest.flours),
            bubbles: null,
            top: [],
            gone: false,
          }}
        />
      )}
      {found?.room_is_tight && (
        <p className="border-s-4 border-water ps-4">{newJarText.thisJarIsFullEarly}</p>
      )}
      {found && <Steps found={found} now={now} zone={zone} />}
      {!short && <p className="text-soft">{newJarText.wholeRyeWakesAJar}</p>}
    </aside>
  );
}

/** By the jar model where it can say, else by what is usual for this way, flour and warmth. */
function Ready({
  found,
  start,
  origin,
}: {
  readonly found: Assessment;
  readonly start: string;
  readonly origin: Origin;
}) {
  const { sentence, spread } = readyDay(found.ready_on, found.ready, start, origin);
  return (
    <p>
      <span className="block font-serif text-xl">{sentence}</span>
      <span className="text-soft">
        {found.ready_on || origin !== "flour_and_water"
          ? newJarText.aForecastForThisWay(spread)
          : newJarText.tryAnother(spread)}
      </span>
    </p>
  );
}

/** A smaller size that costs nothing, taken by a press. */
function LessWaste({
  body,
  set,
}: {
  readonly body: PreviewBody;
  readonly set: (part: Partial<JarDraft>) => void;
}) {
  const thrift = api.useQuery("post", "/api/preview/thrift", { body }, { staleTime: 300_000, retry: false });
  if (!thrift.data) return null;
  const { share, size, saves_discard_g: saved } = thrift.data;
  return (
    <div className="border-s-4 border-leaf ps-4">
      <p>{newJarText.lessWaste(shareWords(share), grams(Math.round(saved)))}</p>
      <Button look="plain" onClick={() => set({ size: String(size) })}>
        {newJarText.takeThat}
      </Button>
    </div>
  );
}

/** What the baker's earlier jars taught of this one, to be left out or taken up again. */
function Taught({
  found,
  draft,
  set,
}: {
  readonly found: Assessment;
  readonly draft: JarDraft;
  readonly set: (part: Partial<JarDraft>) => void;
}) {
  if (!draft.byEarlierJars)
    return (
      <Button look="plain" onClick={() => set({ byEarlierJars: true })}>
        {newJarText.reckonWithEarlierJars}
      </Button>
    );
  if (!found.taught) return null;
  return (
    <div className="border-s-4 border-dawn ps-4">
      <p>{taughtWords(found.taught)}</p>
      <Button look="plain" onClick={() => set({ byEarlierJars: false })}>
        {newJarText.leaveThatOut}
      </Button>
    </div>
  );
}

function Steps({
  found,
  now,
  zone,
}: {
  readonly found: Assessment;
  readonly now: number;
  readonly zone: string;
}) {
  const { ahead, timeline } = found;
  const flour = ahead.flours.reduce((sum, part) => sum + part.g, 0);
  return (
    <>
      <ol className="flex flex-col gap-3">
        {timeline.slice(0, STEPS_SHOWN).map((step) => (
          <li key={step.number} className="border-b border-rule pb-2">
            <span className="block font-semibold first-letter:uppercase">
              {step.waits_for.length > 0
                ? newJarText.about(when(step.due, now, zone))
                : when(step.due, now, zone)}
            </span>
            {step.waits_for.length > 0 && (
              <span className="block text-soft">{newJarText.once(sightWords(step.waits_for))}</span>
            )}
            {step.do.length > 0 ? taskLine(step.do) : ACT_WORDS[step.act]}.
          </li>
        ))}
      </ol>
      <p className="text-soft">
        {newJarText.theFirstWeekTakesFlour(grams(Math.round(flour)), grams(Math.round(ahead.discard_g)))}
      </p>
    </>
  );
}
