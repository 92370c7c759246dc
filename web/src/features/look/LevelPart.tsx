import type { LevelUnit, OpenJar } from "../../api/types";
import { glassSpan, glassWidth, JarDrawing } from "../../drawing/jar";
import { jarState } from "../../drawing/jar-state";
import { percent, times as timesWords, typed } from "../../lib/numbers";
import { Button } from "../../ui/button";
import { Choice } from "../../ui/choice";
import { NumberField } from "../../ui/field";
import { LevelSlider } from "../../ui/level-slider";
import { fromTimes, type LookDraft, toTimes } from "./draft";

const UNITS = [
  { value: "times", label: "×" },
  { value: "percent", label: "+ %" },
  { value: "mm", label: "mm" },
  { value: "ml", label: "ml" },
] as const;
const UNIT_HINTS: Record<LevelUnit, string> = {
  times: "Times the line: 2 is doubled.",
  percent: "Risen by so much: 100 is doubled.",
  mm: "From the inside bottom of the jar.",
  ml: "As the scale on the jar shows it.",
};
const SCALE = 3;
const LEAST = 0.2;

/** The drawn jar as the control, the same level in three units, and a field to type it. */
export function LevelPart({
  opened,
  draft,
  set,
  error,
}: {
  readonly opened: OpenJar;
  readonly draft: LookDraft;
  readonly set: (part: Partial<LookDraft>) => void;
  readonly error: string | null;
}) {
  const { jar, assessment } = opened;
  const { in_jar: held, since_feed: since } = assessment;
  if (!held) return null;
  const line = { mm: held.line_mm, ml: (held.line_mm / jar.height_mm) * jar.volume_ml };
  const last = since?.last?.times ?? 1;
  const value = typed(draft.level);
  const given = value === null || Number.isNaN(value) ? null : toTimes(value, draft.unit, line);
  const times = Math.min(held.room_times, Math.max(LEAST, given ?? last));
  const move = (next: number) => set({ level: String(fromTimes(next, draft.unit, line)) });
  const state = {
    ...jarState({ ...assessment, jar }),
    times,
    highest: null,
    top: draft.top,
    bubbles: draft.bubbles ?? since?.bubbles ?? null,
  };
  const { rim, foot } = glassSpan(state.glass, SCALE, false);
  const { left, width } = glassWidth(state.glass, SCALE);
  const text = `${timesWords(times)}, ${Math.round(times * line.mm)} mm`;

  return (
    <section aria-label="Level" className="flex flex-col items-center gap-4 md:sticky md:top-4 md:self-start">
      <div className="relative mr-6">
        <JarDrawing state={state} scale={SCALE} lid={false} />
        <div className="absolute" style={{ top: rim, left }}>
          <LevelSlider
            label="Level on the jar"
            valueText={text}
            value={times}
            from={0}
            to={held.room_times}
            step={0.05}
            onChange={(next) => move(Math.max(LEAST, next))}
            isSet={given !== null}
            width={width}
            height={foot - rim}
          />
        </div>
      </div>
      <output className="text-center">
        <span className={`block text-4xl font-bold ${given === null ? "text-soft" : ""}`}>
          {timesWords(times)}
        </span>
        <span className="text-soft">
          {Math.round(times * line.mm)} mm · {times >= 1 ? "+" : ""}
          {percent((times - 1) * 100)}
          {given === null && " · last seen; drag or type"}
        </span>
      </output>
      <div className="flex w-72 max-w-full flex-col gap-3">
        <NumberField
          label="Level"
          value={draft.level}
          error={error}
          hint={UNIT_HINTS[draft.unit]}
          onChange={(event) => set({ level: event.target.value })}
        />
        <Choice
          label="Measured in"
          items={UNITS}
          value={draft.unit}
          onChange={(unit) =>
            unit && set({ unit, level: given === null ? draft.level : String(fromTimes(given, unit, line)) })
          }
        />
        {given === null ? (
          <Button onClick={() => move(last)}>Same as last seen</Button>
        ) : (
          <Button look="plain" onClick={() => set({ level: "" })}>
            No level this time
          </Button>
        )}
      </div>
    </section>
  );
}
