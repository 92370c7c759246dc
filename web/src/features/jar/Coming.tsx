import type { OpenJar } from "../../api/types";
import { clock, dayWord } from "../../lib/time";
import { ButtonLink } from "../../ui/button";
import { changeLine, commonText, jarText, sightWords, taskLine } from "../../words";

const MOST = 6;
const MOST_CHANGES = 4;

/** The next acts by the plan. */
export function Coming({ opened }: { readonly opened: OpenJar }) {
  const { assessment, now, time_zone: zone } = opened;
  const ahead = assessment.timeline
    .filter(({ state }) => state !== "done" && state !== "skipped")
    .slice(0, MOST);
  if (ahead.length === 0 || assessment.next_move.move === "bin") return null;
  return (
    <section aria-labelledby="coming">
      <h2 id="coming" className="text-2xl">
        {jarText.coming}
      </h2>
      <ol className="mt-2">
        {ahead.map((step) => (
          <li key={step.number} className="grid grid-cols-[1fr_auto] gap-x-4 border-b border-rule py-2">
            <span className="font-semibold first-letter:uppercase">
              {dayWord(step.due, now, zone)} {clock(step.due, zone)}
            </span>
            <span className="text-soft">{commonText.day(step.day)}</span>
            <span className="col-span-2 text-soft">
              {step.waits_for.length > 0 && commonText.once(sightWords(step.waits_for))}
              {taskLine(step.do)}
            </span>
          </li>
        ))}
      </ol>
      <ButtonLink look="plain" to={`/jars/${opened.jar.id}/plan`} className="mt-2 -ms-3">
        {jarText.theWholePlan}
      </ButtonLink>
    </section>
  );
}

/** What moved the plan, the latest first. */
export function Changes({ opened }: { readonly opened: OpenJar }) {
  const { assessment, now, time_zone: zone } = opened;
  const changes = [...assessment.changes]
    .sort((a, b) => Date.parse(b.at) - Date.parse(a.at))
    .slice(0, MOST_CHANGES);
  if (changes.length === 0) return null;
  return (
    <section aria-labelledby="changes" className="mt-8">
      <h2 id="changes" className="text-2xl">
        {commonText.whatMovedIt}
      </h2>
      <ul className="mt-2">
        {changes.map((change) => (
          <li
            key={`${change.code}.${change.at}`}
            className="border-b border-rule py-2 first-letter:uppercase"
          >
            {changeLine(change, now, zone)}
          </li>
        ))}
      </ul>
    </section>
  );
}
