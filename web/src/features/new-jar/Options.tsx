import type { BlendOption, Family, Flour, Option, OptionCode, Problem } from "../../api/types";
import { useFlourNames, useShelfFirst } from "../../parts/flours";
import { Choice, Choices } from "../../ui/choice";
import { NumberField } from "../../ui/field";
import { newJarText, OPTION_WORDS, PICK_WORDS, problemAt, rangeWords, SCALE_UNITS } from "../../words";
import { blendInUse, type Chosen, optionsThatMatter, partsOf, picksOf } from "./draft";

type Parts = {
  readonly family: Family;
  readonly flours: readonly Flour[];
  readonly chosen: Chosen;
  readonly choose: (code: OptionCode, value: Chosen[OptionCode]) => void;
  readonly problems: readonly Problem[];
};

const RHYTHM: Record<number, string> = { 24: newJarText.onceADay, 12: newJarText.twiceADay };

/** The options of a family that matter, each in the form that suits it. */
export function Options(parts: Parts) {
  const shown = optionsThatMatter(parts.family, parts.chosen);
  const first = shown.filter((option) => option.met_first);
  const more = shown.filter((option) => !option.met_first);
  return (
    <>
      {first.map((option) => (
        <OneOption key={option.code} option={option} {...parts} />
      ))}
      {more.length > 0 && (
        <details>
          <summary className="min-h-11 py-2 font-semibold text-crust">{newJarText.moreChoices}</summary>
          <div className="flex flex-col gap-6 pt-2">
            {more.map((option) => (
              <OneOption key={option.code} option={option} {...parts} />
            ))}
          </div>
        </details>
      )}
    </>
  );
}

function OneOption({ option, ...parts }: Parts & { readonly option: Option }) {
  const { family, chosen, choose, problems } = parts;
  const { label, hint } = OPTION_WORDS[option.code];
  const error = problemAt(problems, option.code, `choices.${option.code}`);
  if (option.kind === "blend") return <Blend option={option} label={label} error={error} {...parts} />;
  if (option.kind === "pick") {
    return (
      <Choice
        label={label}
        items={option.choices.map((value) => ({ value, ...PICK_WORDS[value] }))}
        value={picksOf(family, chosen)[option.code] ?? option.default}
        onChange={(pick) => pick && choose(option.code, pick)}
        error={error}
      />
    );
  }
  const given = chosen[option.code];
  const text = typeof given === "string" ? given : "";
  if (option.choices.length > 0) {
    return (
      <Choice
        label={label}
        items={option.choices.map((value) => ({
          value: String(value),
          label: RHYTHM[value] ?? String(value),
          hint: newJarText.everyH(value),
        }))}
        value={text || String(option.default)}
        onChange={(value) => value && choose(option.code, value)}
        error={error}
      />
    );
  }
  const range = rangeWords(option.least, option.most, option.scale);
  return (
    <div className="max-w-80">
      <NumberField
        label={label}
        unit={SCALE_UNITS[option.scale]}
        placeholder={String(option.default)}
        hint={hint ? `${range} ${hint}` : range}
        value={text}
        onText={(text) => choose(option.code, text)}
        error={error}
      />
    </div>
  );
}

function Blend({
  option,
  label,
  error,
  flours,
  chosen,
  choose,
}: Parts & { option: BlendOption; label: string; error: string | null }) {
  const parts = partsOf(option, blendInUse(option, chosen));
  const nameOf = useFlourNames();
  const inOrder = useShelfFirst();
  const picked = Object.keys(parts) as Flour[];
  const set = (next: Flour[]) => {
    if (next.length)
      choose(option.code, Object.fromEntries(next.map((flour) => [flour, parts[flour] ?? "1"])));
  };
  return (
    <div className="flex flex-col gap-3">
      <Choices
        label={label}
        items={inOrder(flours).map((flour) => ({ value: flour, label: nameOf(flour) }))}
        value={picked}
        onChange={set}
        error={error}
      />
      {picked.length > 1 && (
        <div className="flex flex-wrap gap-4">
          {picked.map((flour) => (
            <div key={flour} className="w-44">
              <NumberField
                label={newJarText.partsOf(nameOf(flour))}
                value={parts[flour] ?? "1"}
                onText={(text) => choose(option.code, { ...parts, [flour]: text })}
              />
            </div>
          ))}
        </div>
      )}
    </div>
  );
}
