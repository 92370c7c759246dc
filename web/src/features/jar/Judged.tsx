import { useLog } from "../../api/older";
import type { Finding, LogEntry, LookBody, OpenJar, Readiness, ReadyStep, SignCode } from "../../api/types";
import { recordEntry, sayWord, setReadyAfter, withdrawEntry } from "../../api/writes";
import { CLOSE_UPS } from "../../drawing/atlas";
import { nowIso } from "../../lib/clock";
import { newId } from "../../lib/ids";
import { dayWord } from "../../lib/time";
import { Button, ButtonLink } from "../../ui/button";
import { Choice } from "../../ui/choice";
import { SignNote } from "../../ui/sign-note";
import {
  CLOSE_UP_WORDS,
  commonText,
  floatLine,
  jarText,
  metWord,
  NORMAL_WORDS,
  readinessLine,
  rowWords,
  signNote,
  stepLine,
} from "../../words";

/** What the jar shows: the signs found, or else what is normal on this day. */
export function Found({ opened }: { readonly opened: OpenJar }) {
  const { findings, normal, stage } = opened.assessment;
  const steady = stage?.stage === "steady";
  const resting = stage?.stage === "resting";
  const calm =
    normal !== null && !steady && !resting && !findings.some((one) => signNote(one).grave === "normal");
  if (findings.length === 0 && !calm) return null;
  return (
    <ul aria-label={jarText.whatItShows} className="flex max-w-prose flex-col gap-3">
      {findings.map((one) => (
        <li key={one.sign}>
          <SignNote {...signNote(one)} />
          <Answer finding={one} opened={opened} />
        </li>
      ))}
      {calm && normal && <li className="border-s-4 border-rule ps-4">{NORMAL_WORDS[normal]}</li>}
    </ul>
  );
}

const TOLD_BY_THE_BAKER: ReadonlySet<SignCode> = new Set(["slow_to_wake", "bakers_yeast", "sweetened"]);

/** The baker's word on a sign: the question answered, or the sign ruled out. */
function Answer({ finding, opened }: { readonly finding: Finding; readonly opened: OpenJar }) {
  const { jar } = opened;
  const rule = (yes: boolean) => void sayWord(jar.id, finding.sign, yes, jarText.aSignOf(jar.name));
  if (finding.ask === "is_it_fuzzy_or_coloured") {
    const fuzzy = () => {
      const look: LookBody = {
        kind: "look",
        at: nowIso(),
        level: null,
        bubbles: null,
        top: ["fuzzy_spots"],
        smell: [],
        thickness: null,
        high: null,
        ph: null,
        celsius: null,
        floats: null,
        note: "",
      };
      void recordEntry(jar.id, newId(), null, look, commonText.lookAt(jar.name), null);
    };
    return (
      <div className="flex flex-wrap gap-4 pt-2 ps-5">
        {(["film", "mould"] as const).map((kind) => (
          <figure key={kind} className="flex w-44 flex-col items-center gap-2 text-center">
            {CLOSE_UPS[kind]}
            <figcaption className="text-[0.9rem] leading-tight text-soft">
              {CLOSE_UP_WORDS[kind].what}
            </figcaption>
            <Button onClick={kind === "film" ? () => rule(true) : fuzzy}>
              {kind === "film" ? jarText.thinAndFlat : jarText.fuzzyOrColoured}
            </Button>
          </figure>
        ))}
      </div>
    );
  }
  if (finding.ask === "is_it_flour_or_water") {
    return (
      <div className="flex flex-wrap gap-2 pt-2 ps-5">
        <Button onClick={() => rule(true)}>{jarText.oneOfThem}</Button>
        <Button onClick={() => rule(false)}>{jarText.neither}</Button>
      </div>
    );
  }
  if (finding.ask === "stands_it_elsewhere") {
    return (
      <div className="flex flex-wrap gap-2 pt-2 ps-5">
        <ButtonLink to={`/jars/${jar.id}/change/moved`}>{jarText.tellWhereItStands}</ButtonLink>
        <Button onClick={() => rule(false)}>{jarText.itStandsAsTold}</Button>
      </div>
    );
  }
  // What was answered once, and what the baker told, is not asked away.
  if (TOLD_BY_THE_BAKER.has(finding.sign)) return null;
  return (
    <Button look="plain" onClick={() => rule(false)}>
      {jarText.itIsNotThat}
    </Button>
  );
}

/** The verdict with its steps; before yeast shows it is not asked. */
export function ReadyOrNot({ opened }: { readonly opened: OpenJar }) {
  const { jar, assessment, now, time_zone: zone } = opened;
  const { readiness, stage } = assessment;
  if (!readiness || !stage?.shows_yeast) return null;
  const { ready, earliest, floats } = readiness;
  return (
    <section
      aria-labelledby="ready"
      className={`max-w-prose self-start border-s-4 ps-4 ${ready ? "border-leaf" : "border-rule"}`}
    >
      <h2 id="ready" className="text-xl">
        {jarText.ready}
      </h2>
      <p className={ready ? "font-semibold text-leaf" : ""}>{readinessLine(readiness)}</p>
      {!ready && earliest && <p>{jarText.atTheEarliest(dayWord(earliest, now, zone))}</p>}
      {floats !== null && <p className="text-soft">{floatLine(floats)}</p>}
      <Overrule opened={opened} />
      <details open={!ready}>
        <summary className="min-h-11 py-2 font-semibold text-crust">{jarText.stepByStep}</summary>
        <ul>
          {readiness.steps.map((step) => (
            <Step key={step.step} step={step} rule={readiness.rule} />
          ))}
        </ul>
        <div className="mt-3">
          <Choice
            label={jarText.readyForYouIs}
            items={readiness.rule.rows.map(({ strictness, feeds }) => ({
              value: strictness,
              label: rowWords(feeds),
            }))}
            value={jar.ready_after}
            onChange={(rule) => rule && void setReadyAfter(jar.id, rule, jarText.whatIsReadyFor(jar.name))}
          />
        </div>
      </details>
    </section>
  );
}

const isSpoken = ({ entry, withdrawn }: LogEntry) =>
  entry.kind === "word" && entry.about === "ready" && !withdrawn;

/** The baker may say otherwise; it is in the log and can be taken back. */
function Overrule({ opened }: { readonly opened: OpenJar }) {
  const { jar, assessment } = opened;
  const { readiness } = assessment;
  // A word of long ago may stand among what is older.
  const { log } = useLog(opened, readiness?.word !== null && !opened.log.some(isSpoken));
  if (!readiness) return null;
  const say = (yes: boolean) => void sayWord(jar.id, "ready", yes, jarText.yourWordOn(jar.name));
  const spoken = log.find(isSpoken);
  if (readiness.word !== null && spoken) {
    const back = () => void withdrawEntry(spoken.id, jarText.takingBackYourWordOn(jar.name));
    return (
      <p className="text-soft">
        {jarText.byItsLooksIt(readiness.by_rule ? jarText.isReady : jarText.isNotReadyYet)}{" "}
        <Button look="plain" onClick={back}>
          {jarText.goByTheLooksAgain}
        </Button>
      </p>
    );
  }
  return (
    <Button look="plain" className="-ms-3" onClick={() => say(!readiness.ready)}>
      {readiness.ready ? jarText.itIsNotReadyFor : jarText.iCallItReady}
    </Button>
  );
}

function Step({ step, rule }: { readonly step: ReadyStep; readonly rule: Readiness["rule"] }) {
  return (
    <li className="grid grid-cols-[1.25rem_1fr_auto] items-center gap-x-2 py-0.5">
      <svg
        viewBox="0 0 16 16"
        aria-hidden="true"
        className={`size-4 ${step.met ? "text-leaf" : "text-soft"}`}
      >
        <circle cx="8" cy="8" r="6.5" fill="none" stroke="currentColor" strokeWidth="1.5" />
        {step.met && <circle cx="8" cy="8" r="4" fill="currentColor" />}
      </svg>
      <span>{stepLine(step, rule)}</span>
      <span className="text-soft">{metWord(step)}</span>
    </li>
  );
}
