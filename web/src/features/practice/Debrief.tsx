import { useState } from "react";
import { api } from "../../api/client";
import type { PracticeIn, PracticeJudged, PracticeLived } from "../../api/types";
import { RiseLine } from "../../drawing/rise-line";
import { clockTime } from "../../lib/clock-time";
import { list, percent, times } from "../../lib/numbers";
import { save } from "../../lib/save-picture";
import { Button, ButtonLink } from "../../ui/button";
import { TextField } from "../../ui/field";
import { Loading, OutOfReach } from "../../ui/states";
import {
  DOING_WORDS,
  ENDING_WORDS,
  MEANING_WORDS,
  OPINION_WORDS,
  practiceText,
  REMEDY_WORDS,
  SIGN_WORDS,
  SITUATION_WORDS,
} from "../../words";
import { WorkingItOut } from "./OnThisDevice";
import { asFile, clockAt, LOOK } from "./story";

const HOUR_MS = 3_600_000;
/** Only for the drawing: hours since the first mix as moments of some days in UTC, from eight on. */
const DRAWN_FROM = Date.UTC(2026, 0, 5, 8);
/** Endings that the last rise tells. */
const BY_SHARE: ReadonlySet<string> = new Set(["well", "behind", "lost", "hungry"]);
const EDGES = { liked: "border-leaf", not_liked: "border-alarm", unsure: "border-edge" } as const;

/** The true line beside what was looked at, each decision with what the jar would have liked, and what to remember. */
export function Debrief({
  asked,
  lived,
  onSame,
  onAnother,
}: {
  readonly asked: PracticeIn;
  readonly lived: PracticeLived;
  readonly onSame: () => void;
  readonly onAnother: () => void;
}) {
  const found = api.useQuery(
    "post",
    "/api/practice/told",
    { body: asked },
    { staleTime: Number.POSITIVE_INFINITY, retry: false },
  );
  if (found.isPending)
    return (
      <>
        <Loading what={practiceText.judging} />
        <WorkingItOut />
      </>
    );
  if (!found.data) return <OutOfReach onRetry={() => void found.refetch()} />;
  const { ending, is_good: isGood, share, decisions } = found.data;
  const words = SITUATION_WORDS[asked.situation];
  return (
    <div className="mt-5 flex flex-col gap-8">
      <section
        aria-labelledby="came"
        className={`border-s-4 ps-5 ${isGood ? "border-leaf" : "border-alarm"}`}
      >
        <h2 id="came" className="text-soft">
          {practiceText.toldTitle}
        </h2>
        <p className="text-2xl font-semibold">{ENDING_WORDS[ending]}</p>
        {share !== null && BY_SHARE.has(ending) && (
          <p>{practiceText.share(percent(100 * Math.min(share, 1)))}</p>
        )}
      </section>
      <section aria-labelledby="remember" className="rounded-xl bg-card p-5">
        <h2 id="remember" className="text-soft">
          {practiceText.remember}
        </h2>
        <p className="max-w-prose text-lg">{words.remember}</p>
      </section>
      <TrueLine lived={lived} decisions={decisions} name={words.name} />
      <section aria-labelledby="decisions">
        <h2 id="decisions" className="text-xl">
          {practiceText.decisions}
        </h2>
        {decisions.length === 0 && <p>{practiceText.noDecisions}</p>}
        <ol className="mt-3 flex flex-col gap-3">
          {decisions.map((one, index) => (
            <Decision key={`${one.at_h} ${String(index)}`} one={one} />
          ))}
        </ol>
      </section>
      <After asked={asked} onSame={onSame} onAnother={onAnother} />
    </div>
  );
}

function Decision({ one }: { readonly one: PracticeJudged }) {
  const { day, minutes } = clockAt(one.at_h);
  const isLook = one.what === LOOK;
  const means = list(one.means.map((meaning) => MEANING_WORDS[meaning].toLowerCase()));
  return (
    <li
      className={`border-s-4 ps-4 ${EDGES[isLook && one.meant_rightly === false ? "not_liked" : one.opinion]}`}
    >
      <span className="text-soft">{practiceText.day(day, clockTime(minutes))}</span>{" "}
      <span className="font-semibold">{DOING_WORDS[one.what]}</span>
      {!isLook && <>: {OPINION_WORDS[one.opinion]}.</>}
      <span className="block max-w-prose">
        {isLook && one.level !== null && practiceText.lookAt(times(one.level), times(one.true_level))}{" "}
        {isLook && one.meaning && practiceText.said(MEANING_WORDS[one.meaning])}{" "}
        {isLook && one.meant_rightly === true && practiceText.meantRight}
        {isLook && one.meant_rightly !== true && means && practiceText.meantWrong(means)}
        {!isLook && one.because.map((sign) => SIGN_WORDS[sign]).join(" ")}{" "}
        {!isLook && one.opinion === "not_liked" && one.do.map((remedy) => REMEDY_WORDS[remedy]).join(" ")}
      </span>
    </li>
  );
}

function TrueLine({
  lived,
  decisions,
  name,
}: {
  readonly lived: PracticeLived;
  readonly decisions: readonly PracticeJudged[];
  readonly name: string;
}) {
  const at = (hour: number) => DRAWN_FROM + hour * HOUR_MS;
  const ends = lived.ended_h;
  const begun = [...lived.fed_h].filter((hour) => hour <= lived.begins_h).at(-1) ?? 0;
  const fed = [begun, ...lived.fed_h.filter((hour) => hour > lived.begins_h && hour < ends)];
  const rounds = fed.map((since, index) => {
    const until = fed[index + 1] ?? ends;
    const inside = (hour: number) => since < hour && hour < until + 1e-6;
    return {
      at: at(Math.max(since, lived.begins_h - 24)),
      until: at(until),
      ratio: "",
      high: null,
      dots: [
        ...lived.frames
          .filter((frame) => inside(frame.at_h) && frame.at_h < until - 1e-6)
          .map((frame) => ({ at: at(frame.at_h), times: frame.level, error: 0 })),
        ...decisions
          .filter((one) => one.what === LOOK && one.level !== null && inside(one.at_h))
          .map((one) => ({ at: at(one.at_h), times: one.level ?? 1, error: null })),
      ],
    };
  });
  const high = Math.max(...lived.frames.map((frame) => frame.level));
  return (
    <section aria-labelledby="true-line">
      <h2 id="true-line" className="text-xl">
        {practiceText.trueLine}
      </h2>
      <div className="mt-2 rounded-xl border border-rule bg-card p-2 sm:p-4">
        <RiseLine
          rounds={rounds}
          now={at(ends)}
          zone="UTC"
          summary={practiceText.trueLineSummary(name, times(high))}
          doubled={2}
        />
      </div>
    </section>
  );
}

function After({
  asked,
  onSame,
  onAnother,
}: {
  readonly asked: PracticeIn;
  readonly onSame: () => void;
  readonly onAnother: () => void;
}) {
  const [name, setName] = useState("");
  const [copied, setCopied] = useState(false);
  const link = `${location.origin}/practice/${asked.situation}?seed=${asked.seed}`;
  const copy = async () => {
    await navigator.clipboard.writeText(link);
    setCopied(true);
  };
  const keep = () => {
    const file = asFile({ ...asked, name });
    save(new Blob([file], { type: "application/json" }), `practice-${asked.situation}-${asked.seed}.json`);
  };
  return (
    <section aria-label={practiceText.another} className="flex flex-col gap-4">
      <p className="flex flex-wrap gap-3">
        <Button look="act" onClick={onAnother}>
          {practiceText.playAnew}
        </Button>
        <Button onClick={onSame}>{practiceText.sameAgain}</Button>
        <ButtonLink look="plain" to="/practice">
          {practiceText.another}
        </ButtonLink>
      </p>
      <details>
        <summary className="min-h-11 cursor-pointer py-2 font-semibold">{practiceText.forClass}</summary>
        <div className="flex max-w-prose flex-col items-start gap-3">
          <Button onClick={() => void copy().catch(() => undefined)}>{practiceText.link}</Button>
          <p className="break-all text-soft" aria-live="polite">
            {copied ? practiceText.linkCopied : link}
          </p>
          <TextField
            label={practiceText.resultName}
            value={name}
            onChange={(event) => setName(event.target.value)}
            error={null}
          />
          <Button onClick={keep}>{practiceText.result}</Button>
        </div>
      </details>
    </section>
  );
}
