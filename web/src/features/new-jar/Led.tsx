import { type ReactNode, useEffect, useRef } from "react";
import { Link } from "react-router";
import { http } from "../../api/client";
import type { Catalogue, Flour, Glass, Origin, Problem } from "../../api/types";
import { useFlourNames, useShelfFirst } from "../../parts/flours";
import { GlassPart, STRAIGHT } from "../../parts/glass";
import { BAND_ALL_DAY, BAND_BOTH_ENDS, BAND_EVENING } from "../../parts/hours";
import { NotSaved } from "../../parts/not-saved";
import { PlacePart } from "../../parts/place";
import { Button } from "../../ui/button";
import { Choice, Choices } from "../../ui/choice";
import { NumberField, TextField } from "../../ui/field";
import {
  commonText,
  FAMILY_WORDS,
  GLASS_WORDS,
  ledText,
  newJarText,
  ORIGIN_WORDS,
  PLACE_WORDS,
  problemAt,
} from "../../words";
import type { Choosing } from "./choosing";
import { flourOfAll, type JarDraft, withFlour } from "./draft";
import { Preview } from "./Preview";

type Item = { readonly value: string; readonly label: string; readonly hint?: string | undefined };

/** One question of a screen: pressing an answer goes on to the next. */
type Question = {
  readonly title: string;
  readonly items: readonly Item[];
  readonly value: string | null;
  readonly answer: (value: string) => Partial<JarDraft>;
  /** What is opened for who has more to say, and left by a button. */
  readonly more?: { readonly label: string; readonly part: ReactNode };
};

const ORIGINS = Object.keys(ORIGIN_WORDS) as Origin[];
const HOURS = { all_day: BAND_ALL_DAY, both_ends: BAND_BOTH_ENDS, evening: BAND_EVENING };

/** A new jar, one question a screen, with the plan growing beside it. */
export function Led({
  catalogue,
  choosing,
  problems,
  busy,
  allHref,
}: {
  readonly catalogue: Catalogue;
  readonly choosing: Choosing;
  readonly problems: readonly Problem[];
  readonly busy: boolean;
  /** The whole board, with what was chosen so far. */
  readonly allHref: string;
}) {
  const { draft, set, rested, restedFamily, zone } = choosing;
  const questions = useQuestions(catalogue, choosing);
  const at = Math.min(draft.asked, questions.length);
  const asked = questions[at];
  const heading = useRef<HTMLHeadingElement>(null);
  // biome-ignore lint/correctness/useExhaustiveDependencies: a new question is a new page to who listens
  useEffect(() => {
    heading.current?.focus({ preventScroll: true });
    globalThis.scrollTo(0, 0);
  }, [at]);
  const isLast = asked === undefined;
  return (
    <div className="mt-4 grid gap-10 md:grid-cols-[1fr_22rem]">
      <div className="flex min-w-0 flex-col gap-6">
        <div>
          <p className="text-soft">{ledText.question(at + 1, questions.length + 1)}</p>
          <h2 ref={heading} tabIndex={-1} className="text-3xl outline-none">
            {asked ? asked.title : ledText.yourPlan}
          </h2>
        </div>
        {asked ? (
          <Asked
            key={asked.title}
            question={asked}
            onAnswer={(part) => set({ ...part, asked: at + 1 })}
            onDone={() => set({ asked: at + 1 })}
          />
        ) : (
          <Last choosing={choosing} problems={problems} busy={busy} />
        )}
        <p className="flex flex-wrap gap-x-6">
          {at > 0 && (
            <Button look="plain" className="-ms-3" onClick={() => set({ asked: at - 1 })}>
              {ledText.back}
            </Button>
          )}
          <Link to={allHref} className="inline-flex min-h-11 items-center font-semibold text-crust">
            {ledText.allOnOnePage}
          </Link>
        </p>
      </div>
      <div className={isLast ? "" : "hidden md:block"}>
        <Preview draft={rested} family={restedFamily} zone={zone} set={set} short={!isLast} />
      </div>
    </div>
  );
}

function Asked({
  question,
  onAnswer,
  onDone,
}: {
  readonly question: Question;
  readonly onAnswer: (part: Partial<JarDraft>) => void;
  readonly onDone: () => void;
}) {
  const { items, value, answer, more } = question;
  return (
    <>
      <ul className="flex max-w-2xl flex-col gap-2.5">
        {items.map((item) => (
          <li key={item.value}>
            <button
              type="button"
              aria-pressed={item.value === value}
              onClick={() => onAnswer(answer(item.value))}
              className="flex min-h-14 w-full flex-wrap items-baseline gap-x-3 rounded-lg border border-edge bg-card px-5 py-3 text-start hover:border-crust aria-pressed:border-s-8 aria-pressed:border-s-crust"
            >
              <span className="text-lg font-semibold">{item.label}</span>
              {item.hint && <span className="text-soft">{item.hint}</span>}
            </button>
          </li>
        ))}
      </ul>
      {more && (
        <details>
          <summary className="min-h-11 py-2 font-semibold text-crust">{more.label}</summary>
          <div className="flex flex-col items-start gap-4 pt-2">
            {more.part}
            <Button look="act" onClick={onDone}>
              {ledText.goOn}
            </Button>
          </div>
        </details>
      )}
    </>
  );
}

function useQuestions(catalogue: Catalogue, choosing: Choosing): Question[] {
  const { draft, set, begin, origin } = choosing;
  const nameOf = useFlourNames();
  const inOrder = useShelfFirst();
  const { families, glasses, places } = catalogue;
  const origins = ORIGINS.filter((one) =>
    families.some((family) => family.origin === one || family.begins.some((also) => also.origin === one)),
  );
  const flours = flourOfAll(draft, choosing.family);
  const only = flours.length === 1 ? (flours[0]?.[0] ?? null) : null;
  const glass = glasses.find((one) => String(one.volume_ml) === draft.volume)?.glass ?? null;
  const noFault = () => null;
  return [
    {
      title: ledText.whatDoYouBeginWith,
      items: origins.map((value) => ({ value, ...ORIGIN_WORDS[value] })),
      value: origin,
      answer: (value) => {
        const first = families.find(
          (one) => one.origin === value || one.begins.some((also) => also.origin === value),
        );
        return first ? begin(first.code, value as Origin) : {};
      },
    },
    {
      title: ledText.haveYouAScale,
      items: [
        { value: "yes", label: ledText.yes, hint: ledText.inGrams },
        { value: "no", label: ledText.no, hint: ledText.inSpoons },
      ],
      value: draft.hasScale ? "yes" : "no",
      answer: (value) => ({ hasScale: value === "yes" }),
    },
    {
      title: ledText.whichFlour,
      items: inOrder(catalogue.flours).map((flour) => ({ value: flour, label: nameOf(flour) })),
      value: only,
      answer: (flour) => ({ chosen: withFlour(draft, families, { [flour]: "1" }) }),
      more: {
        label: ledText.aMix,
        part: (
          <Mix
            flours={inOrder(catalogue.flours)}
            parts={flours}
            nameOf={nameOf}
            onChange={(parts) => set({ chosen: withFlour(draft, families, parts) })}
          />
        ),
      },
    },
    {
      title: ledText.whereDoesItStand,
      items: places.map(({ place, warmth_c: celsius }) => ({
        value: place,
        label: PLACE_WORDS[place],
        hint: newJarText.aboutC(celsius),
      })),
      value: places.find((one) => String(one.warmth_c) === draft.warmth)?.place ?? null,
      answer: (value) => ({
        thermometer: null,
        night: "",
        warmth: String(places.find(({ place }) => place === value)?.warmth_c ?? draft.warmth),
      }),
      more: {
        label: ledText.iKnowItInDegrees,
        part: <PlacePart draft={draft} set={set} error={noFault} places={[]} />,
      },
    },
    {
      title: ledText.whichJar,
      items: glasses.map((one) => ({
        value: one.glass,
        label: GLASS_WORDS[one.glass],
        hint: newJarText.ml(one.volume_ml),
      })),
      value: glass,
      answer: (value) => jarLike(value as Glass, catalogue),
      more: {
        label: ledText.iMeasureMine,
        part: <GlassPart draft={draft} set={set} error={noFault} glasses={[]} />,
      },
    },
    {
      title: ledText.whenAreYouThere,
      items: [
        { value: "kept", label: ledText.asToldBefore, hint: ledText.inHouse },
        { value: "all_day", label: ledText.mostOfTheDay },
        { value: "both_ends", label: ledText.morningsAndEvenings },
        { value: "evening", label: ledText.eveningsOnly },
      ],
      value: null,
      answer: (value) => {
        if (value in HOURS) tellHours(value as keyof typeof HOURS);
        return {};
      },
    },
  ];
}

/** The baker's hours on weekdays; at weekends who is out all day is home. */
function tellHours(value: keyof typeof HOURS): void {
  void http.PUT("/api/hours", { body: { weekday: HOURS[value], weekend: BAND_ALL_DAY } });
}

function jarLike(glass: Glass, { glasses }: Catalogue): Partial<JarDraft> {
  const found = glasses.find((one) => one.glass === glass);
  if (!found) return {};
  return { volume: String(found.volume_ml), height: String(found.height_mm), flare: STRAIGHT, size: "" };
}

function Mix({
  flours,
  parts,
  nameOf,
  onChange,
}: {
  readonly flours: readonly Flour[];
  readonly parts: readonly (readonly [Flour, string])[];
  readonly nameOf: (flour: Flour) => string;
  readonly onChange: (parts: Partial<Record<Flour, string>>) => void;
}) {
  const picked = Object.fromEntries(parts) as Partial<Record<Flour, string>>;
  return (
    <>
      <Choices
        label={ledText.theFloursOfTheMix}
        items={flours.map((flour) => ({ value: flour, label: nameOf(flour) }))}
        value={parts.map(([flour]) => flour)}
        onChange={(next) =>
          next.length > 0 && onChange(Object.fromEntries(next.map((flour) => [flour, picked[flour] ?? "1"])))
        }
      />
      {parts.length > 1 && (
        <div className="flex flex-wrap gap-4">
          {parts.map(([flour, part]) => (
            <div key={flour} className="w-44">
              <NumberField
                label={newJarText.partsOf(nameOf(flour))}
                value={part}
                onText={(text) => onChange({ ...picked, [flour]: text })}
              />
            </div>
          ))}
        </div>
      )}
    </>
  );
}

/** What it comes to: the way that was found for this kitchen, a name, and the shelf. */
function Last({
  choosing,
  problems,
  busy,
}: {
  readonly choosing: Choosing;
  readonly problems: readonly Problem[];
  readonly busy: boolean;
}) {
  const { draft, set, family, others, take, origin } = choosing;
  const words = FAMILY_WORDS[family.code];
  return (
    <>
      <p className="max-w-prose text-lg">
        <span className="font-semibold">{words.label}.</span> {words.hint}
      </p>
      {others.length > 1 && (
        <details>
          <summary className="min-h-11 py-2 font-semibold text-crust">{ledText.anotherWay}</summary>
          <Choice
            label={ledText.waysThatFit}
            items={others.map((one) => ({
              value: one.code,
              label: FAMILY_WORDS[one.code].label,
              hint: one.likely,
            }))}
            value={family.code}
            onChange={(code) => code && take(code)}
            guessed
          />
        </details>
      )}
      <TextField
        label={commonText.name}
        value={draft.name}
        onChange={(event) => set({ name: event.target.value })}
        error={problemAt(problems, "name")}
      />
      <NotSaved problems={problems} shown={["name"]} title={newJarText.notPlannedYet} />
      <Button type="submit" look="act" disabled={busy} className="self-start sm:px-10">
        {busy
          ? newJarText.planning
          : origin === "asleep"
            ? ledText.onTheShelfAndBake
            : newJarText.putItOnTheShelf}
      </Button>
    </>
  );
}
