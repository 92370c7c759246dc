import type { FeedPlan, LogEntry, OpenJar, Problem, ScaleStep, Sheet } from "../../api/types";
import { mixColour } from "../../drawing/colours";
import { JarDrawing } from "../../drawing/jar";
import { jarState } from "../../drawing/jar-state";
import { grams } from "../../lib/numbers";
import { NumberField } from "../../ui/field";
import { FLOUR_WORDS } from "../../words/flours";
import { problemAt } from "../../words/problems";
import type { FeedDraft } from "./draft";
import { ACT_HINTS, actWords, roomWords } from "./wording";

type Parts = {
  readonly sheet: Sheet;
  readonly opened: OpenJar;
  readonly editing: LogEntry | null;
  readonly draft: FeedDraft;
  readonly set: (part: Partial<FeedDraft>) => void;
  readonly problems: readonly Problem[];
};

/** The walk on the scale: what to do, what the scale then shows, and what really went in. */
export function Walk(parts: Parts) {
  const { sheet, opened, editing } = parts;
  const { plan } = sheet;
  const mixed = [...(opened.assessment.in_jar?.flours ?? []), ...plan.flours];
  const state = {
    ...jarState({ ...opened.assessment, jar: opened.jar }),
    lineMm: sheet.line_mm || (opened.assessment.in_jar?.line_mm ?? null),
    times: 1,
    highest: null,
    colour: mixColour(mixed),
    bubbles: null,
    top: [],
  };
  const total = (sheet.scale_walk.at(-1)?.scale_shows_g ?? 0) - opened.jar.tare_g;
  const room = editing ? null : roomWords(sheet);
  return (
    <div className="mt-6 grid gap-8 md:grid-cols-[1fr_auto]">
      <div>
        {editing ? (
          <div className="grid max-w-xl gap-4 sm:grid-cols-3">
            <RealFields {...parts} />
          </div>
        ) : (
          <ol className="flex flex-col">
            {sheet.scale_walk.map((step, index) => (
              <Row key={`${step.do}.${step.flour ?? ""}`} step={step} number={index + 1} {...parts} />
            ))}
          </ol>
        )}
        {room && <p className="mt-4 rounded-lg border-l-4 border-water bg-card p-4">{room}</p>}
      </div>
      {!editing && (
        <aside aria-label="After the feed" className="hidden flex-col items-center gap-2 text-center md:flex">
          <JarDrawing state={state} scale={2} lid={false} />
          <p className="font-semibold">{grams(total)} in the jar</p>
          <p className="text-soft">
            {plan.keep_g === 0 ? "flour and water" : (sheet.mend?.ratio_as_is ?? plan.ratio)}
            {plan.fresh_hydration_percent !== null &&
              ` · ${Math.round(plan.fresh_hydration_percent)} % water to flour`}
          </p>
        </aside>
      )}
    </div>
  );
}

function Row({ step, number, ...parts }: Parts & { readonly step: ScaleStep; readonly number: number }) {
  return (
    <li className="grid grid-cols-[1fr_auto] items-center gap-x-4 gap-y-2 border-b border-rule py-4 sm:grid-cols-[1fr_8rem_8rem]">
      <div>
        <p className="text-xl font-semibold">
          <span aria-hidden="true" className="mr-2 font-serif text-crust">
            {number}
          </span>
          {actWords(step)}
        </p>
        <p className="text-soft">{ACT_HINTS[step.do]}</p>
      </div>
      <p className="text-right">
        <span className="block text-sm text-soft">scale shows</span>
        <span className="text-4xl font-bold">{grams(step.scale_shows_g)}</span>
      </p>
      <div className="col-span-2 sm:col-span-1">
        <Real step={step} {...parts} />
      </div>
    </li>
  );
}

function Real({ step, sheet, opened, draft, set, problems }: Parts & { readonly step: ScaleStep }) {
  const { plan } = sheet;
  if (step.do === "take_out" || step.do === "add_seed" || step.do === "add_culture") {
    // What was planned, not what the sheet makes of the weight being typed here.
    const planned = opened.assessment.next_move.plan?.keep_g ?? plan.keep_g;
    return <Kept draft={draft} set={set} problems={problems} planned={planned} />;
  }
  if (step.do === "add_water") {
    return (
      <NumberField
        {...unless("Water", plan.water_g)}
        unit="g"
        value={draft.water}
        onChange={(event) => set({ water: event.target.value })}
        error={problemAt(problems, "water_g")}
      />
    );
  }
  const { flour } = step;
  if (step.do !== "add_flour" || !flour) return null;
  return (
    <NumberField
      {...unless(capital(FLOUR_WORDS[flour]), step.add_g)}
      unit="g"
      value={draft.flours[flour] ?? ""}
      onChange={(event) => set({ flours: { ...draft.flours, [flour]: event.target.value } })}
      error={flourProblem(problems, plan, flour)}
    />
  );
}

function RealFields({ sheet, draft, set, problems }: Parts) {
  const { plan } = sheet;
  return (
    <>
      {plan.keep_g > 0 && <Kept draft={draft} set={set} problems={problems} planned={null} />}
      <NumberField
        label="Water"
        unit="g"
        value={draft.water}
        onChange={(event) => set({ water: event.target.value })}
        error={problemAt(problems, "water_g")}
      />
      {plan.flours.map((part) => (
        <NumberField
          key={part.flour}
          label={capital(FLOUR_WORDS[part.flour])}
          unit="g"
          value={draft.flours[part.flour] ?? ""}
          onChange={(event) => set({ flours: { ...draft.flours, [part.flour]: event.target.value } })}
          error={flourProblem(problems, plan, part.flour)}
        />
      ))}
    </>
  );
}

type KeptParts = Pick<Parts, "draft" | "set" | "problems"> & {
  readonly planned: number | null;
};

function Kept({ draft, set, problems, planned }: KeptParts) {
  return (
    <NumberField
      {...(planned === null ? { label: "Kept" } : unless("Kept", planned))}
      unit="g"
      value={draft.keep}
      onChange={(event) => set({ keep: event.target.value })}
      error={problemAt(problems, "keep_g")}
    />
  );
}

/** The server names a flour by its kind or, in a list, by its place. */
function flourProblem(problems: readonly Problem[], plan: FeedPlan, flour: string): string | null {
  const place = plan.flours.findIndex((part) => part.flour === flour);
  return problemAt(problems, `flours.${flour}`, `flours.${place}.g`);
}

function capital(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1);
}

/** The label of a field that is left empty when all went as planned. */
function unless(what: string, planned: number) {
  const label = `If not ${grams(planned)}`;
  return { label, "aria-label": `${what}, ${label.toLowerCase()}`, beside: true };
}
