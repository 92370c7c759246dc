import type { LevelUnit, OpenJar } from "../../api/types";
import { glassSpan, glassWidth, JarDrawing } from "../../drawing/jar";
import { jarState } from "../../drawing/jar-state";
import { percent, times as timesWords, typed } from "../../lib/numbers";
import { Button } from "../../ui/button";
import { Choice, choiceItems } from "../../ui/choice";
import { NumberField } from "../../ui/field";
import { LevelSlider } from "../../ui/level-slider";
import { commonText, lookText, UNIT_NAMES } from "../../words";
import { asSeen, boundsOf, fromSeen, type LookDraft, lineOf, toSeen } from "./draft";

const UNIT_HINTS: Record<LevelUnit, string> = {
  times: lookText.timesTheLine2Is,
  percent: lookText.risenBySoMuch100,
  mm: lookText.fromTheInsideBottomOf,
  ml: lookText.asTheScaleOnThe,
};
/** Millimetres may be typed as inches. */
const unitOf = (unit: LevelUnit) => (unit === "mm" ? { unit } : {});
const SCALE = 3;
/** How far one press of an arrow key goes, and how far over the level a smear is first drawn. */
const KEY_STEP = 0.05;
const SMEAR_OVER = 0.2;

/** The drawn jar as the control: the level, and the smear that it left on the glass when it stood higher. */
export function LevelPart({
  opened,
  draft,
  set,
  errors,
  onOverflow,
}: {
  readonly opened: OpenJar;
  readonly draft: LookDraft;
  readonly set: (part: Partial<LookDraft>) => void;
  readonly errors: { readonly level: string | null; readonly high: string | null };
  /** Given where the level stands above the rim: it may have run over. */
  readonly onOverflow: (() => void) | null;
}) {
  const { assessment } = opened;
  const { since_feed: since } = assessment;
  const line = lineOf(opened);
  if (!line) return null;
  const { least, most } = boundsOf(line);
  const last = asSeen(since?.last?.times ?? 1, line);
  const value = typed(draft.level);
  const given = value === null || Number.isNaN(value) ? null : toSeen(value, draft.unit, line);
  const seen = Math.min(most, Math.max(least, given ?? last));
  const highValue = typed(draft.high);
  const high =
    highValue === null || Number.isNaN(highValue)
      ? null
      : Math.min(most, toSeen(highValue, draft.unit, line));
  const move = (next: number) => set({ level: String(fromSeen(next, draft.unit, line)) });
  const moveHigh = (next: number) => set({ smear: true, high: String(fromSeen(next, draft.unit, line)) });
  const state = {
    ...jarState({ ...assessment, jar: assessment.stands.vessel }),
    levelMm: seen * line.mm,
    highMm: high === null ? null : high * line.mm,
    top: draft.top,
    bubbles: draft.bubbles ?? since?.bubbles ?? null,
  };
  const { rim, foot } = glassSpan(state.glass, SCALE, false);
  const { left, width } = glassWidth(state.glass, SCALE);
  const said = (of: number) => lookText.mm(timesWords(of), Math.round(of * line.mm));
  const track = { from: 0, to: most, step: KEY_STEP, width, height: foot - rim };

  return (
    <section
      aria-label={commonText.level}
      className="flex flex-col items-center gap-4 md:sticky md:top-4 md:self-start"
    >
      <div className="relative mx-8">
        <JarDrawing state={state} scale={SCALE} lid={false} />
        <div className="absolute" style={{ top: rim, left }}>
          <LevelSlider
            {...track}
            label={lookText.levelOnTheJar}
            valueText={said(seen)}
            value={seen}
            onChange={(next) => move(Math.max(least, next))}
            isSet={given !== null}
          />
        </div>
        {high !== null && (
          <div className="pointer-events-none absolute" style={{ top: rim, left }}>
            <LevelSlider
              {...track}
              smear
              label={lookText.highMarkOnTheGlass}
              valueText={said(high)}
              value={high}
              onChange={(next) => moveHigh(Math.max(least, next))}
              isSet
            />
          </div>
        )}
      </div>
      <output className="text-center">
        <span className={`block text-4xl font-bold ${given === null ? "text-soft" : ""}`}>
          {timesWords(seen)}
        </span>
        <span className="text-soft">
          {lookText.mm2(
            Math.round(seen * line.mm),
            seen >= 1 ? "+" : "",
            percent((seen - 1) * 100),
            given === null ? lookText.lastSeenDragOrType : "",
          )}
        </span>
      </output>
      <div className="flex w-72 max-w-full flex-col gap-3">
        <NumberField
          label={commonText.level}
          {...unitOf(draft.unit)}
          value={draft.level}
          error={errors.level}
          hint={UNIT_HINTS[draft.unit]}
          onText={(text) => set({ level: text })}
        />
        {onOverflow && <Button onClick={onOverflow}>{lookText.itRanOverNoteIt}</Button>}
        {!draft.smear ? (
          <Button onClick={() => moveHigh(Math.min(most, seen + SMEAR_OVER))}>
            {lookText.aSmearShowsItWas}
          </Button>
        ) : (
          <div className="flex items-end gap-2">
            <NumberField
              label={commonText.highMark}
              {...unitOf(draft.unit)}
              value={draft.high}
              error={errors.high}
              hint={lookText.theDottedLineTheHighest}
              onText={(text) => set({ high: text })}
            />
            <Button look="plain" className="mb-7" onClick={() => set({ smear: false, high: "" })}>
              {lookText.none}
            </Button>
          </div>
        )}
        <Choice
          label={lookText.measuredIn}
          items={choiceItems(UNIT_NAMES)}
          value={draft.unit}
          onChange={(unit) =>
            unit &&
            set({
              unit,
              level: given === null ? draft.level : String(fromSeen(given, unit, line)),
              high: high === null ? draft.high : String(fromSeen(high, unit, line)),
            })
          }
        />
        {given === null ? (
          <Button onClick={() => move(last)}>{lookText.sameAsLastSeen}</Button>
        ) : (
          <Button look="plain" onClick={() => set({ level: "" })}>
            {lookText.noLevelThisTime}
          </Button>
        )}
      </div>
    </section>
  );
}
