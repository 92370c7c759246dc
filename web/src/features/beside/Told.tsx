/** What jars side by side differ in, what that did, their lines, and where each stands. */
import { useState } from "react";
import { Link } from "react-router";
import type { Beside, BesideJar, Difference, Smell } from "../../api/types";
import { BesideLines, BesideMark } from "../../drawing/beside-lines";
import { nowMs } from "../../lib/clock";
import { list, times } from "../../lib/numbers";
import { save } from "../../lib/save-picture";
import { dayCount, dayWord, homeZone, span } from "../../lib/time";
import { Button } from "../../ui/button";
import { Choice } from "../../ui/choice";
import { alikeLine, besideText, differenceLine, openLine, SMELL_WORDS, smellLine } from "../../words";
import { lineOf, type Over } from "./lines";
import { besideTable } from "./table";

const HOUR = 3_600_000;

export function Told({ beside }: { readonly beside: Beside }) {
  const { jars, differences, smells } = beside;
  const [over, setOver] = useState<Over>("feed");
  const plain = jars[0]?.name ?? "";
  const nameOf = (id: string) => jars.find((jar) => jar.id === id)?.name ?? "";
  const untold = jars.filter(({ habit, binned }) => habit === null && !binned).map(({ name }) => name);
  return (
    <>
      <section aria-labelledby="did" className="flex flex-col gap-3">
        <h2 id="did" className="text-2xl">
          {besideText.whatItDid}
        </h2>
        {jars.slice(1).map((jar) => (
          <OfOne
            key={jar.id}
            differences={differences.filter((one) => one.jar === jar.id)}
            name={jar.name}
            plain={plain}
          />
        ))}
        {smells.map((one) => (
          <p key={`${one.jar}-${one.smell}`} className="text-lg font-semibold">
            {smellLine(one, nameOf(one.jar), plain)}
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
      <Choice
        label={besideText.howTheLinesStand}
        items={[
          { value: "feed", label: besideText.sinceEachFeed },
          { value: "days", label: besideText.overAllDays },
        ]}
        value={over}
        onChange={(next) => next && setOver(next)}
      />
      <BesideLines
        jars={jars.map((jar) => lineOf(jar, over))}
        over={over}
        summary={(over === "feed" ? besideText.linesSince : besideText.linesOverDays)(
          list(jars.map(({ name }) => name)),
        )}
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

/** Of one jar against the plain one: each thing that is known or soon will be, and in one sentence what will not. */
function OfOne({
  differences,
  name,
  plain,
}: {
  readonly differences: readonly Difference[];
  readonly name: string;
  readonly plain: string;
}) {
  const isOpen = (one: Difference) =>
    one.surety === "open" && one.more_feeds === null && one.measure !== "awake";
  const open = differences.filter(isOpen).map(({ measure }) => measure);
  return (
    <>
      {differences
        .filter((one) => !isOpen(one))
        .map((one) => (
          <p key={one.measure} className={one.surety === "surely" ? "text-lg font-semibold" : "text-lg"}>
            {differenceLine(one, name, plain)}
          </p>
        ))}
      {open.length > 0 && <p className="text-lg">{openLine(open, name, plain)}</p>}
    </>
  );
}

function Standings({ jars }: { readonly jars: readonly BesideJar[] }) {
  const zone = homeZone();
  const now = nowMs();
  const heads = [
    besideText.jar,
    besideText.awakeAfter,
    besideText.since,
    besideText.watched,
    besideText.doubles,
    besideText.peaks,
    besideText.rises,
    besideText.holds,
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
                {jar.woken?.awake ? dayCount(Math.round(jar.woken.hours / 12) / 2) : "–"}
              </td>
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

function Habits({ jar: { habit, fall_seen: fallSeen } }: { readonly jar: BesideJar }) {
  if (!habit)
    return (
      <td colSpan={4} className="py-2 pe-4 text-soft">
        {besideText.tooFew}
      </td>
    );
  const rounded = (hours: number) => span(Math.round(hours * 6) * (HOUR / 6));
  return (
    <>
      <td className="py-2 pe-4">{habit.doubles ? rounded(habit.doubles.middle) : "–"}</td>
      <td className="py-2 pe-4">{rounded(habit.peak.middle)}</td>
      <td className="py-2 pe-4">{times(Math.round(habit.top.middle * 10) / 10)}</td>
      <td className="py-2 pe-4">{fallSeen ? rounded(habit.holds.middle) : "–"}</td>
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
