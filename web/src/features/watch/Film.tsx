/** A feed's pictures run through like a film, with what was read off each. */
import { useEffect, useState } from "react";
import type { SeenFeed } from "../../api/types";
import { times } from "../../lib/numbers";
import { when } from "../../lib/time";
import { Button } from "../../ui/button";
import { UNREAD_WORDS, watchText } from "../../words";
import { Curve } from "./Curve";
import { frameAt, type SeenPoint, seenOf } from "./seen";

const FRAME_MS = 140;
const LINK =
  "inline-flex min-h-11 items-center px-3 font-semibold text-crust underline-offset-4 hover:underline";

export function Film({
  jarId,
  feed,
  now,
  zone,
}: {
  readonly jarId: string;
  readonly feed: SeenFeed;
  readonly now: number;
  readonly zone: string;
}) {
  const seen = seenOf(feed);
  const { points } = seen;
  const [chosen, setChosen] = useState<number | null>(null);
  const [runs, setRuns] = useState(false);
  const at = Math.min(chosen ?? points.length - 1, points.length - 1);
  const shown = points[at];
  useEffect(() => {
    if (!runs) return;
    const timer = setInterval(
      () => setChosen((before) => Math.min((before ?? 0) + 1, points.length - 1)),
      FRAME_MS,
    );
    return () => clearInterval(timer);
  }, [runs, points.length]);
  useEffect(() => {
    if (runs && at >= points.length - 1) setRuns(false);
  }, [runs, at, points.length]);
  const moment = when(feed.at, now, zone);
  const path = `/api/jars/${jarId}/watch/${feed.feed_id}`;
  return (
    <div className="grid gap-6 md:grid-cols-[1fr_15rem]">
      <div className="flex min-w-0 flex-col gap-2">
        <div className="rounded-xl border border-rule bg-card p-2 sm:p-4">
          <Curve
            seen={seen}
            at={chosen === null ? null : (shown?.at ?? null)}
            zone={zone}
            now={now}
            moment={moment}
          />
        </div>
        <label className="flex flex-col gap-1 font-semibold">
          {watchText.film}
          <input
            type="range"
            min={0}
            max={Math.max(0, points.length - 1)}
            value={at}
            aria-valuetext={shown ? watchText.pictureAt(when(shown.at, now, zone), saidOf(shown)) : ""}
            onChange={(event) => {
              setRuns(false);
              setChosen(Number(event.target.value));
            }}
            className="min-h-11 w-full accent-crust"
          />
        </label>
        <p className="-ms-3 flex flex-wrap">
          <Button
            look="plain"
            onClick={() => {
              if (!runs && at >= points.length - 1) setChosen(0);
              setRuns(!runs);
            }}
          >
            {runs ? watchText.pause : watchText.play}
          </Button>
          <a className={LINK} href={`${path}.webp`} download>
            {watchText.saveFilm}
          </a>
          <a className={LINK} href={`${path}.csv`} download>
            {watchText.saveTable}
          </a>
        </p>
      </div>
      {shown && (
        <figure className="flex flex-col gap-2">
          {shown.picture === null ? (
            <p className="flex aspect-[3/4] items-center justify-center rounded-lg border border-rule bg-card p-4 text-center text-soft">
              {watchText.gone}
            </p>
          ) : (
            <img
              src={frameAt(shown.picture)}
              alt={watchText.pictureAt(when(shown.at, now, zone), saidOf(shown))}
              className="max-h-80 w-full rounded-lg object-contain"
            />
          )}
          <figcaption>
            <span className="font-semibold">{when(shown.at, now, zone)}</span>
            <span className="block">{saidOf(shown)}</span>
          </figcaption>
        </figure>
      )}
    </div>
  );
}

export function saidOf(point: SeenPoint): string {
  if (point.level !== null) return times(point.level);
  return `${watchText.cannotRead}: ${UNREAD_WORDS[point.cause ?? "unsure"]}`;
}
