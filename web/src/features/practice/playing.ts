/** A practice jar while it is played: what was done is kept on this device, time runs by itself or stands still. */
import { keepPreviousData } from "@tanstack/react-query";
import { useCallback, useEffect, useState } from "react";
import { api } from "../../api/client";
import type {
  PracticeDoing,
  PracticeLived,
  PracticeMade,
  PracticeMeaning,
  SituationCode,
} from "../../api/types";
import { useStored } from "../../lib/store";
import { LOOK } from "./story";

export type Speed = "slow" | "usual" | "fast";

const HOURS_PER_SECOND: Record<Speed, number> = { slow: 0.5, usual: 1.5, fast: 6 };
const TICK_MS = 100;
/** Where motion is unwelcome, time goes on in steps. */
const STEP_MS = 1000;

type Played = { readonly acts: readonly PracticeMade[]; readonly at: number | null };

const NOTHING_DONE: Played = { acts: [], at: null };

export type Playing = {
  readonly acts: readonly PracticeMade[];
  readonly lived: PracticeLived | null;
  readonly at: number;
  readonly runs: boolean;
  /** The story of what was done last is still on its way, or cannot be told now (`away`). */
  readonly waits: boolean;
  readonly away: boolean;
  readonly isOver: boolean;
  readonly retry: () => void;
  readonly run: (on: boolean) => void;
  readonly goTo: (at: number) => void;
  readonly act: (what: PracticeDoing) => void;
  readonly look: (level: number, meaning: PracticeMeaning | null) => void;
  readonly anew: () => void;
};

export function usePlaying(situation: SituationCode, seed: number, speed: Speed): Playing {
  const [played, setPlayed] = useStored<Played>(`practice:${situation}:${seed}`, NOTHING_DONE);
  const [moment, setMoment] = useState<number | null>(null);
  const [wantsRun, setRuns] = useState(false);
  const { acts } = played;
  const story = api.useQuery(
    "post",
    "/api/practice/lived",
    { body: { situation, seed, acts: [...acts] } },
    { placeholderData: keepPreviousData, staleTime: Number.POSITIVE_INFINITY, retry: false },
  );
  // The jar stays in sight, as it stood, where what comes next cannot be told.
  const [last, setLast] = useState<PracticeLived | null>(null);
  if (story.data && story.data !== last) setLast(story.data);
  const lived = story.data ?? last;
  const waits = story.isPlaceholderData || story.isPending || story.isError;
  const ends = lived && !waits ? lived.ended_h : Number.POSITIVE_INFINITY;
  const at = Math.min(moment ?? played.at ?? lived?.begins_h ?? 0, ends);
  const isOver = lived !== null && !waits && at >= ends - 1e-6;
  const runs = wantsRun && !waits && !isOver;
  const goTo = useCallback(
    (next: number, done: readonly PracticeMade[] = acts) => {
      setMoment(next);
      setPlayed({ acts: done, at: next });
    },
    [acts, setPlayed],
  );
  useEffect(() => {
    if (!runs) return;
    const calm = matchMedia("(prefers-reduced-motion: reduce)").matches;
    const every = calm ? STEP_MS : TICK_MS;
    const next = Math.min(at + (HOURS_PER_SECOND[speed] * every) / 1000, ends);
    // On the hours and at its end it is kept how far it is: a page opened anew goes on from there.
    const isKept = next === ends || Math.floor(next) > Math.floor(at);
    const timer = setTimeout(() => (isKept ? goTo(next) : setMoment(next)), every);
    return () => clearTimeout(timer);
  }, [runs, speed, ends, at, goTo]);
  /** Time stands still after it, unless the jar is left be. */
  const add = (made: Omit<PracticeMade, "at_h">) => {
    setRuns(made.what === "wait");
    goTo(at, [...acts, { ...made, at_h: Math.round(at * 100) / 100 }]);
  };
  return {
    acts,
    lived,
    at,
    runs,
    waits,
    away: story.isError,
    isOver,
    retry: () => void story.refetch(),
    run: (on) => {
      setRuns(on);
      if (runs && !on) goTo(at);
    },
    goTo: (next) => goTo(Math.min(next, ends)),
    act: (what) => add({ what }),
    look: (level, meaning) => add({ what: LOOK, level, meaning }),
    anew: () => {
      setRuns(false);
      setMoment(null);
      setPlayed(NOTHING_DONE);
    },
  };
}
