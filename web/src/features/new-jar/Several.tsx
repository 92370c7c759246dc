/** Several jars at once, with one difference: what differs, and what the others have; all else is held equal. */
import type { Catalogue, FamilyCode, Flour, Option, Problem } from "../../api/types";
import { list } from "../../lib/numbers";
import { useFlourNames } from "../../parts/flours";
import { Choice, Choices } from "../../ui/choice";
import { NumberField } from "../../ui/field";
import {
  FAMILY_WORDS,
  newJarText,
  OPTION_WORDS,
  PICK_WORDS,
  problemWords,
  SCALE_UNITS,
  severalText,
} from "../../words";
import type { Choosing } from "./choosing";
import {
  type Differs,
  differsIn,
  heldEqual,
  MOST_OTHERS,
  optionOf,
  othersOf,
  type SeveralDraft,
  valuesOf,
} from "./several";

const NONE = "none";

/** What a value of what differs is called. */
export function useValueNames(choosing: Choosing, { differs }: SeveralDraft): (value: string) => string {
  const flourName = useFlourNames();
  return (value) => {
    if (differs === "flour") return flourName(value as Flour);
    if (differs === "way") return FAMILY_WORDS[value as FamilyCode]?.label ?? value;
    if (differs === "place") return `${value}\u00a0°C`;
    if (differs === "yeast") return severalText.withYeast;
    const option = differs === null ? undefined : optionOf(choosing.family, differs);
    return option ? wordOf(option, value) : value;
  };
}

function wordOf(option: Option, value: string): string {
  if (option.kind === "pick") return PICK_WORDS[value as keyof typeof PICK_WORDS]?.label ?? value;
  if (option.kind !== "number") return value;
  if (option.code === "flour_parts") return `1:${value}:${value}`;
  if (option.code === "every_hours") return newJarText.everyH(Number(value));
  return `${OPTION_WORDS[option.code].label} ${value}\u00a0${SCALE_UNITS[option.scale]}`;
}

export function Several({
  catalogue,
  choosing,
  several,
  set,
  problems,
  open,
}: {
  readonly catalogue: Catalogue;
  readonly choosing: Choosing;
  readonly several: SeveralDraft;
  readonly set: (next: SeveralDraft) => void;
  readonly problems: readonly Problem[];
  readonly open: boolean;
}) {
  const { family, chosen, draft, others } = choosing;
  const { differs } = several;
  const nameOf = useValueNames(choosing, several);
  const codes = others.map(({ code }) => code).filter((code) => code !== family.code);
  const offered = differsIn(family, chosen, codes);
  const label = (one: Differs) => {
    if (one === "flour" || one === "place" || one === "way" || one === "yeast") return severalText[one];
    return OPTION_WORDS[one].label;
  };
  const made = othersOf(draft, catalogue.families, several, nameOf);
  return (
    <details open={open || differs !== null} className="border-t border-rule">
      <summary className="min-h-11 py-2 font-semibold text-crust">{severalText.several}</summary>
      <div className="flex flex-col gap-5 py-2">
        <Choice
          label={severalText.whatDiffers}
          items={[
            { value: NONE, label: severalText.alone },
            ...offered.map((one) => ({ value: one, label: label(one) })),
          ]}
          value={differs !== null && offered.includes(differs) ? differs : NONE}
          onChange={(next) =>
            next && set({ ...several, differs: next === NONE ? null : (next as Differs), values: [] })
          }
        />
        {differs !== null && offered.includes(differs) && (
          <>
            <Values {...{ catalogue, choosing, several, set, nameOf, codes }} differs={differs} />
            {valuesOf(several).length === 0 && <p className="text-soft">{severalText.chooseValues}</p>}
            {made.length > 0 && (
              <div className="border-s-4 border-water ps-4">
                <p>{severalText.plainOne(draft.name)}</p>
                <ul className="list-disc ps-5">
                  {made.map(({ id, name }) => (
                    <li key={id}>{name}</li>
                  ))}
                </ul>
                <p className="mt-1 text-soft">
                  {severalText.heldEqual(list(heldEqual(differs).map((one) => severalText.equal[one])))}
                </p>
              </div>
            )}
            {problems.map((problem) => (
              <p key={problem.field} role="alert" className="font-semibold text-alarm">
                {`${nameAt(made, problem.field)}: ${problemWords(problem)}`}
              </p>
            ))}
          </>
        )}
      </div>
    </details>
  );
}

/** `jars.2.warmth_c` is of the second of the others. */
function nameAt(made: readonly { readonly name: string }[], field: string): string {
  const number = Number(field.split(".")[1]);
  return made[number - 1]?.name ?? severalText.several;
}

function Values({
  catalogue,
  choosing,
  several,
  set,
  nameOf,
  codes,
  differs,
}: {
  readonly catalogue: Catalogue;
  readonly choosing: Choosing;
  readonly several: SeveralDraft;
  readonly set: (next: SeveralDraft) => void;
  readonly nameOf: (value: string) => string;
  readonly codes: readonly FamilyCode[];
  readonly differs: Differs;
}) {
  const { values } = several;
  if (differs === "yeast") return null;
  const option = optionOf(choosing.family, differs);
  const few = fewOf(differs, option, catalogue, codes);
  if (few) {
    return (
      <Choices
        label={differs === "flour" ? severalText.flourOfOthers : severalText.theOthers}
        items={few.map((value) => ({ value, label: nameOf(value) }))}
        value={values.filter((one) => few.includes(one))}
        onChange={(next) => set({ ...several, values: next.slice(-MOST_OTHERS) })}
      />
    );
  }
  const unit = option?.kind === "number" ? SCALE_UNITS[option.scale] : "°C";
  return (
    <div className="flex flex-wrap gap-4">
      {Array.from({ length: MOST_OTHERS }, (_, at) => (
        // The fields of a few jars stand where they stand.
        // biome-ignore lint/suspicious/noArrayIndexKey: they have nothing else
        <div key={at} className="w-36">
          <NumberField
            label={severalText.another(at + 2)}
            unit={unit}
            value={values[at] ?? ""}
            onText={(text) =>
              set({
                ...several,
                values: Array.from({ length: MOST_OTHERS }, (_, one) =>
                  one === at ? text : (values[one] ?? ""),
                ),
              })
            }
          />
        </div>
      ))}
    </div>
  );
}

/** What is chosen from a few; null where it is typed. */
function fewOf(
  differs: Differs,
  option: Option | undefined,
  catalogue: Catalogue,
  codes: readonly FamilyCode[],
): readonly string[] | null {
  if (differs === "flour") return catalogue.flours;
  if (differs === "way") return codes;
  if (option?.kind === "pick") return option.choices;
  if (option?.kind === "number" && option.choices.length > 0) return option.choices.map(String);
  return null;
}
