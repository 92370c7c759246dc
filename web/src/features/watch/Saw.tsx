/** What a camera saw of a jar: the moments of a feed in words, its film, and the same as a table. */
import { useState } from "react";
import type { SeenFeed, Watch, WatchedMoment } from "../../api/types";
import { times } from "../../lib/numbers";
import { when } from "../../lib/time";
import { Choice } from "../../ui/choice";
import { watchText } from "../../words";
import { Film, saidOf } from "./Film";
import { seenOf } from "./seen";

/** One row of the table in so many. */
const ROWS = 24;

export function Saw({
  jarId,
  watch,
  now,
  zone,
}: {
  readonly jarId: string;
  readonly watch: Watch;
  readonly now: number;
  readonly zone: string;
}) {
  const [asked, setAsked] = useState<string | null>(null);
  const feed = watch.feeds.find(({ feed_id: id }) => id === asked) ?? watch.feeds[0];
  if (!feed) return null;
  return (
    <section aria-labelledby="saw" className="flex flex-col gap-4">
      <h2 id="saw" className="text-2xl">
        {watchText.saw}
      </h2>
      {watch.feeds.length > 1 && (
        <Choice
          label={watchText.feeds}
          items={watch.feeds.map((one) => ({ value: one.feed_id, label: when(one.at, now, zone) }))}
          value={feed.feed_id}
          onChange={setAsked}
        />
      )}
      <Moments feed={feed} now={now} zone={zone} />
      <Film key={feed.feed_id} jarId={jarId} feed={feed} now={now} zone={zone} />
      <Table feed={feed} now={now} zone={zone} />
    </section>
  );
}

function Moments({
  feed,
  now,
  zone,
}: {
  readonly feed: SeenFeed;
  readonly now: number;
  readonly zone: string;
}) {
  const told: [string, WatchedMoment | null][] = [
    [watchText.doubled, feed.doubled],
    [feed.peak ? watchText.peak : watchText.highest, feed.peak ?? feed.highest],
    [watchText.back, feed.back_to_line],
    [watchText.nearRim, feed.near_rim],
  ];
  return (
    <dl className="flex flex-wrap gap-x-10 gap-y-3">
      {told.map(
        ([name, moment]) =>
          moment && (
            <div key={name}>
              <dt className="text-soft">{name}</dt>
              <dd className="text-lg font-semibold">{momentWords(moment, now, zone)}</dd>
            </div>
          ),
      )}
    </dl>
  );
}

function momentWords({ at, times: level, sure }: WatchedMoment, now: number, zone: string): string {
  const said = watchText.atTimes(when(at, now, zone), level);
  return sure ? said : watchText.perhaps(said);
}

function Table({
  feed,
  now,
  zone,
}: {
  readonly feed: SeenFeed;
  readonly now: number;
  readonly zone: string;
}) {
  const { points } = seenOf(feed);
  const step = Math.max(1, Math.ceil(points.length / ROWS));
  return (
    <details>
      <summary className="min-h-11 py-2 font-semibold text-crust">{watchText.asTable}</summary>
      <table className="mt-1 w-full max-w-xl border-collapse text-start">
        <tbody>
          {points
            .filter((_, number) => number % step === 0)
            .map((one) => (
              <tr key={one.at} className="border-b border-rule">
                <th scope="row" className="py-1.5 pe-4 text-start font-normal">
                  {when(one.at, now, zone)}
                </th>
                <td className="py-1.5 pe-4">{saidOf(one)}</td>
                <td className="py-1.5 text-soft">
                  {one.error !== null && `${watchText.error} ${times(one.error)}`}
                </td>
              </tr>
            ))}
        </tbody>
      </table>
    </details>
  );
}
