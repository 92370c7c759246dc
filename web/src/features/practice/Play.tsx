import { type Ref, useEffect, useMemo, useRef, useState } from "react";
import { Navigate, useNavigate, useParams, useSearchParams } from "react-router";
import type { PracticeDoing, PracticeLived, SituationCode } from "../../api/types";
import { glassSpan, glassWidth, JarDrawing } from "../../drawing/jar";
import { clockTime } from "../../lib/clock-time";
import { useTitle } from "../../lib/hooks";
import { degrees, times } from "../../lib/numbers";
import { useStored } from "../../lib/store";
import { Button, ButtonLink } from "../../ui/button";
import { Choice, choiceItems } from "../../ui/choice";
import { LevelSlider } from "../../ui/level-slider";
import { Loading } from "../../ui/states";
import { DOING_WORDS, lookText, practiceText, SITUATION_WORDS } from "../../words";
import { Debrief } from "./Debrief";
import { Deciding, Hint } from "./Deciding";
import { LookClosely } from "./LookClosely";
import { OnThisDevice, WorkingItOut } from "./OnThisDevice";
import { type Playing, type Speed, usePlaying } from "./playing";
import { anySeed, clockAt, drawnAt, frameAt, nextEvent, seedFrom } from "./story";

const SCALE = 2.6;
const LEVEL_STEP = 0.05;

/** One practice jar, by its situation and the seed in the address. */
export function PlayPage() {
  const { situation } = useParams();
  const [search] = useSearchParams();
  const code = situation && situation in SITUATION_WORDS ? (situation as SituationCode) : null;
  const seed = seedFrom(search.get("seed"));
  if (!code) return <Navigate to="/practice" replace />;
  // A jar has its seed in the address from the first, so that it can be come back to and shared.
  if (seed === null) return <Navigate to={`/practice/${code}?seed=${anySeed()}`} replace />;
  return (
    <Played key={`${code} ${seed}`} code={code} seed={seed} isSurprise={search.get("surprise") !== null} />
  );
}

function Played({
  code,
  seed,
  isSurprise,
}: {
  readonly code: SituationCode;
  readonly seed: number;
  /** What it is about is not told before the end. */
  readonly isSurprise: boolean;
}) {
  const [speed, setSpeed] = useStored<Speed>("practice.speed", "usual");
  const [said, setSaid] = useState("");
  const [level, setLevel] = useState<number | null>(null);
  const playing = usePlaying(code, seed, speed);
  const standing = useRef<HTMLElement>(null);
  const navigate = useNavigate();
  const words = SITUATION_WORDS[code];
  const isHidden = isSurprise && !playing.isOver;
  useTitle(isHidden ? practiceText.surprise : words.name);
  const { lived, at, isOver } = playing;
  if (!lived)
    return playing.away ? (
      <Away onRetry={playing.retry} />
    ) : (
      <>
        <Loading what={practiceText.opening} />
        <WorkingItOut />
      </>
    );
  const frame = frameAt(lived, at);
  const decide = (what: PracticeDoing) => {
    setLevel(null);
    playing.act(what);
    // On a phone the jar is out of sight where that is decided; it is to be watched now.
    if (what === "wait") standing.current?.scrollIntoView({ block: "nearest" });
    setSaid(practiceText.did(DOING_WORDS[what]));
  };
  return (
    <div className="pt-6">
      <p className="text-sm text-soft">
        {practiceText.modelled} · {practiceText.seed(seed)}
      </p>
      <h1 className="text-3xl">{isHidden ? practiceText.surprise : words.name}</h1>
      {!isOver && !isHidden && <p className="mt-1 max-w-prose">{words.lead}</p>}
      {isOver ? (
        <Debrief
          asked={{ situation: code, seed, acts: [...playing.acts] }}
          lived={lived}
          onSame={playing.anew}
          onAnother={() => void navigate(`/practice/${code}?seed=${anySeed()}`)}
        />
      ) : (
        <div className="mt-5 grid gap-x-12 gap-y-8 md:grid-cols-[minmax(15rem,auto)_1fr]">
          <Standing ref={standing} lived={lived} at={at} level={level} onLevel={setLevel} />
          <div className="flex min-w-0 flex-col gap-6">
            <Time playing={playing} lived={lived} speed={speed} onSpeed={setSpeed} />
            {level !== null && frame ? (
              <LookClosely
                frame={frame}
                level={level}
                onClose={() => setLevel(null)}
                onNoted={(meaning) => {
                  playing.look(level, meaning);
                  setLevel(null);
                  setSaid(practiceText.looked);
                }}
              />
            ) : (
              <Button
                look="act"
                className="self-start"
                disabled={playing.waits}
                onClick={() => {
                  playing.run(false);
                  setSaid("");
                  setLevel(1);
                }}
              >
                {DOING_WORDS.look}
              </Button>
            )}
            <Deciding offered={lived.offered} busy={playing.waits} onDone={decide} />
            <p aria-live="polite" className="-mt-3 min-h-6 font-semibold text-leaf">
              {said}
            </p>
            {/* Beside what was pressed: on a phone the top of the page is out of sight then. */}
            {playing.away ? <Away onRetry={playing.retry} /> : playing.waits && <WorkingItOut />}
            <Hint asked={{ situation: code, seed, acts: [...playing.acts] }} at={at} />
            <p className="-ms-3 flex flex-wrap">
              <ButtonLink look="plain" to="/practice">
                {practiceText.another}
              </ButtonLink>
              {playing.acts.length > 0 && (
                <Button look="plain" onClick={playing.anew}>
                  {practiceText.giveUp}
                </Button>
              )}
            </p>
            <OnThisDevice />
          </div>
        </div>
      )}
    </div>
  );
}

function Away({ onRetry }: { readonly onRetry: () => void }) {
  return (
    <div
      role="alert"
      className="flex max-w-prose flex-col items-start gap-3 rounded-lg border-2 border-edge p-4"
    >
      <p>{practiceText.away}</p>
      <Button onClick={onRetry}>{practiceText.again}</Button>
    </div>
  );
}

/** The jar as it stands, with the handle to read its level by while it is looked at. */
function Standing({
  ref,
  lived,
  at,
  level,
  onLevel,
}: {
  readonly ref: Ref<HTMLElement>;
  readonly lived: PracticeLived;
  readonly at: number;
  readonly level: number | null;
  readonly onLevel: (next: number) => void;
}) {
  const state = useMemo(() => drawnAt(lived, at), [lived, at]);
  const frame = frameAt(lived, at);
  if (!state || !frame) return null;
  const { day, minutes } = clockAt(at);
  const { rim, foot } = glassSpan(state.glass, SCALE, false);
  const { left, width } = glassWidth(state.glass, SCALE);
  const most = state.glass.heightMm / (state.lineMm ?? 1);
  return (
    <section
      ref={ref}
      aria-label={practiceText.modelled}
      className="flex scroll-mt-6 flex-col items-center gap-2 md:sticky md:top-6 md:self-start"
    >
      <p className="text-2xl font-bold tabular-nums">{practiceText.day(day, clockTime(minutes))}</p>
      <p className="text-soft">
        {practiceText.left(lived.ends_h - at)} · {practiceText.warmth(degrees(frame.celsius))}
      </p>
      <div className="relative mx-8">
        <JarDrawing state={state} scale={SCALE} lid={false} />
        {level !== null && (
          <div className="absolute" style={{ top: rim, left }}>
            <LevelSlider
              label={lookText.levelOnTheJar}
              valueText={times(level)}
              value={level}
              from={0}
              to={most}
              step={LEVEL_STEP}
              width={width}
              height={foot - rim}
              onChange={onLevel}
              isSet
            />
          </div>
        )}
      </div>
      <p className="max-w-60 text-center text-sm text-soft">{practiceText.lineIs}</p>
    </section>
  );
}

function Time({
  playing,
  lived,
  speed,
  onSpeed,
}: {
  readonly playing: Playing;
  readonly lived: PracticeLived;
  readonly speed: Speed;
  readonly onSpeed: (next: Speed) => void;
}) {
  const { at, runs, waits, run, goTo } = playing;
  // Time does not run on unseen.
  useEffect(() => {
    const stop = () => document.hidden && run(false);
    document.addEventListener("visibilitychange", stop);
    return () => document.removeEventListener("visibilitychange", stop);
  }, [run]);
  return (
    <section aria-label={practiceText.time} className="flex flex-col gap-3">
      <p className="flex flex-wrap gap-2">
        <Button disabled={waits} onClick={() => run(!runs)}>
          {runs ? practiceText.stop : practiceText.run}
        </Button>
        <Button disabled={waits} onClick={() => goTo(at + 1)}>
          {practiceText.hour}
        </Button>
        <Button disabled={waits} onClick={() => goTo(nextEvent(lived, at))}>
          {practiceText.event}
        </Button>
      </p>
      <Choice
        label={practiceText.speed}
        items={choiceItems(practiceText.speeds)}
        value={speed}
        onChange={(next) => next && onSpeed(next)}
      />
    </section>
  );
}
