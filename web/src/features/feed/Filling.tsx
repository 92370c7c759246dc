import type { OpenJar, Sheet } from "../../api/types";
import { mixColour } from "../../drawing/colours";
import { JarDrawing } from "../../drawing/jar";
import { jarState } from "../../drawing/jar-state";
import { grams } from "../../lib/numbers";
import { feedText, roughly } from "../../words";

/** The drawn jar as it fills, step by step. */
export function Filling({
  opened,
  sheet,
  shows,
  at,
}: {
  readonly opened: OpenJar;
  readonly sheet: Sheet;
  readonly shows: readonly number[];
  readonly at: number;
}) {
  const { assessment } = opened;
  const { plan } = sheet;
  // What the readings say that is in it, whether or not the scale was zeroed on the way.
  const zeroed = sheet.scale_walk.some((step) => step.from_zero);
  const kept = zeroed ? (sheet.scale_walk.find((step) => step.do === "take_out")?.brings_g ?? 0) : 0;
  const base = zeroed ? -kept : (sheet.tare_g ?? 0);
  const shown = shows[Math.min(at, shows.length - 1)] ?? 0;
  const out = zeroed && sheet.scale_walk[at]?.do === "take_out";
  const now = Math.max(0, out ? kept : shown - base);
  const full = Math.max(1, (shows.at(-1) ?? 0) - base);
  const inNow = sheet.scale_walk
    .slice(0, at + 1)
    .flatMap((step) => (step.flour ? [{ flour: step.flour, g: step.add_g }] : []));
  const old = assessment.in_jar?.flours ?? [];
  const state = {
    ...jarState({ ...assessment, jar: assessment.stands.vessel }),
    lineMm: sheet.line_mm || (assessment.in_jar?.line_mm ?? null),
    levelMm: (sheet.line_mm || (assessment.in_jar?.line_mm ?? 0)) * (now / full),
    highMm: null,
    colour: mixColour(plan.keep_g > 0 ? [...old, ...inNow] : inNow),
    bubbles: null,
    top: [],
  };
  return (
    <aside
      aria-label={feedText.theJarSoFar}
      className="row-start-1 flex items-center gap-4 md:row-start-auto md:flex-col md:text-center"
    >
      <span className="hidden md:block">
        <JarDrawing state={state} scale={2} lid={false} />
      </span>
      <span className="md:hidden">
        <JarDrawing state={state} scale={0.7} lid={false} />
      </span>
      <p>
        <span className="block font-semibold">
          {feedText.inTheJar(grams(plan.by_hand ? roughly(now) : now))}
        </span>
        <span className="text-soft">
          {whatItWillBe(plan)}
          {plan.fresh_hydration_percent !== null &&
            !plan.by_hand &&
            feedText.waterToFlour(Math.round(plan.fresh_hydration_percent))}
        </span>
      </p>
    </aside>
  );
}

function whatItWillBe(plan: Sheet["plan"]): string {
  if (plan.keep_g === 0) return feedText.flourAndWater;
  return plan.flours.length === 0 ? feedText.aSoak : feedText.toBe(plan.ratio);
}
