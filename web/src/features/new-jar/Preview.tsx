import { keepPreviousData } from "@tanstack/react-query";
import { api } from "../../api/client";
import type { Family } from "../../api/types";
import { mixColour } from "../../drawing/colours";
import { JarDrawing } from "../../drawing/jar";
import { grams } from "../../lib/numbers";
import { when } from "../../lib/time";
import { flourList } from "../../words/flours";
import { problemWords } from "../../words/problems";
import { type JarDraft, jarOf } from "./draft";

/** What the jar will ask for, worked out while the baker chooses. */
export function Preview({
  draft,
  family,
  zone,
}: {
  readonly draft: JarDraft;
  readonly family: Family;
  readonly zone: string;
}) {
  const now = Date.now();
  const { id: _id, ...jar } = jarOf(draft, family, Math.floor(now / 60_000) * 60_000, zone);
  // The plan does not wait for the name and the weight of the jar.
  const body = { ...jar, name: "preview", tare_g: 0 };
  const preview = api.useQuery(
    "post",
    "/api/preview",
    { body },
    { placeholderData: keepPreviousData, retry: false },
  );
  const plan = preview.data?.timeline ?? [];
  const mix = plan[0]?.plan;
  const usual = plan[1]?.plan;
  const glass = { volumeMl: Number(body.volume_ml) || 0, heightMm: Number(body.height_mm) || 0 };
  const drawable =
    glass.volumeMl >= 30 && glass.heightMm >= 20 && glass.volumeMl <= 10_000 && glass.heightMm <= 500;
  return (
    <aside
      aria-label="The plan"
      aria-live="polite"
      className="flex flex-col gap-4 md:border-l-2 md:border-rule md:pl-8"
    >
      <h2 className="text-2xl">What it asks of you</h2>
      {preview.error?.errors && (
        <p className="font-semibold text-alarm">{preview.error.errors.map(problemWords).join(" ")}</p>
      )}
      {drawable && usual && (
        <JarDrawing
          scale={Math.min(1.8, 230 / glass.heightMm)}
          lid={false}
          state={{
            glass,
            lineMm: preview.data?.usual_line_mm ?? null,
            times: 1,
            highest: null,
            colour: mixColour(usual.flours),
            bubbles: null,
            top: [],
            gone: false,
          }}
        />
      )}
      {preview.data?.room_is_tight && (
        <p className="border-l-4 border-water pl-4">
          This jar is full early: a lively starter may run over. Take a bigger jar, or keep less seed.
        </p>
      )}
      <ol className="flex flex-col gap-3">
        {plan.slice(0, 4).map((step) => (
          <li key={step.number} className="border-b border-rule pb-2">
            <span className="block font-semibold first-letter:uppercase">{when(step.due, now, zone)}</span>
            {step.plan &&
              (step.act === "mix"
                ? `Mix ${flourList(step.plan.flours)} with ${grams(step.plan.water_g)} water.`
                : `Keep ${grams(step.plan.keep_g)}, add ${grams(step.plan.water_g)} water and ${flourList(step.plan.flours)}.`)}
          </li>
        ))}
      </ol>
      {mix && usual && (
        <p className="text-soft">
          Then on in the same way until it reliably doubles, often one to two weeks. Each day uses{" "}
          {grams((usual.total_g - usual.keep_g) * (24 / body.choices.every_hours))} of flour and water and
          takes as much out.
        </p>
      )}
      <p className="text-soft">
        Whole rye wakes a jar soonest, then whole wheat, then white. Wheat, rye and spelt are allergens; a
        long ferment does not change that.
      </p>
    </aside>
  );
}
