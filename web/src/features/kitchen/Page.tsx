import { lazy } from "react";
import { Link, useSearchParams } from "react-router";
import { api } from "../../api/client";
import type { Glance, Kitchen } from "../../api/types";
import { DiscardDrawing } from "../../drawing/discard";
import { JarDrawing } from "../../drawing/jar";
import { jarState } from "../../drawing/jar-state";
import { useTitle, useWidth } from "../../lib/hooks";
import { dayWord } from "../../lib/time";
import { ButtonLink } from "../../ui/button";
import { ShelfTabs } from "../../ui/shelf-tabs";
import { Loading, OutOfReach } from "../../ui/states";
import {
  commonText,
  DISCARD_NAMES,
  discardShort,
  discardSign,
  FLOUR_WORDS,
  kitchenText,
  shortMove,
} from "../../words";
import { Bench } from "./Bench";

// Seen once, by who is new.
const EmptyShelf = lazy(async () => ({ default: (await import("./Empty")).EmptyShelf }));

/** Which jar wants the baker first: danger, then what is late, then by the clock. */
function urgency({ next_move: next }: Glance): number {
  if (next.move === "bin") return 0;
  if (next.move === "nothing" || next.move === "binned") return Number.MAX_SAFE_INTEGER;
  return next.due ? Date.parse(next.due) : 1;
}

export function KitchenPage() {
  useTitle(commonText.kitchen);
  const kitchen = api.useQuery("get", "/api/kitchen", {}, { refetchInterval: 60_000 });
  if (kitchen.isPending) return <Loading what={kitchenText.lookingAtTheJars} />;
  if (!kitchen.data) return <OutOfReach onRetry={() => void kitchen.refetch()} />;
  const { away } = kitchen.data;
  return (
    <>
      {kitchen.isError && <p className="py-2 text-soft">{kitchenText.theKitchenCannotBeReached}</p>}
      {kitchen.data.unread.map((jar) => (
        <p key={jar.id} className="mt-4 flex flex-wrap items-center gap-x-4 border-s-4 border-dawn ps-4">
          <span className="font-semibold">{kitchenText.cannotBeReadJustNow(jar.name)}</span>
          <ButtonLink look="quiet" to={`/jars/${jar.id}`}>
            {kitchenText.seeWhy(jar.name)}
          </ButtonLink>
        </p>
      ))}
      {(kitchen.data.jars.length > 0 || kitchen.data.unread.length === 0) && <Shelf kitchen={kitchen.data} />}
      <FlourShort />
      {away.length > 0 && (
        <p className="mt-10 text-soft">
          {kitchenText.putAway}{" "}
          {away.map((jar) => (
            <ButtonLink key={jar.id} look="plain" to={`/jars/${jar.id}`}>
              {jar.name}
            </ButtonLink>
          ))}
        </p>
      )}
    </>
  );
}

/** More jars than these stand a little smaller, so that all are in sight. */
const MANY = 5;

function Shelf({ kitchen }: { readonly kitchen: Kitchen }) {
  const [search, setSearch] = useSearchParams();
  const [frame, width] = useWidth<HTMLDivElement>();
  const { jars } = kitchen;
  const first = [...jars].sort((a, b) => urgency(a) - urgency(b))[0];
  const chosen = jars.find((one) => one.jar.id === search.get("jar")) ?? first;
  if (!chosen) return <EmptyShelf />;
  const living = jars.filter(
    (one) => one.in_jar && !one.binned_at && !one.rests_since && one.next_move.move !== "bin",
  );
  // What rests stands on a shelf of its own, at the end.
  const placed = [...jars.filter((one) => !one.rests_since), ...jars.filter((one) => one.rests_since)];
  // On a phone so small that what to do is in the first screen, and a second jar in sight.
  const scale = width > 0 && width < 600 ? 0.75 : jars.length > MANY ? 1.25 : 1.9;
  return (
    <div ref={frame} className="pt-1 sm:pt-6">
      <h1 className="sr-only">{commonText.kitchen}</h1>
      <ShelfTabs
        label={kitchenText.jars}
        value={chosen.jar.id}
        onChange={(jar) => setSearch({ jar }, { replace: true })}
        items={placed.map((one) => ({
          value: one.jar.id,
          content: <OnShelf one={one} kitchen={kitchen} scale={scale} />,
        }))}
        beside={<DiscardOnShelf scale={scale} />}
        rest={<RestOfShelf cool={placed.at(-1)?.rests_since != null} />}
      >
        <Bench one={chosen} kitchen={kitchen} />
      </ShelfTabs>
      {living.length > 1 && living[0] && (
        <p className="mt-10">
          <ButtonLink look="quiet" to={`/jars/${living[0].jar.id}/look?round=1`}>
            {kitchenText.lookAtAllOneAfter(living.length)}
          </ButtonLink>
          <ButtonLink look="plain" to={`/jars/${chosen.jar.id}/beside`}>
            {kitchenText.sideBySide}
          </ButtonLink>
        </p>
      )}
      <SideBySide />
    </div>
  );
}

/** What is raised side by side, where anything is. */
function SideBySide() {
  const found = api.useQuery("get", "/api/trials", {}, { staleTime: 60_000, retry: false });
  const running = found.data?.filter(({ ended_at: ended }) => ended === null) ?? [];
  return running.map(({ id, name }) => (
    <p key={id} className="mt-4 flex flex-wrap items-center gap-x-4 border-s-4 border-water ps-4">
      <span>{kitchenText.sideBySideRuns(name)}</span>
      <ButtonLink look="plain" to={`/trials/${id}`}>
        {kitchenText.seeHowTheyStand}
      </ButtonLink>
    </p>
  ));
}

// Sooner than this a baker had better buy some.
const SHORT_MS = 3 * 86_400_000;

/** The flour that runs out in the next days, of what was weighed. */
function FlourShort() {
  const stock = api.useQuery("get", "/api/stock", {}, { staleTime: 600_000, retry: false });
  if (!stock.data) return null;
  const { kinds, now, time_zone: zone } = stock.data;
  const short = kinds.filter(
    ({ bags, runs_out_at: out }) => bags.length > 0 && out && Date.parse(out) - Date.parse(now) < SHORT_MS,
  );
  if (short.length === 0) return null;
  return (
    <p className="mt-10 flex flex-wrap items-center gap-x-4 border-s-4 border-dawn ps-4">
      {short.map(({ flour, runs_out_at: out }) => (
        <span key={flour}>{kitchenText.enoughUntil(FLOUR_WORDS[flour], dayWord(out ?? now, now, zone))}</span>
      ))}
      <ButtonLink look="plain" to="/flour">
        {kitchenText.seeTheShelf}
      </ButtonLink>
    </p>
  );
}

/** What the jars gave, where there is any: it stands in the fridge, and is a place of its own. */
function DiscardOnShelf({ scale }: { readonly scale: number }) {
  const discard = api.useQuery("get", "/api/discard", {}, { staleTime: 30_000, retry: false });
  const jars = discard.data?.jars.filter(({ total_g: g, signs }) => g > 0 || signs.length > 0) ?? [];
  if (!discard.data || jars.length === 0) return null;
  const { now } = discard.data;
  return jars.map((jar) => {
    const [worst] = jar.signs.map((sign) => discardSign(sign, jar)).filter(({ grave }) => grave !== "normal");
    return (
      <Link
        key={jar.shelf}
        to="/discard"
        className="flex shrink-0 flex-col items-center rounded-t-lg px-2 pt-2 text-ink no-underline sm:px-3"
      >
        <DiscardDrawing
          totalG={jar.total_g}
          flours={jar.flours}
          top={[]}
          holdsMl={jar.holds_ml}
          scale={scale}
        />
        <Plank cool />
        <span className="mt-2 border-2 border-transparent px-3 py-1 text-center leading-tight">
          <span className="block font-serif text-lg">{DISCARD_NAMES[jar.shelf]}</span>
          <span className={`block text-[0.9rem] ${worst ? "font-bold text-alarm" : "text-soft"}`}>
            {worst ? kitchenText.lookAtIt : discardShort(jar, now)}
          </span>
        </span>
      </Link>
    );
  });
}

function OnShelf({
  one,
  kitchen,
  scale,
}: {
  readonly one: Glance;
  readonly kitchen: Kitchen;
  readonly scale: number;
}) {
  const alarm = one.next_move.move === "bin";
  const session = api.useQuery("get", "/api/session");
  const me = session.data?.account?.name;
  const shared = me !== undefined && one.jar.owner !== me;
  return (
    <span className="flex flex-col items-center">
      <JarDrawing state={jarState({ ...one, jar: one.glass })} scale={scale} />
      <Plank cool={one.rests_since !== null} />
      <span className="mt-2 rounded-md border-2 border-transparent px-3 py-1 text-center leading-tight group-data-[state=active]:border-crust group-data-[state=active]:bg-card">
        <span className="block font-serif text-lg">{one.jar.name}</span>
        {shared && <span className="block text-[0.9rem] text-soft">{kitchenText.ofIt(one.jar.owner)}</span>}
        <span className={`block text-[0.9rem] ${alarm ? "font-bold text-alarm" : "text-soft"}`}>
          {shortMove(one.next_move, kitchen.now, kitchen.time_zone)}
        </span>
      </span>
    </span>
  );
}

/** A board of the shelf; the one in the fridge is of glass. */
function Plank({ cool = false }: { readonly cool?: boolean }) {
  const look = cool
    ? "border-[var(--cool-edge)] bg-[var(--cool)]"
    : "border-[var(--plank-edge)] bg-[var(--plank)]";
  return <span className={`h-3 w-[calc(100%+3.5rem)] shrink-0 border-b-4 ${look}`} />;
}

/** The plank goes on to the wall; the invisible label keeps it level with the others. */
function RestOfShelf({ cool }: { readonly cool: boolean }) {
  return (
    <span aria-hidden="true" className="-me-1 -ms-3 flex grow flex-col items-center overflow-hidden sm:-ms-6">
      <Plank cool={cool} />
      <span className="invisible mt-2 border-2 py-1 leading-tight">
        <span className="block font-serif text-lg">.</span>
        <span className="block text-[0.9rem]">.</span>
      </span>
    </span>
  );
}
