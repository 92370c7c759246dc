/** Jars side by side: what differs between them, their lines since each feed, and what it did, as surely as it is known. */
import { Link, useParams, useSearchParams } from "react-router";
import { api } from "../../api/client";
import type { Beside, BesideJar, Smell } from "../../api/types";
import { BesideLines, BesideMark } from "../../drawing/beside-lines";
import { nowMs } from "../../lib/clock";
import { useTitle } from "../../lib/hooks";
import { list, times } from "../../lib/numbers";
import { save } from "../../lib/save-picture";
import { dayWord, homeZone, span } from "../../lib/time";
import { Button, ButtonLink } from "../../ui/button";
import { Choices } from "../../ui/choice";
import { Loading, OutOfReach } from "../../ui/states";
import {
  alikeLine,
  apartLine,
  besideText,
  commonText,
  differenceLine,
  problemWords,
  SMELL_WORDS,
} from "../../words";
import { besideTable } from "./table";

const HOUR = 3_600_000;
const MOST_OTHERS = 3;
/** Feeds that are drawn: the latest, or lines hide lines. */
const DRAWN = 5;

export function BesidePage() {
  const { jarId = "" } = useParams();
  const [search, setSearch] = useSearchParams();
  const others = search.getAll("other");
  useTitle(besideText.sideBySide);
  const kitchen = api.useQuery("get", "/api/kitchen");
  if (kitchen.isPending) return <Loading what={commonText.openingTheJar} />;
  if (!kitchen.data) return <OutOfReach onRetry={() => void kitchen.refetch()} />;
  const items = kitchen.data.jars
    .filter(({ jar }) => jar.id !== jarId)
    .map(({ jar }) => ({ value: jar.id, label: jar.name }));
  const plain = kitchen.data.jars.find(({ jar }) => jar.id === jarId)?.jar;
  return (
    <div className="flex flex-col gap-8 pt-6">
      <h1 className="text-3xl">{besideText.sideBySide}</h1>
      {items.length === 0 ? (
        <p>{besideText.needsTwo}</p>
      ) : (
        <div className="flex flex-col gap-3">
          {plain && (
            <p>
              {besideText.plain}: <span className="font-semibold">{plain.name}</span>
            </p>
          )}
          <Choices
            label={besideText.besideIt}
            items={items}
            value={others}
            onChange={(next) => setSearch({ other: next.slice(-MOST_OTHERS) }, { replace: true })}
          />
          <p className="text-soft">
            {others.length === 0 ? besideText.chooseOthers : besideText.onePlainFirst}
          </p>
        </div>
      )}
      {others.length > 0 && <Found key={others.join()} jarId={jarId} others={others} />}
      <p className="flex flex-wrap gap-x-4 print:hidden">
        {others.length > 0 && (
          <ButtonLink look="act" to={`/jars/${jarId}/look?round=${[jarId, ...others].join(",")}`}>
            {besideText.lookAtThem}
          </ButtonLink>
        )}
        <ButtonLink look={items.length === 0 ? "act" : "quiet"} to={`/new?all=1&like=${jarId}&beside=1`}>
          {besideText.beginOne}
        </ButtonLink>
        <ButtonLink look="plain" to={`/jars/${jarId}`}>
          {plain ? commonText.backTo(plain.name) : commonText.toTheKitchen}
        </ButtonLink>
      </p>
    </div>
  );
}

function Found({ jarId, others }: { readonly jarId: string; readonly others: string[] }) {
  const found = api.useQuery("get", "/api/jars/{jar_id}/beside", {
    params: { path: { jar_id: jarId }, query: { other: others } },
  });
  if (found.isPending) return <Loading what={besideText.holdingThem} />;
  if (found.error?.errors)
    return (
      <p role="alert" className="text-alarm">
        {found.error.errors.map(problemWords).join(" ")}
      </p>
    );
  if (!found.data) return <OutOfReach onRetry={() => void found.refetch()} />;
  return <Told beside={found.data} />;
}

function Told({ beside }: { readonly beside: Beside }) {
  const { jars, differences } = beside;
  const nameOf = (id: string) => jars.find((jar) => jar.id === id)?.name ?? "";
  const untold = jars.filter(({ habit, binned }) => habit === null && !binned).map(({ name }) => name);
  return (
    <>
      <p className="text-xl">{apartLine(beside.apart)}</p>
      <section aria-labelledby="did" className="flex flex-col gap-3">
        <h2 id="did" className="text-2xl">
          {besideText.whatItDid}
        </h2>
        {differences.map((one) => (
          <p
            key={`${one.jar}-${one.measure}`}
            className={one.surety === "surely" ? "text-lg font-semibold" : "text-lg"}
          >
            {differenceLine(one, nameOf(one.jar), jars[0]?.name ?? "")}
          </p>
        ))}
        {untold.length > 0 && <p>{besideText.askAgain(list(untold))}</p>}
        {differences.length > 0 && (
          <p className="text-soft">
            {alikeLine(beside.apart)} {besideText.onlyThese}
          </p>
        )}
      </section>
      <ul className="flex flex-wrap gap-x-6 gap-y-1">
        {jars.map((jar, at) => (
          <li key={jar.id}>
            <BesideMark at={at} /> {jar.name}
          </li>
        ))}
      </ul>
      <BesideLines
        jars={jars.map(lineOf)}
        summary={besideText.linesSince(list(jars.map(({ name }) => name)))}
      />
      <Standings jars={jars} />
      <p className="flex flex-wrap gap-x-4 print:hidden">
        <Button onClick={() => save(new Blob([besideTable(jars)], { type: "text/csv" }), "side-by-side.csv")}>
          {besideText.asTable}
        </Button>
        <Button look="plain" onClick={() => print()}>
          {besideText.print}
        </Button>
      </p>
    </>
  );
}

function lineOf(jar: BesideJar) {
  const watched = jar.rounds.filter(({ levels }) => levels.length > 0).slice(-DRAWN);
  return {
    id: jar.id,
    name: jar.name,
    feeds: watched.map((round) => ({
      id: round.feed_id,
      points: [
        { hours: 0, times: 1 },
        ...round.levels.map((seen) => ({
          hours: (Date.parse(seen.at) - Date.parse(round.at)) / HOUR,
          times: seen.times,
        })),
      ],
    })),
  };
}

function Standings({ jars }: { readonly jars: readonly BesideJar[] }) {
  const zone = homeZone();
  const now = nowMs();
  const heads = [
    besideText.jar,
    besideText.since,
    besideText.watched,
    besideText.doubles,
    besideText.peaks,
    besideText.rises,
    besideText.smells,
  ];
  return (
    <div className="overflow-x-auto">
      <table className="w-full text-start">
        <thead>
          <tr className="border-b border-rule text-sm text-soft">
            {heads.map((head) => (
              <th key={head} className="py-2 pe-4 text-start font-normal">
                {head}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {jars.map((jar, at) => (
            <tr key={jar.id} className="border-b border-rule">
              <th scope="row" className="py-2 pe-4 text-start font-semibold">
                <BesideMark at={at} />{" "}
                <Link to={`/jars/${jar.id}`} className="underline underline-offset-4">
                  {jar.name}
                </Link>
              </th>
              <td className="py-2 pe-4">
                {jar.binned
                  ? besideText.isBinned
                  : jar.grown_since
                    ? dayWord(jar.grown_since, now, zone)
                    : besideText.notYet}
              </td>
              <td className="py-2 pe-4">{jar.watched}</td>
              <Habits jar={jar} />
              <td className="py-2 pe-4">{smeltOf(jar)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

function Habits({ jar: { habit } }: { readonly jar: BesideJar }) {
  if (!habit)
    return (
      <td colSpan={3} className="py-2 pe-4 text-soft">
        {besideText.tooFew}
      </td>
    );
  const rounded = (hours: number) => span(Math.round(hours * 6) * (HOUR / 6));
  return (
    <>
      <td className="py-2 pe-4">{habit.doubles ? rounded(habit.doubles.middle) : "–"}</td>
      <td className="py-2 pe-4">{rounded(habit.peak.middle)}</td>
      <td className="py-2 pe-4">{times(Math.round(habit.top.middle * 10) / 10)}</td>
    </>
  );
}

/** `apple, fruit (5) · yoghurt (2)`: what it smelt of most often. */
function smeltOf({ smells }: BesideJar): string {
  const most = Object.entries(smells)
    .sort(([, a], [, b]) => b - a)
    .slice(0, 2);
  return most.map(([smell, count]) => `${SMELL_WORDS[smell as Smell]} (${count})`).join(" · ");
}
