import type { Assessment, ReadyStep } from "../../api/types";
import { SignNote } from "../../ui/sign-note";
import { metWord, readinessLine, signNote, stepLine } from "../../words/judging";
import { NORMAL_WORDS } from "../../words/moves";

/** What the jar shows: the signs found, or else what is normal on this day. */
export function Found({ assessment }: { readonly assessment: Assessment }) {
  const { findings, normal, stage } = assessment;
  const steady = stage?.stage === "steady";
  const calm = normal !== null && !steady && !findings.some((one) => signNote(one).grave === "normal");
  if (findings.length === 0 && !calm) return null;
  return (
    <ul aria-label="What it shows" className="flex max-w-prose flex-col gap-3">
      {findings.map((one) => (
        <li key={one.sign}>
          <SignNote {...signNote(one)} />
        </li>
      ))}
      {calm && normal && <li className="border-l-4 border-rule pl-4">{NORMAL_WORDS[normal]}</li>}
    </ul>
  );
}

const SHOWS_YEAST: readonly string[] = ["stirring", "awake", "steady", "resting"];

/** The verdict with its steps; before yeast shows it is not asked. */
export function ReadyOrNot({ assessment }: { readonly assessment: Assessment }) {
  const { readiness, stage } = assessment;
  if (!readiness || !stage || !SHOWS_YEAST.includes(stage.stage)) return null;
  return (
    <section
      aria-labelledby="ready"
      className={`max-w-prose self-start border-l-4 pl-4 ${readiness.ready ? "border-leaf" : "border-rule"}`}
    >
      <h2 id="ready" className="text-xl">
        Ready?
      </h2>
      <p className={readiness.ready ? "font-semibold text-leaf" : ""}>{readinessLine(readiness)}</p>
      {readiness.ready && (
        <p>Use it at its peak, or let it rest in the fridge an hour or two after a feed. Keep a spare.</p>
      )}
      <details open={!readiness.ready}>
        <summary className="min-h-11 py-2 font-semibold text-crust">Step by step</summary>
        <ul>
          {readiness.steps.map((step) => (
            <Step key={step.step} step={step} />
          ))}
        </ul>
      </details>
    </section>
  );
}

function Step({ step }: { readonly step: ReadyStep }) {
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
      <span>{stepLine(step)}</span>
      <span className="text-soft">{metWord(step)}</span>
    </li>
  );
}
