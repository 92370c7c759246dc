import { useRef, useState } from "react";
import { useLog } from "../../api/older";
import { pictureAt } from "../../api/photos";
import type { OpenJar } from "../../api/types";
import { Legend, LookSign, Sign } from "../../drawing/legend";
import { RiseLine } from "../../drawing/rise-line";
import { times } from "../../lib/numbers";
import { dayWord, when } from "../../lib/time";
import { ButtonLink } from "../../ui/button";
import { Choice } from "../../ui/choice";
import { chapterTitle, commonText, jarText, lifeText, roundWords, watchText } from "../../words";
import { tell } from "./entry-words";
import { Outward } from "./Outward";

/** What stands on the line beside feeds and looks: changes, what was used, bakes that were planned. */
const MARKED: ReadonlySet<string> = new Set([
  "moved",
  "jar",
  "flour",
  "rhythm",
  "amount",
  "way",
  "use",
  "put_back",
]);

/** Every so many points of the forecast make a row of the table: three hours. */
const FAN_ROWS = 6;

function summaryOf({ jar, assessment }: OpenJar): string {
  const { rounds } = assessment;
  const levels = rounds.flatMap((round) => round.levels.map((level) => level.times));
  const highest = Math.max(1, ...levels, ...rounds.flatMap((round) => round.high_mark ?? []));
  return jarText.riseLineOfFeedsHighest(jar.name, rounds.length, times(highest));
}

export function Rise({ opened }: { readonly opened: OpenJar }) {
  const { assessment, now, time_zone: zone } = opened;
  const { rounds, chapters } = assessment;
  const [asked, setAsked] = useState<string | null>(null);
  const line = useRef<HTMLDivElement>(null);
  const { log } = useLog(opened, asked !== null);
  if (rounds.length === 0) return null;
  // A chapter that has only begun shows the one before it too.
  const told = chapters.filter(({ feeds }) => feeds > 0);
  const chosen = told.find(({ since }) => since === asked) ?? told.at(-1);
  const from = chosen && told.length > 1 ? Date.parse(chosen.since) : Number.NEGATIVE_INFINITY;
  const to = chosen?.until && chosen !== told.at(-1) ? Date.parse(chosen.until) : Number.POSITIVE_INFINITY;
  const inside = (at: number) => from <= at && at < to;
  const forecast = (Number.isFinite(to) ? [] : (assessment.forecast?.fan ?? [])).map((point) => ({
    ...point,
    at: Date.parse(point.at),
  }));
  const drawn = rounds
    .map((round, index) => ({
      at: Date.parse(round.at),
      until: Date.parse(rounds[index + 1]?.at ?? now),
      high: round.high_mark,
      ratio: round.ratio,
      dots: round.levels.map((level) => ({
        at: Date.parse(level.at),
        times: level.times,
        error: level.error,
      })),
    }))
    .filter(({ at }) => inside(at));
  const turns = log
    .filter((entry) => !entry.withdrawn && MARKED.has(entry.entry.kind) && inside(Date.parse(entry.entry.at)))
    .map(({ id, entry }) => ({ id, at: Date.parse(entry.at), ...tell(entry, null, now, zone) }));
  const chilled = assessment.chilled
    .map(({ since, until }) => ({
      from: Date.parse(since),
      until: Math.min(Date.parse(until ?? now), to),
    }))
    .filter((span) => inside(span.from));
  const photos = opened.photos
    .map(({ id, at }) => ({
      id,
      at: Date.parse(at),
      src: pictureAt(id, "small"),
    }))
    .filter(({ at }) => inside(at));
  return (
    <section aria-labelledby="rise" className="mt-10">
      <h2 id="rise" className="text-2xl">
        {jarText.riseLine}
      </h2>
      {told.length > 1 && chosen && (
        <div className="mt-2">
          <Choice
            label={lifeText.chapters}
            items={told.map((chapter) => ({
              value: chapter.since,
              label: chapterTitle(chapter),
              hint: dayWord(chapter.since, now, zone),
            }))}
            value={chosen.since}
            onChange={(next) => setAsked(next)}
          />
        </div>
      )}
      <div ref={line} className="mt-2 rounded-xl border border-rule bg-card p-2 sm:p-4">
        <RiseLine
          turns={turns}
          rounds={drawn}
          forecast={forecast}
          now={Math.min(Date.parse(now), to)}
          zone={zone}
          summary={summaryOf(opened)}
          photos={photos}
          chilled={chilled}
          doubled={assessment.doubles_at}
        />
        {photos.length > 0 && (
          <ButtonLink look="plain" to={`/jars/${opened.jar.id}/photos`}>
            {photos.length === 1 ? jarText.thePhoto : jarText.flipThroughPhotos(photos.length)}
          </ButtonLink>
        )}
        <Legend>
          <Sign words={jarText.feedLevelBackAtThe}>
            <circle cx="8" cy="8" r="5.500" fill="none" stroke="var(--crust)" strokeWidth="3" />
          </Sign>
          <LookSign words={jarText.look} />
          {drawn.some((round) => round.dots.some(({ error }) => error !== null)) && (
            <Sign words={watchText.legendWatched}>
              <path d="M0 8H16" stroke="var(--crust)" strokeWidth="7" opacity="0.25" />
              <path d="M0 8H16" stroke="var(--ink)" strokeWidth="2.200" />
            </Sign>
          )}
          {drawn.some((round) => round.high !== null) && (
            <Sign words={jarText.highMarkOnTheGlass}>
              <path
                d="M1 8H15"
                stroke="var(--soft)"
                strokeWidth="2"
                strokeDasharray="1 4"
                strokeLinecap="round"
              />
            </Sign>
          )}
          <Sign words={jarText.night}>
            <rect width="16" height="16" fill="var(--night)" stroke="var(--rule)" />
          </Sign>
          {chilled.length > 0 && (
            <Sign words={jarText.inTheFridge}>
              <rect y="4" width="16" height="8" fill="var(--water)" />
            </Sign>
          )}
          {forecast.length > 1 && (
            <Sign words={jarText.forecastFourOfFiveFall}>
              <rect width="16" height="16" fill="var(--dawn)" opacity="0.3" />
              <path d="M0 8H16" stroke="var(--dawn)" strokeWidth="2" strokeDasharray="2 4" />
            </Sign>
          )}
        </Legend>
      </div>
      <Outward jarId={opened.jar.id} name={opened.jar.name} drawn={line} />
      <details className="mt-2">
        <summary className="min-h-11 py-2 font-semibold text-crust">{jarText.theSameAsATable}</summary>
        <div className="overflow-x-auto">
          <table className="mt-1 w-full max-w-3xl border-collapse text-start">
            <thead>
              <tr className="border-b-2 border-rule">
                <th className="py-2 pe-4">{commonText.when}</th>
                <th className="py-2 pe-4">{jarText.what}</th>
                <th className="py-2">{commonText.level}</th>
              </tr>
            </thead>
            <tbody>
              {rounds.map((round) => [
                <tr key={round.feed_id} className="border-b border-rule">
                  <td className="py-1.5 pe-4">{when(round.at, now, zone)}</td>
                  <td className="py-1.5 pe-4">{roundWords(round.ratio)}</td>
                  <td className="py-1.5">{times(1)}</td>
                </tr>,
                ...round.levels.map((level) => (
                  <tr key={level.look_id} className="border-b border-rule">
                    <td className="py-1.5 pe-4">{when(level.at, now, zone)}</td>
                    <td className="py-1.5 pe-4">
                      {level.error === null ? commonText.look : watchText.legendWatched}
                    </td>
                    <td className="py-1.5">{times(level.times)}</td>
                  </tr>
                )),
                round.high_mark === null ? null : (
                  <tr key={`${round.feed_id}.high`} className="border-b border-rule">
                    <td className="py-1.5 pe-4">{jarText.afterThisFeed}</td>
                    <td className="py-1.5 pe-4">{commonText.highMark}</td>
                    <td className="py-1.5">{times(round.high_mark)}</td>
                  </tr>
                ),
              ])}
              {forecast
                .filter((_, index) => index > 0 && index % FAN_ROWS === 0)
                .slice(0, 8)
                .map((point) => (
                  <tr key={`fan.${point.at}`} className="border-b border-rule text-soft">
                    <td className="py-1.5 pe-4">{when(point.at, now, zone)}</td>
                    <td className="py-1.5 pe-4">{jarText.forecast}</td>
                    <td className="py-1.5">
                      {jarText.betweenAnd(times(point.middle), times(point.low), times(point.high))}
                    </td>
                  </tr>
                ))}
            </tbody>
          </table>
        </div>
      </details>
    </section>
  );
}
