import { lazy, Suspense } from "react";
import { useNavigate } from "react-router";
import type { Glance, Kitchen, Outlook } from "../../api/types";
import { leaveAlone, setOnShelf } from "../../api/writes";
import { nowMs } from "../../lib/clock";
import { grams, percent, times } from "../../lib/numbers";
import { feedKey, isBegun } from "../../lib/store";
import { nextMorning, when } from "../../lib/time";
import { Caution, OpenAdvice } from "../../parts/advice";
import { DeedButton, useDeed, useNoting } from "../../parts/noting";
import { Button, ButtonLink } from "../../ui/button";
import { Menu } from "../../ui/menu";
import { SignNote } from "../../ui/sign-note";
import {
  commonText,
  DEED_OF,
  findingLine,
  kitchenText,
  NORMAL_WORDS,
  nextMove,
  readyWords,
  risingWords,
  STAGE_NAMES,
  signNote,
} from "../../words";

// For who types faster than they press; the bench does not wait for it.
const QuickLine = lazy(async () => ({ default: (await import("./Quick")).QuickLine }));

/** The chosen jar on the bench: what to do now, and how it is doing. */
export function Bench({ one, kitchen }: { readonly one: Glance; readonly kitchen: Kitchen }) {
  const { now, time_zone: zone } = kitchen;
  const { what, how } = nextMove({ name: one.jar.name, move: one.next_move, now, zone });
  const danger = one.next_move.move === "bin";
  return (
    <section className="mt-3 grid gap-8 border-t-2 border-rule pt-3 sm:mt-6 sm:pt-6 md:grid-cols-[1fr_20rem]">
      <div className="flex flex-col gap-3 sm:gap-4">
        {one.asks_how_to_keep && !danger && (
          <div className="flex max-w-prose flex-wrap items-center gap-3 rounded-xl border-2 border-leaf bg-card p-4">
            <span className="grow">{commonText.howOftenFor(one.jar.name)}</span>
            <ButtonLink look="act" to={`/jars/${one.jar.id}/keep`}>
              {commonText.sayIt}
            </ButtonLink>
          </div>
        )}
        {danger && one.findings[0] && (
          <p className="font-semibold text-alarm">{findingLine(one.findings[0], now, zone)}</p>
        )}
        <h2 className={`text-2xl sm:text-4xl ${danger ? "text-alarm" : ""}`}>{what}</h2>
        {how && <p className="max-w-prose text-lg">{how}</p>}
        <Acts one={one} zone={zone} />
        {!danger && <Found one={one} />}
        {!danger && <OpenAdvice jar={one.jar} counsel={one.counsel} now={now} zone={zone} most={1} />}
        <Caution notices={one.notices} />
        {one.rise && <Rising one={one} now={now} zone={zone} />}
        {!danger && one.in_jar && one.binned_at === null && (
          <Suspense>
            <QuickLine one={one} />
          </Suspense>
        )}
      </div>
      <Doing one={one} now={now} zone={zone} />
    </section>
  );
}

/** The most urgent thing found that is not simply normal. */
function Found({ one }: { readonly one: Glance }) {
  const [first] = one.findings.map(signNote);
  return first && first.grave !== "normal" ? <SignNote {...first} /> : null;
}

/** What is still to come is news on the bench; the rest stands on the jar's own page. */
const TELLS: ReadonlySet<Outlook> = new Set(["doubles", "peaks"]);

/** In short, what is forecast. */
function Rising({ one, now, zone }: { readonly one: Glance; readonly now: string; readonly zone: string }) {
  const { rise } = one;
  if (!rise) return null;
  const lines = [];
  if (TELLS.has(rise.outlook)) lines.push(risingWords(rise.outlook, rise, now, zone));
  if (rise.ready_ahead) lines.push(readyWords(rise.ready_ahead, now, zone));
  if (lines.length === 0) return null;
  return (
    <p className="max-w-prose border-s-4 border-dawn ps-4">
      <span className="block text-sm text-soft">{kitchenText.forecast}</span>
      {lines.join(" ")}
    </p>
  );
}

function Acts({ one, zone }: { readonly one: Glance; readonly zone: string }) {
  const jar = `/jars/${one.jar.id}`;
  const { move, state } = one.next_move;
  if (move === "bin") return <BinIt one={one} />;
  if (move === "nothing" || move === "binned") return <PutAway one={one} />;
  const isTime = state !== "not_yet" && state !== "waiting" && state !== "resting";
  const deed = DEED_OF[move];
  const begun = isBegun(feedKey(one.jar.id));
  if (move === "use" || move === "rest") return <Between one={one} />;
  return (
    <div className="flex flex-wrap gap-3">
      {move === "mix" ? (
        <>
          <ButtonLink look="act" to={`${jar}/feed`}>
            {begun ? kitchenText.goOnWeighing : commonText.mixIt}
          </ButtonLink>
          {one.jar.family === "wake_and_keep" && (
            <ButtonLink to={`${jar}/bake`}>{commonText.planABake}</ButtonLink>
          )}
        </>
      ) : (
        <>
          {deed && <DeedButton jar={one.jar} did={deed.deed} label={deed.label} />}
          <ButtonLink look={begun || (isTime && !deed) ? "act" : "quiet"} to={`${jar}/feed`}>
            {begun ? kitchenText.goOnWeighing : commonText.feed}
          </ButtonLink>
          <ButtonLink look={begun || isTime || deed ? "quiet" : "act"} to={`${jar}/look`}>
            {commonText.look}
          </ButtonLink>
          {isTime && <NotNow one={one} zone={zone} />}
          <More one={one} />
          <ButtonLink look="plain" to={`/signs?jar=${one.jar.id}`}>
            {commonText.somethingIsWrong}
          </ButtonLink>
        </>
      )}
      <ButtonLink look="plain" to={jar}>
        {kitchenText.riseLineAndLog}
      </ButtonLink>
      <ButtonLink look="plain" to={`${jar}/plan`}>
        {commonText.plan}
      </ButtonLink>
    </div>
  );
}

/** What rests, and what is about to go into a dough: its own page has the rest. */
function Between({ one }: { readonly one: Glance }) {
  const jar = `/jars/${one.jar.id}`;
  return (
    <div className="flex flex-wrap gap-3">
      {one.next_move.move === "use" ? (
        <ButtonLink look="act" to={`${jar}/part?for=dough`}>
          {commonText.takeSome}
        </ButtonLink>
      ) : (
        <ButtonLink look="act" to={`${jar}/bake`}>
          {commonText.planABake}
        </ButtonLink>
      )}
      <ButtonLink to={`${jar}/look`}>{commonText.look}</ButtonLink>
      <ButtonLink to={`${jar}/feed`}>{commonText.feed}</ButtonLink>
      <More one={one} />
      <ButtonLink look="plain" to={jar}>
        {kitchenText.riseLineAndLog}
      </ButtonLink>
    </div>
  );
}

const LATER_MS = 3 * 3_600_000;

/** The plan bends to the baker: later, or not at all this time. */
function NotNow({ one, zone }: { readonly one: Glance; readonly zone: string }) {
  const { name, id } = one.jar;
  const note = useNoting();
  const navigate = useNavigate();
  const leave = (noted: string, until: string) =>
    note(noted, (entry) => leaveAlone(id, entry, until, kitchenText.leavingAlone(name)));
  const deed = useDeed(one.jar);
  return (
    <Menu
      label={kitchenText.notNowFor(name)}
      trigger={<span className="px-2">{commonText.notNow}</span>}
      items={[
        {
          label: kitchenText.laterTodayInThreeHours,
          run: () => leave(kitchenText.leftForThreeHours, new Date(nowMs() + LATER_MS).toISOString()),
        },
        {
          label: kitchenText.leaveItAloneUntilTomorrow,
          run: () => leave(kitchenText.leftAloneUntilTomorrow, nextMorning(nowMs(), zone)),
        },
        { label: kitchenText.leaveThisOneOut, run: () => deed("skipped") },
        { label: kitchenText.iDidItAlready, run: () => void navigate(`/jars/${id}/feed?already=1`) },
      ]}
    />
  );
}

/** What may be done to a jar at any hour, plan or no plan. */
function More({ one }: { readonly one: Glance }) {
  const { name, id } = one.jar;
  const navigate = useNavigate();
  const deed = useDeed(one.jar);
  const moved =
    one.stage?.stage === "resting"
      ? { label: kitchenText.itCameOutOfThe, run: () => deed("to_counter") }
      : { label: kitchenText.itWentIntoTheFridge, run: () => deed("to_fridge") };
  return (
    <Menu
      label={kitchenText.moreFor(name)}
      trigger={<span className="px-2">{kitchenText.more}</span>}
      items={[
        { label: kitchenText.iStirredIt, run: () => deed("stirred") },
        moved,
        { label: kitchenText.iFedItSomeTime, run: () => void navigate(`/jars/${id}/feed?already=1`) },
        { label: commonText.planABake, run: () => void navigate(`/jars/${id}/bake`) },
        { label: kitchenText.itStandsElsewhereNow, run: () => void navigate(`/jars/${id}/change/moved`) },
        { label: commonText.changeSomething, run: () => void navigate(`/jars/${id}/change`) },
        { label: commonText.takeSome, run: () => void navigate(`/jars/${id}/part`) },
        { label: kitchenText.iSweetenedIt, run: () => deed("sweetened") },
        { label: kitchenText.iAddedYeast, run: () => deed("yeast_added") },
      ]}
    />
  );
}

/** Binning is led through on a page of its own. */
function BinIt({ one }: { readonly one: Glance }) {
  const { id } = one.jar;
  return (
    <div className="flex flex-wrap gap-3">
      <ButtonLink look="alarm" to={`/jars/${id}/bin`}>
        {commonText.binItStepByStep}
      </ButtonLink>
      <ButtonLink look="plain" to={`/jars/${id}`}>
        {kitchenText.riseLineAndLog}
      </ButtonLink>
    </div>
  );
}

function PutAway({ one }: { readonly one: Glance }) {
  const { name, id } = one.jar;
  return (
    <div className="flex flex-wrap gap-3">
      <ButtonLink look="act" to={`/new?like=${id}`}>
        {commonText.beginAgainTheSameWay}
      </ButtonLink>
      <Button onClick={() => void setOnShelf(id, false, kitchenText.puttingAway(name))}>
        {commonText.putItAway}
      </Button>
      <ButtonLink look="plain" to={`/jars/${id}`}>
        {kitchenText.riseLineAndLog}
      </ButtonLink>
    </div>
  );
}

function Doing({ one, now, zone }: { readonly one: Glance; readonly now: string; readonly zone: string }) {
  const { since_feed: since, in_jar: held, day, normal, stage } = one;
  // Who measures by hand has no use for grams and shares of them.
  const byHand = one.next_move.plan?.by_hand != null;
  return (
    <aside aria-label={kitchenText.howIsDoing(one.jar.name)} className="flex flex-col gap-4">
      <dl className="grid grid-cols-[auto_1fr] gap-x-4 gap-y-1.5">
        {day > 0 && <Fact name={kitchenText.day} value={String(day)} />}
        {stage && <Fact name={kitchenText.stage} value={STAGE_NAMES[stage.stage]} />}
        {one.next_bake && (
          <Fact
            name={commonText.nextBake}
            value={commonText.bakeLine(grams(one.next_bake.grams), when(one.next_bake.mixed_at, now, zone))}
          />
        )}
        {since && (
          <Fact
            name={since.is_first_mix ? kitchenText.mixed : kitchenText.fed}
            value={when(since.fed_at, now, zone)}
          />
        )}
        {since?.last && (
          <Fact
            name={commonText.level}
            value={`${times(since.last.times)} ${when(since.last.at, now, zone)}`}
          />
        )}
        {since?.highest && since.last && since.highest.times > since.last.times && (
          <Fact name={kitchenText.highest} value={highestWords(since.highest, since.last, now, zone)} />
        )}
        {held && !byHand && <Fact name={kitchenText.inTheJar} value={grams(Math.round(held.total_g))} />}
        {held?.hydration_percent != null && !byHand && (
          <Fact name={kitchenText.hydration} value={percent(held.hydration_percent)} />
        )}
      </dl>
      {normal && stage?.stage !== "steady" && stage?.stage !== "resting" && (
        <p className="border-s-4 border-rule ps-4">
          <span className="block font-semibold">{kitchenText.normalOnDay(day)}</span>
          {NORMAL_WORDS[normal]}
        </p>
      )}
    </aside>
  );
}

/** A level that was seen, or the mark that it left on the glass. */
function highestWords(
  highest: { readonly times: number; readonly at: string },
  last: { readonly at: string },
  now: string,
  zone: string,
): string {
  const how = highest.at === last.at ? kitchenText.byItsMarkOnThe : when(highest.at, now, zone);
  return `${times(highest.times)} ${how}`;
}

function Fact({ name, value }: { readonly name: string; readonly value: string }) {
  return (
    <>
      <dt className="text-soft">{name}</dt>
      <dd className="font-semibold">{value}</dd>
    </>
  );
}
