import { useParams } from "react-router";
import { api } from "../../api/client";
import type { SharedJar } from "../../api/types";
import { JarDrawing } from "../../drawing/jar";
import { jarState } from "../../drawing/jar-state";
import { RiseLine } from "../../drawing/rise-line";
import { useTitle } from "../../lib/hooks";
import { times } from "../../lib/numbers";
import { when } from "../../lib/time";
import { Loading } from "../../ui/states";
import { appText, jarText, sharedText, stageLine } from "../../words";

/** One jar, to be looked at by a friend; nothing of it can be changed here, and nothing else seen. */
export function SharedPage() {
  const { token = "" } = useParams();
  const shared = api.useQuery(
    "get",
    "/api/shared/{token}",
    { params: { path: { token } } },
    { retry: false, refetchInterval: 300_000 },
  );
  useTitle(shared.data?.name ?? sharedText.aJar);
  return (
    <main className="mx-auto flex min-h-dvh w-full max-w-4xl flex-col gap-8 px-4 py-8">
      {shared.isPending && <Loading what={sharedText.lookingAtIt} />}
      {shared.error && <p role="alert">{sharedText.shownNoMore}</p>}
      {shared.data && <Told jar={shared.data} />}
      <p className="mt-auto text-soft">{sharedText.madeWith(appText.despertar)}</p>
    </main>
  );
}

function Told({ jar }: { readonly jar: SharedJar }) {
  const { now, time_zone: zone, rounds, since_feed: since } = jar;
  const drawn = rounds.map((round, index) => ({
    at: Date.parse(round.at),
    until: Date.parse(rounds[index + 1]?.at ?? now),
    high: round.high_mark,
    ratio: round.ratio,
    dots: round.levels.map(({ at, times: level, error }) => ({ at: Date.parse(at), times: level, error })),
  }));
  const highest = Math.max(1, ...drawn.flatMap(({ dots }) => dots.map((dot) => dot.times)));
  return (
    <>
      <div className="flex flex-wrap items-end gap-x-10 gap-y-4">
        <JarDrawing state={jarState({ ...jar, jar: jar.glass })} scale={1.9} />
        <div className="flex flex-col gap-2">
          <h1 className="text-4xl">{jar.name}</h1>
          <p className="text-xl">{sharedText.onDay(jar.day)}</p>
          {jar.stage && <p className="max-w-prose text-lg">{stageLine(jar.stage, now, zone)}</p>}
          {jar.is_ready && <p className="text-lg font-semibold">{sharedText.itIsReady}</p>}
          {since && <p className="text-soft">{sharedText.fed(when(since.fed_at, now, zone))}</p>}
        </div>
      </div>
      {drawn.length > 0 && (
        <div className="rounded-xl border border-rule bg-card p-2 sm:p-4">
          <RiseLine
            rounds={drawn}
            now={Date.parse(now)}
            zone={zone}
            summary={jarText.riseLineOfFeedsHighest(jar.name, rounds.length, times(highest))}
            doubled={jar.doubles_at}
          />
        </div>
      )}
    </>
  );
}
