import type { OpenJar } from "../../api/types";
import { grams } from "../../lib/numbers";
import { clock, dayWord } from "../../lib/time";

const MOST = 6;

/** The next acts by the plan. */
export function Coming({ opened }: { readonly opened: OpenJar }) {
  const { assessment, now, time_zone: zone } = opened;
  const ahead = assessment.timeline.filter((step) => step.state !== "done").slice(0, MOST);
  if (ahead.length === 0 || assessment.next_move.move === "bin") return null;
  return (
    <section aria-labelledby="coming">
      <h2 id="coming" className="text-2xl">
        Coming
      </h2>
      <ol className="mt-2">
        {ahead.map((step) => (
          <li key={step.number} className="grid grid-cols-[1fr_auto] gap-x-4 border-b border-rule py-2">
            <span className="font-semibold first-letter:uppercase">
              {dayWord(step.due, now, zone)} {clock(step.due, zone)}
            </span>
            <span className="text-soft">day {step.day}</span>
            {step.plan && (
              <span className="col-span-2 text-soft">
                {step.act === "mix" ? "first mix" : `keep ${grams(step.plan.keep_g)}`},{" "}
                {grams(step.plan.water_g)} water,{" "}
                {grams(step.plan.flours.reduce((sum, part) => sum + part.g, 0))} flour
              </span>
            )}
          </li>
        ))}
      </ol>
    </section>
  );
}
