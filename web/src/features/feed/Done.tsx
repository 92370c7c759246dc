import { useSearchParams } from "react-router";
import { api } from "../../api/client";
import type { FeedBody, OpenJar, Sheet } from "../../api/types";
import { nowIso } from "../../lib/clock";
import { times } from "../../lib/numbers";
import { afterInRound, nextInRound } from "../../lib/round";
import { clock, dateWords, when } from "../../lib/time";
import { Button, ButtonLink } from "../../ui/button";
import { commonText, FLOUR_WORDS, feedText, ratioWords } from "../../words";

export type Fed = {
  readonly jarId: string;
  readonly feed: FeedBody;
  readonly sheet: Sheet;
  readonly waits: boolean;
};

/** Fed: when next, and a label for the jar that wants one. */
export function Done({ opened, fed }: { readonly opened: OpenJar; readonly fed: Fed }) {
  const { jar, time_zone: zone } = opened;
  const now = nowIso();
  const { feed, sheet } = fed;
  const { ratio, then_due: thenDue, doubles_at: doubled } = sheet;
  const flours = feed.flours.map((part) => FLOUR_WORDS[part.flour]).join(", ");
  return (
    <div className="mx-auto flex max-w-xl flex-col items-start gap-6 pt-10">
      <div className="print:hidden">
        <h1 className="text-4xl">
          {feed.keep_g === 0 ? feedText.isMixed(jar.name) : feedText.isFed(jar.name)}
        </h1>
        <p className="mt-3 text-2xl">
          {thenDue
            ? feedText.next(when(thenDue, now, zone))
            : fed.waits
              ? feedText.theNextTimeIsWorked
              : feedText.nothingMoreIsPlanned}
        </p>
      </div>
      <section
        aria-label={feedText.jarLabel}
        className="w-80 max-w-full border-2 border-ink bg-[#fffcf5] p-4 text-[#2a211a]"
      >
        <p className="flex items-baseline justify-between gap-4">
          <span className="font-serif text-2xl">{jar.name}</span>
          <span className="text-lg font-bold">{ratioWords(ratio)}</span>
        </p>
        <p>{flours}</p>
        <p className="mt-1">
          {dateWords(feed.at, zone)} {clock(feed.at, zone)}
          {thenDue && feedText.next2(when(thenDue, now, zone))}
        </p>
        <p className="mt-3 border-t-2 border-dashed border-[#2a211a] pt-1 text-sm">
          {feedText.lineHoldThisEdgeAt(times(doubled))}
        </p>
      </section>
      <div className="flex flex-wrap gap-3 print:hidden">
        <GoOn jarId={jar.id} />
        <Button onClick={() => window.print()}>{feedText.printTheLabel}</Button>
      </div>
    </div>
  );
}

/** Home, or in a round over a few jars to the next of them. */
function GoOn({ jarId }: { readonly jarId: string }) {
  const [search] = useSearchParams();
  const round = search.get("round");
  const kitchen = api.useQuery("get", "/api/kitchen", {}, { enabled: round !== null });
  if (!round)
    return (
      <ButtonLink look="act" to={`/?jar=${jarId}`}>
        {commonText.toTheKitchen}
      </ButtonLink>
    );
  const next = nextInRound(jarId, round);
  const name = kitchen.data?.jars.find(({ jar }) => jar.id === next)?.jar.name;
  return (
    <ButtonLink look="act" to={afterInRound("feed", jarId, round, search.get("trial"))}>
      {next ? feedText.nextFeed(name ?? "") : feedText.backToTheJars}
    </ButtonLink>
  );
}
