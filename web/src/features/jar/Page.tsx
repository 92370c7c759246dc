import { Link, useParams } from "react-router";
import { api, isNotThere, isUnreadable } from "../../api/client";
import type { OpenJar } from "../../api/types";
import { setOnShelf } from "../../api/writes";
import { JarDrawing } from "../../drawing/jar";
import { jarState } from "../../drawing/jar-state";
import { useTitle } from "../../lib/hooks";
import { grams, percent } from "../../lib/numbers";
import { AnsweredAdvice, Caution, OpenAdvice } from "../../parts/advice";
import { DeedButton } from "../../parts/noting";
import { Button, ButtonLink } from "../../ui/button";
import { Loading, OutOfReach } from "../../ui/states";
import {
  commonText,
  DEED_OF,
  findingLine,
  flourList,
  jarText,
  lifeText,
  nextMove,
  stageLine,
  watchText,
} from "../../words";
import { Ahead } from "./Ahead";
import { Changes, Coming } from "./Coming";
import { Found, ReadyOrNot } from "./Judged";
import { DriedOfIt, HowItGoesOn, LeftAlone, Lineage, MixDough, NextBake, Rests } from "./Life";
import { Log } from "./Log";
import { Rise } from "./Rise";
import { UnreadPage } from "./Unread";
import { WatchedByCamera } from "./Watched";

export function JarPage() {
  const { jarId = "" } = useParams();
  const opened = api.useQuery(
    "get",
    "/api/jars/{jar_id}",
    { params: { path: { jar_id: jarId } } },
    { refetchInterval: 60_000 },
  );
  useTitle(opened.data?.jar.name ?? commonText.jar);
  if (opened.isPending) return <Loading what={commonText.openingTheJar} />;
  if (isUnreadable(opened.error)) {
    return <UnreadPage jarId={jarId} onMended={() => void opened.refetch()} />;
  }
  if (!opened.data) {
    return isNotThere(opened.error) ? <NotHere /> : <OutOfReach onRetry={() => void opened.refetch()} />;
  }
  return <Opened opened={opened.data} />;
}

function NotHere() {
  return (
    <div className="mx-auto flex max-w-md flex-col items-start gap-4 py-16">
      <h1 className="text-3xl">{jarText.thisJarIsNotOn}</h1>
      <ButtonLink look="act" to="/">
        {commonText.toTheKitchen}
      </ButtonLink>
    </div>
  );
}

function Opened({ opened }: { readonly opened: OpenJar }) {
  const { jar, assessment, now, time_zone: zone } = opened;
  const { what, how } = nextMove({ name: jar.name, move: assessment.next_move, now, zone });
  const danger = assessment.next_move.move === "bin";
  const binned = assessment.binned_at !== null;
  return (
    <article className="pt-6">
      <div className="grid gap-8 sm:grid-cols-[auto_1fr]">
        <div className="hidden sm:block">
          <JarDrawing state={jarState({ ...assessment, jar: assessment.stands.vessel })} scale={2} />
        </div>
        <div className="flex flex-col gap-3">
          <h1 className="text-4xl">{jar.name}</h1>
          {assessment.stage && !danger && !binned && (
            <p className="font-semibold">
              {stageLine(assessment.stage, now, zone, assessment.readiness?.rises_no_more)}
            </p>
          )}
          <p className="text-soft">{facts(opened)}</p>
          <Lineage opened={opened} />
          {!binned && !danger && <Rests opened={opened} />}
          {danger && assessment.findings[0] && (
            <p className="font-semibold text-alarm">
              {findingLine(assessment.findings[0], now, zone)}{" "}
              {assessment.findings[0].look_id && (
                <Link to={`/jars/${jar.id}/log/${assessment.findings[0].look_id}`} className="underline">
                  {jarText.notedByMistakeChangeThat}
                </Link>
              )}
            </p>
          )}
          <p className={`font-serif text-2xl ${danger ? "text-alarm" : ""}`}>{what}</p>
          {how && <p className="max-w-prose">{how}</p>}
          <WatchedByCamera opened={opened} />
          <Acts opened={opened} />
          {!binned && !danger && <LeftAlone opened={opened} />}
          {!binned && !danger && <HowItGoesOn opened={opened} />}
          {!binned && !danger && <NextBake opened={opened} />}
          {!danger && (
            <div className="mt-2 grid gap-x-10 gap-y-4 lg:grid-cols-2">
              <div className="flex flex-col gap-4">
                <Found opened={opened} />
                <OpenAdvice jar={jar} counsel={assessment.counsel} now={now} zone={zone} most={2} />
                <AnsweredAdvice jar={jar} counsel={assessment.counsel} />
                <Caution notices={assessment.notices} />
                <Ahead opened={opened} />
              </div>
              <div className="flex flex-col gap-6">
                <ReadyOrNot opened={opened} />
              </div>
            </div>
          )}
        </div>
      </div>
      <Rise opened={opened} />
      <div className="mt-10 grid gap-10 md:grid-cols-[1fr_20rem]">
        <Log opened={opened} />
        <div>
          <Coming opened={opened} />
          <Changes opened={opened} />
          <DriedOfIt opened={opened} />
        </div>
      </div>
    </article>
  );
}

function facts({ assessment }: OpenJar): string {
  const { day, in_jar: held, totals, stands } = assessment;
  const parts = [];
  if (day > 0) parts.push(jarText.day(day));
  // Who measures by hand has no use for grams and shares of them.
  if (stands.by_hand) return parts.join(" · ");
  if (held) {
    const rounded = held.flours.map((part) => ({ ...part, g: Math.round(part.g) }));
    parts.push(jarText.gInTheJarG(Math.round(held.total_g), flourList(rounded), Math.round(held.water_g)));
    if (held.hydration_percent !== null) parts.push(jarText.hydration(percent(held.hydration_percent)));
  }
  if (totals.feeds > 0)
    parts.push(jarText.flourUsedTakenOutSo(grams(totals.flour_g), grams(totals.discard_g)));
  if (totals.used_g > 0) parts.push(lifeText.usedSoFar(grams(totals.used_g)));
  return parts.join(" · ");
}

function Acts({ opened }: { readonly opened: OpenJar }) {
  const { jar, assessment } = opened;
  const { move, state } = assessment.next_move;
  if (move === "nothing" || move === "binned") {
    return (
      <div className="flex flex-wrap gap-3">
        {move === "nothing" && assessment.in_jar && (
          <>
            <ButtonLink to={`/jars/${jar.id}/feed`}>{commonText.feed}</ButtonLink>
            <ButtonLink to={`/jars/${jar.id}/part?for=recipe`}>{commonText.takeSome}</ButtonLink>
            <ButtonLink to={`/jars/${jar.id}/keep`}>{lifeText.keepAfterAll}</ButtonLink>
            <ButtonLink look="plain" to={`/jars/${jar.id}/bin`}>
              {jarText.binThisJar}
            </ButtonLink>
          </>
        )}
        {move === "binned" && (
          <ButtonLink look="act" to={`/new?like=${jar.id}`}>
            {commonText.beginAgainTheSameWay}
          </ButtonLink>
        )}
        <Button onClick={() => void setOnShelf(jar.id, !jar.on_shelf, jarText.moving(jar.name))}>
          {jar.on_shelf ? commonText.putItAway : jarText.backOnTheShelf}
        </Button>
      </div>
    );
  }
  if (move === "bin")
    return (
      <ButtonLink look="alarm" to={`/jars/${jar.id}/bin`} className="self-start">
        {commonText.binItStepByStep}
      </ButtonLink>
    );
  const isTime =
    move === "mix" || (move === "feed" && !["not_yet", "waiting", "resting"].includes(state ?? ""));
  const deed = DEED_OF[move];
  return (
    <div className="flex flex-col gap-1">
      <div className="flex flex-wrap gap-3">
        {move === "use" && <MixDough opened={opened} />}
        <ButtonLink look={isTime ? "act" : "quiet"} to={`/jars/${jar.id}/feed`}>
          {move === "mix" ? commonText.mixIt : commonText.feed}
        </ButtonLink>
        {deed && <DeedButton jar={jar} did={deed.deed} label={deed.label} />}
        {move !== "mix" && (
          <ButtonLink look={isTime || deed || move === "use" ? "quiet" : "act"} to={`/jars/${jar.id}/look`}>
            {commonText.look}
          </ButtonLink>
        )}
        {assessment.in_jar && move === "rest" && (
          <DeedButton jar={jar} did="to_counter" label={jarText.itIsOut} look="quiet" />
        )}
        {(assessment.in_jar || jar.family === "wake_and_keep") && (
          <ButtonLink to={`/jars/${jar.id}/bake`}>{commonText.planABake}</ButtonLink>
        )}
      </div>
      {assessment.in_jar && (
        <div className="-ms-3 flex flex-wrap">
          <ButtonLink look="plain" to={`/jars/${jar.id}/change`}>
            {commonText.changeSomething}
          </ButtonLink>
          <ButtonLink look="plain" to={`/jars/${jar.id}/part`}>
            {commonText.takeSome}
          </ButtonLink>
          <ButtonLink look="plain" to={`/jars/${jar.id}/watch`}>
            {watchText.watch}
          </ButtonLink>
          <ButtonLink look="plain" to={`/signs?jar=${jar.id}`}>
            {commonText.somethingIsWrong}
          </ButtonLink>
          <ButtonLink look="plain" to={`/jars/${jar.id}/bin`}>
            {jarText.binThisJar}
          </ButtonLink>
        </div>
      )}
    </div>
  );
}
