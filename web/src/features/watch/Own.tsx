/** This device watches: its camera on, the jar shown once, and from then on a picture every few minutes. */
import { useQueryClient } from "@tanstack/react-query";
import { useEffect, useRef, useState } from "react";
import { http } from "../../api/client";
import { asBase64 } from "../../api/photos";
import type { OpenJar } from "../../api/types";
import { useAwake } from "../../lib/awake";
import { nowMs } from "../../lib/clock";
import { newId } from "../../lib/ids";
import { when } from "../../lib/time";
import { Refused, useAct } from "../../parts/act";
import { Button } from "../../ui/button";
import { Choice } from "../../ui/choice";
import { problemWords, UNREAD_WORDS, watchText } from "../../words";
import { type Pictured, Showing } from "./Showing";
import { useCamera } from "./taking";

const EVERY = ["1", "2", "5", "10", "15", "30"];

export function Own({ opened, onDone }: { readonly opened: OpenJar; readonly onDone: () => void }) {
  const camera = useCamera();
  const { act, problem } = useAct();
  const [every, setEvery] = useState("5");
  const [id] = useState(newId);
  const [pictured, setPictured] = useState<Pictured | null>(null);
  const [watches, setWatches] = useState(false);
  if (camera.state !== "on") {
    return (
      <div className="flex max-w-prose flex-col items-start gap-4">
        <p>{watchText.whatItNeeds}</p>
        <Choice
          label={watchText.everyMin}
          items={EVERY.map((value) => ({ value, label: watchText.minutes(Number(value)) }))}
          value={every}
          onChange={(next) => next && setEvery(next)}
        />
        {camera.state === "refused" && <Refused problem={watchText.notAllowed} />}
        {camera.state === "none" && <Refused problem={watchText.noCamera} />}
        <Button look="act" onClick={() => void camera.start()}>
          {camera.state === "off" ? watchText.startCamera : watchText.tryAgain}
        </Button>
      </div>
    );
  }
  const first = async () => {
    const blob = await camera.take();
    if (!blob) return;
    const body = { id, kind: "page" as const, every_min: Number(every) };
    const path = { params: { path: { jar_id: opened.jar.id } } };
    if (await act(http.POST("/api/jars/{jar_id}/cameras", { ...path, body })))
      setPictured({ blob, at: new Date(nowMs()).toISOString() });
  };
  return (
    <div className="flex flex-col items-start gap-3">
      <div className={watches || pictured ? "sr-only" : ""}>
        <video
          ref={camera.show}
          muted
          playsInline
          aria-label={watchText.picture}
          className="max-h-[50vh] rounded-lg"
        />
      </div>
      <Refused problem={problem} />
      {!watches && !pictured && (
        <Button look="act" onClick={() => void first()}>
          {watchText.takeOne}
        </Button>
      )}
      {!watches && pictured && (
        <Showing
          jarId={opened.jar.id}
          cameraId={id}
          pictured={pictured}
          onShown={() => setWatches(true)}
          onAnother={() => setPictured(null)}
        />
      )}
      {watches && (
        <Watching
          cameraId={id}
          everyMin={Number(every)}
          zone={opened.time_zone}
          take={camera.take}
          onStop={() => {
            camera.stop();
            onDone();
          }}
        />
      )}
    </div>
  );
}

type Waiting = { readonly at: string; readonly blob: Blob };
/** Without a connection so many pictures wait on the device. */
const MOST_WAITING = 40;
const AT_ONCE = 10;

function Watching({
  cameraId,
  everyMin,
  zone,
  take,
  onStop,
}: {
  readonly cameraId: string;
  readonly everyMin: number;
  readonly zone: string;
  readonly take: () => Promise<Blob | null>;
  readonly onStop: () => void;
}) {
  useAwake();
  const queries = useQueryClient();
  const waiting = useRef<Waiting[]>([]);
  const [said, setSaid] = useState(watchText.nothingYet);
  const [problem, setProblem] = useState<string | null>(null);
  const [left, setLeft] = useState(0);
  useEffect(() => {
    let next = nowMs();
    let busy = false;
    const once = async () => {
      const blob = await take();
      if (blob) waiting.current.push({ at: new Date(nowMs()).toISOString(), blob });
      waiting.current = waiting.current.slice(-MOST_WAITING);
      const sent = waiting.current.slice(0, AT_ONCE);
      if (sent.length === 0) return;
      const pictures = await Promise.all(
        sent.map(async (one) => ({ at: one.at, picture: await asBase64(one.blob) })),
      );
      const path = { params: { path: { camera_id: cameraId } } };
      const { data, error } = await http.POST("/api/cameras/{camera_id}/pictures", {
        ...path,
        body: { pictures },
      });
      setProblem(error ? error.errors.map(problemWords).join(" ") : null);
      const last = data?.at(-1);
      if (!last) return;
      waiting.current = waiting.current.slice(sent.length);
      const moment = when(last.at, nowMs(), zone);
      setSaid(
        last.level === null
          ? watchText.lastUnread(moment, UNREAD_WORDS[last.cause ?? "unsure"])
          : watchText.lastRead(moment, last.level),
      );
      void queries.invalidateQueries({ queryKey: ["get", "/api/jars/{jar_id}/watch"] });
    };
    const tick = () => {
      setLeft(Math.max(0, Math.round((next - nowMs()) / 1000)));
      if (busy || nowMs() < next) return;
      next = nowMs() + everyMin * 60_000;
      busy = true;
      void once().finally(() => {
        busy = false;
      });
    };
    tick();
    const timer = setInterval(tick, 1000);
    return () => clearInterval(timer);
  }, [cameraId, everyMin, queries, take, zone]);
  return (
    <section
      aria-label={watchText.watchingNow}
      className="flex w-full flex-col items-start gap-3 rounded-xl bg-[#14100c] p-6 text-[#b9a78f]"
    >
      <p className="text-xl font-semibold">{watchText.watchingNow}</p>
      <p aria-live="polite" className="text-2xl">
        {said}
      </p>
      <p>{watchText.nextIn(left)}</p>
      <p className="max-w-prose text-sm">{watchText.stayHere}</p>
      {problem && (
        <p role="alert" className="font-semibold text-[#ff8a84]">
          {problem}
        </p>
      )}
      <Button onClick={onStop}>{watchText.stop}</Button>
    </section>
  );
}
