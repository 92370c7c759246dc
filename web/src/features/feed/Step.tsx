import { type FormEvent, useEffect, useRef, useState } from "react";
import { api } from "../../api/client";
import { type ScaleState, useScale } from "../../api/scale";
import type { OpenJar, Problem, ScaleStep, Sheet } from "../../api/types";
import { forms } from "../../lib/forms";
import { grams, typed } from "../../lib/numbers";
import { useStored } from "../../lib/store";
import { when } from "../../lib/time";
import { amountOf, spoons } from "../../lib/units";
import { Button } from "../../ui/button";
import { Choice } from "../../ui/choice";
import { Confirm } from "../../ui/confirm";
import { NumberField } from "../../ui/field";
import {
  actHint,
  actWords,
  asTyped,
  blendLine,
  FLOUR_WORDS,
  feedText,
  fieldLabel,
  lifeText,
  problemAt,
  roomWords,
  roughly,
  STYLE_CHOICES,
  unitChoices,
} from "../../words";
import { type FeedDraft, type Field, fieldOf, isFarOff, meant, readOff, textOf, withText } from "./draft";
import { Filling } from "./Filling";
import { Mending } from "./Mending";

export type Parts = {
  readonly opened: OpenJar;
  readonly sheet: Sheet;
  readonly draft: FeedDraft;
  readonly set: (part: Partial<FeedDraft>) => void;
  /** What the scale shows after each step, as it really went. */
  readonly shows: readonly number[];
};

/** One step: what to do in a line, and the number that the scale should show, to be read from across the kitchen. */
export function StepScreen({
  opened,
  sheet,
  draft,
  set,
  shows,
  step,
  at,
  problems,
}: Parts & { readonly step: ScaleStep; readonly at: number; readonly problems: readonly Problem[] }) {
  const heading = useRef<HTMLHeadingElement>(null);
  useEffect(() => heading.current?.focus({ preventScroll: true }), []);
  const session = api.useQuery("get", "/api/session");
  const [on, setOn] = useStored<boolean>("scale.on", false);
  const scale = useScale(session.data?.scale ?? null, on);
  const target = shows[at] ?? 0;
  const hand = sheet.plan.by_hand !== null;
  const unit = hand ? "spoons" : draft.unit;
  const tare = sheet.tare_g ?? 0;
  // After jar and all were zeroed away, each number counts from nothing.
  const zeroed = step.from_zero && step.do !== "take_out";
  const before =
    at > 0 && !zeroed ? (shows[at - 1] ?? 0) : step.from_zero ? step.add_g - step.brings_g : tare;
  const [asking, setAsking] = useState<string | null>(null);
  const field = fieldOf(step);
  const planned = step.brings_g;
  const next = (event: FormEvent) => {
    event.preventDefault();
    // A hand that presses on is done pouring, whether the display has come to rest or not.
    const read = scale.is === "there" && field && textOf(draft, field) === "";
    const from = step.do === "take_out" && !step.from_zero ? tare : before;
    const correction = read
      ? withText(draft, field, readOff(scale.grams, from, planned, sheet.tolerance))
      : {};
    const corrected = { ...draft, ...correction };
    const isSlip = field && isFarOff(corrected, step, sheet.tolerance);
    if (isSlip && !corrected.sure?.includes(meant(corrected, field))) {
      set(correction);
      setAsking(textOf(corrected, field));
    } else set({ ...correction, step: at + 1 });
  };
  const soon = minutesSinceFed(opened);
  const early = opened.assessment.next_move.state === "not_yet" && opened.assessment.next_move.due;
  const room = at === 0 ? roomWords(sheet) : null;
  return (
    <form onSubmit={next} noValidate className="mt-5 grid gap-x-12 gap-y-6 md:grid-cols-[1fr_auto]">
      <div className="flex min-w-0 flex-col gap-4">
        {step.do === "add_flour" && sheet.plan.mix_ahead.length > 0 && (
          <p className="max-w-prose border-s-4 border-dawn ps-4">
            {lifeText.mixThemAhead(blendLine(sheet.plan.mix_ahead))}
          </p>
        )}
        {at === 0 && soon !== null && (
          <p className="max-w-prose border-s-4 border-crust ps-4 text-lg">{feedText.againSoSoon(soon)}</p>
        )}
        {at === 0 && early && (
          <p className="max-w-prose text-soft">
            {feedText.itIsEarlyTheNext(when(early, opened.now, opened.time_zone))}
          </p>
        )}
        <div>
          <h2
            ref={heading}
            tabIndex={-1}
            aria-describedby="step-shows step-hint"
            className="text-3xl outline-none sm:text-4xl"
          >
            {actWords(step, unit, sheet)}
          </h2>
          <p id="step-hint" className="mt-1 text-lg text-soft">
            {actHint(step, sheet)}
          </p>
        </div>
        {hand ? (
          step.add_g !== 0 && (
            <p className="text-soft">
              {feedText.about(grams(roughly(Math.abs(step.add_g))))}. {feedText.withoutAScale}
            </p>
          )
        ) : WEIGHS_NOTHING.has(step.do) ? null : (
          <Target target={target} unit={draft.unit} step={step} gPerOz={sheet.g_per_oz} zero={zeroed} />
        )}
        {!hand && <EmptyJar step={step} draft={draft} set={set} problems={problems} />}
        {on && !hand && !step.from_zero && (
          <Live
            scale={scale}
            target={target}
            near={sheet.tolerance.near_g}
            takesOut={step.do === "take_out"}
          />
        )}
        {sheet.mend && (
          <div aria-live="polite">
            <Mending mend={sheet.mend} sheet={sheet} draft={draft} set={set} backTo={before + planned} />
          </div>
        )}
        <div className="flex gap-3">
          {at > 0 && <Button onClick={() => set({ step: at - 1 })}>{feedText.back}</Button>}
          <Button type="submit" look="act" className="grow text-lg sm:grow-0 sm:px-14">
            {feedText.next3}
          </Button>
        </div>
        {field && (
          <Real
            field={field}
            step={step}
            hand={hand}
            draft={draft}
            set={set}
            error={problemOf(problems, field, sheet)}
          />
        )}
        {room && <p className="max-w-prose rounded-lg border-s-4 border-water bg-card p-4">{room}</p>}
        {at === 0 && <How opened={opened} sheet={sheet} draft={draft} set={set} hand={hand} />}
        {!hand && (
          <Button look="plain" className="-ms-3 self-start" onClick={() => setOn(!on)}>
            {on ? feedText.stopReadingTheScale : feedText.readMyScale}
          </Button>
        )}
      </div>
      <Filling opened={opened} sheet={sheet} shows={shows} at={at} />
      {field && (
        <Confirm
          open={asking !== null}
          onOpenChange={() => setAsking(null)}
          title={feedText.plannedAre(asTyped(asking ?? ""), grams(planned))}
          yes={feedText.yesThatIsRight}
          no={feedText.letMeLook}
          onYes={() => set({ sure: [...(draft.sure ?? []), meant(draft, field)], step: at + 1 })}
        >
          <p>{feedText.isItASlip}</p>
        </Confirm>
      )}
    </form>
  );
}

/** A feed within this many minutes of another is likely the same one, sent twice by hand. */
const SOON_MINUTES = 30;

function minutesSinceFed({ assessment, now }: OpenJar): number | null {
  const fed = assessment.since_feed;
  if (!fed) return null;
  const minutes = Math.round((Date.parse(now) - Date.parse(fed.fed_at)) / 60_000);
  return minutes < SOON_MINUTES ? minutes : null;
}

/** Acts at which no scale is read. */
const WEIGHS_NOTHING: ReadonlySet<ScaleStep["do"]> = new Set(["pour_off", "read_ph"]);

/** The weight of the jar, asked once: empty at the first mix, else with all that is in it. */
function EmptyJar({
  step,
  draft,
  set,
  problems,
}: Pick<Parts, "draft" | "set"> & { readonly step: ScaleStep; readonly problems: readonly Problem[] }) {
  const empty = step.do === "empty_jar" && (step.scale_shows_g === 0 || draft.tare !== undefined);
  const full = step.do === "take_out" && (step.from_zero || draft.jarAndAll !== undefined);
  if (!empty && !full) return null;
  return (
    <div className="max-w-80">
      <NumberField
        label={empty ? feedText.theEmptyJarWeighs : feedText.jarAndAllWeighs}
        unit="g"
        hint={feedText.thenTheScaleTells}
        value={(empty ? draft.tare : draft.jarAndAll) ?? ""}
        onText={(text) => set(empty ? { tare: text } : { jarAndAll: text })}
        error={problemAt(problems, empty ? "tare_g" : "jar_and_all_g")}
      />
    </div>
  );
}

function Target({
  target,
  unit,
  step,
  gPerOz,
  zero,
}: {
  readonly zero: boolean;
  readonly target: number;
  readonly unit: FeedDraft["unit"];
  readonly step: ScaleStep;
  readonly gPerOz: number;
}) {
  const big = unit === "spoons" ? grams(target) : amountOf({ add_g: target, in_spoons: [] }, unit, gPerOz);
  return (
    <p id="step-shows" className="leading-none">
      <span className="block text-soft">
        {zero && `${feedText.pressZero} `}
        {step.do === "empty_jar" ? feedText.theScaleShows : feedText.theScaleThenShows}
      </span>
      <span className="mt-2 block text-[clamp(4.5rem,20vw,8.5rem)] font-bold tracking-tight">{big}</span>
      {unit !== forms().mass && step.add_g !== 0 && (
        <span className="text-lg text-soft">
          {feedText.isIt2(amountOf(step, unit, gPerOz), grams(Math.abs(step.add_g)))}
        </span>
      )}
    </p>
  );
}

/** The scale as it stands: how far it is, said aloud only once it rests. */
function Live({
  scale,
  target,
  near,
  takesOut,
}: {
  readonly scale: ScaleState;
  readonly target: number;
  /** So near it is there. */
  readonly near: number;
  readonly takesOut: boolean;
}) {
  if (scale.is === "away")
    return (
      <p role="status" className="max-w-prose border-s-4 border-water ps-4">
        {feedText.theScaleIsSilentGo}
      </p>
    );
  const off = Math.round((target - scale.grams) * 10) / 10;
  const there = Math.abs(off) <= near;
  const words = there
    ? feedText.thatIsIt
    : `${grams(Math.abs(off))} ${off > 0 === takesOut ? (takesOut ? feedText.tooLittleLeft : feedText.tooMuch) : takesOut ? feedText.stillToTakeOut : feedText.toGo}`;
  return (
    <div className={`max-w-md border-s-4 ps-4 ${there ? "border-leaf" : "border-water"}`}>
      <p className="text-3xl font-bold">
        {grams(Math.round(scale.grams * 10) / 10)}
        <span className="ms-3 text-lg font-semibold text-soft">{feedText.onTheScaleNow}</span>
      </p>
      <p
        aria-live={scale.stable ? "polite" : "off"}
        className={`text-xl ${there ? "font-bold text-leaf" : ""}`}
      >
        {words}
      </p>
    </div>
  );
}

/** What really went in, where that is other than planned. */
function Real({
  field,
  step,
  hand,
  draft,
  set,
  error,
}: Pick<Parts, "draft" | "set"> & {
  readonly field: Field;
  readonly step: ScaleStep;
  readonly hand: boolean;
  readonly error: string | null;
}) {
  const spoon = hand && step.in_spoons[0] && step.spoon_g ? step.spoon_g : null;
  const [counted, setCounted] = useState("");
  const planned = spoon ? spoons(step.in_spoons) : grams(step.brings_g);
  // By hand it is counted in the measure that was asked for; what is no number goes on as typed.
  const count = (text: string) => {
    setCounted(text);
    const value = typed(text);
    const g =
      value === null || Number.isNaN(value) ? text : String(Math.round(value * (spoon ?? 1) * 10) / 10);
    // Counted out of a jar, what stays is the rest.
    const kept =
      step.do === "take_out" && typed(g) !== null ? String(step.brings_g - step.add_g - Number(g)) : g;
    set(withText(draft, field, kept));
  };
  const { label } = fieldLabel(field, planned, (flour) => FLOUR_WORDS[flour]);
  return (
    <div className="max-w-60">
      <NumberField
        label={spoon && step.do === "take_out" ? feedText.takenOutIfNot(planned) : label}
        unit={spoon ? (step.in_spoons[0]?.unit ?? "g") : "g"}
        value={spoon ? counted : textOf(draft, field)}
        onText={(text) => (spoon ? count(text) : set(withText(draft, field, text)))}
        error={error}
      />
    </div>
  );
}

/** How it is fed this time, and in which unit it is said. */
function How({
  opened,
  sheet,
  draft,
  set,
  hand,
}: Pick<Parts, "opened" | "sheet" | "draft" | "set"> & { readonly hand: boolean }) {
  const first = opened.assessment.in_jar === null;
  const chosen = draft.keepsAll ? "keeps_all" : sheet.style === "clean_jar" ? "clean_jar" : "in_the_jar";
  if (first && hand) return null;
  return (
    <details>
      <summary className="min-h-11 py-2 font-semibold text-crust">
        {hand ? feedText.anotherWayCleanJar : feedText.anotherWayCleanJarNo}
      </summary>
      <div className="flex flex-col gap-4 pt-2">
        {!first && (
          <Choice
            label={feedText.thisTime}
            items={STYLE_CHOICES}
            value={chosen}
            onChange={(way) =>
              way &&
              set({
                keepsAll: way === "keeps_all",
                style: way === "keeps_all" ? "in_the_jar" : way,
                keep: "",
              })
            }
          />
        )}
        {!hand && (
          <Choice
            label={feedText.saidIn}
            items={unitChoices()}
            value={draft.unit}
            onChange={(unit) => unit && set({ unit })}
          />
        )}
      </div>
    </details>
  );
}

/** The server names a flour by its kind or, in a list, by its place. */
export function problemOf(problems: readonly Problem[], field: Field, sheet: Sheet): string | null {
  if (field.of === "keep") return problemAt(problems, "keep_g");
  if (field.of === "water" || field.of === "held") return problemAt(problems, "water_g");
  const place = sheet.plan.flours.findIndex((part) => part.flour === field.flour);
  return problemAt(problems, `flours.${field.flour}`, `flours.${place}.g`);
}
