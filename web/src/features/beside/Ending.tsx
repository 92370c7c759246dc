/** The end of a trial: what becomes of each jar; and an end taken back. */
import { useState } from "react";
import type { EndedAs, Trial, TrialLabel } from "../../api/types";
import { endTrial, resumeTrial } from "../../api/writes";
import { Button } from "../../ui/button";
import { Choice } from "../../ui/choice";
import { useSay } from "../../ui/toast";
import { ENDED_WORDS, problemWords, trialText } from "../../words";

const ENDS = Object.keys(ENDED_WORDS) as EndedAs[];
/** What is not eaten, now or later. */
const NO_FOOD: ReadonlySet<EndedAs> = new Set(["kept", "bin"]);

export function EndPart({ found: { trial, food, beside } }: { readonly found: Trial }) {
  const [ends, setEnds] = useState<Readonly<Record<string, EndedAs>>>({});
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const say = useSay();
  const binned = beside.jars.filter((jar) => jar.binned).map(({ id }) => id);
  const asked = trial.places.filter(({ jar }) => !binned.includes(jar));
  const end = async () => {
    if (asked.some(({ jar }) => !ends[jar])) {
      setProblem(trialText.sayOfEach);
      return;
    }
    setBusy(true);
    const all = { ...Object.fromEntries(binned.map((jar) => [jar, "bin" as const])), ...ends };
    const outcome = await endTrial(trial.id, all, trialText.beginning(trial.name));
    setBusy(false);
    setProblem(outcome.kind === "refused" ? outcome.problems.map(problemWords).join(" ") : null);
    if (outcome.kind === "saved") say(trialText.ended);
  };
  return (
    <details className="print:hidden">
      <summary className="min-h-11 py-2 text-2xl font-semibold text-crust">{trialText.endIt}</summary>
      <div className="flex flex-col gap-5 pt-2">
        <p>{trialText.endHint}</p>
        {asked.map(({ jar, name }) => (
          <div key={jar}>
            <Choice
              label={trialText.becomes(name)}
              items={ENDS.filter((one) => food.includes(jar) || NO_FOOD.has(one)).map((value) => ({
                value,
                label: ENDED_WORDS[value],
              }))}
              value={ends[jar] ?? null}
              onChange={(how) => how && setEnds({ ...ends, [jar]: how })}
            />
            {!food.includes(jar) && <p className="mt-1 text-sm text-soft">{trialText.notFood(name)}</p>}
          </div>
        ))}
        {Object.values(ends).includes("bin") && <p className="text-soft">{trialText.binAll}</p>}
        {problem && (
          <p role="alert" className="font-semibold text-alarm">
            {problem}
          </p>
        )}
        <Button look="act" disabled={busy} className="self-start" onClick={() => void end()}>
          {busy ? trialText.ending : trialText.endNow}
        </Button>
      </div>
    </details>
  );
}

export function HasEnded({ trial, day }: { readonly trial: TrialLabel; readonly day: string }) {
  const say = useSay();
  const resume = async () => {
    const outcome = await resumeTrial(trial.id, trialText.beginning(trial.name));
    if (outcome.kind === "refused") say(outcome.problems.map(problemWords).join(" "));
  };
  return (
    <div className="mt-2 flex flex-col items-start gap-2">
      <p>{trialText.hasEnded(day)}</p>
      <ul>
        {trial.places.map(({ jar, name, ended_as: how }) => (
          <li key={jar}>
            <span className="font-semibold">{name}</span>: {how ? ENDED_WORDS[how] : ""}
          </li>
        ))}
      </ul>
      <Button className="print:hidden" onClick={() => void resume()}>
        {trialText.takeUpAgain}
      </Button>
    </div>
  );
}
