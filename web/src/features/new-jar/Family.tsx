import type { Family, FamilyCode, Origin } from "../../api/types";
import { list } from "../../lib/numbers";
import { Choice } from "../../ui/choice";
import { FAMILY_WORDS, ORIGIN_WORDS, THING_WORDS } from "../../words/methods";

const ORIGINS = Object.keys(ORIGIN_WORDS) as Origin[];

function mayBegin(family: Family, origin: Origin): boolean {
  return family.origin === origin || family.begins.some((one) => one.origin === origin);
}

/** Where it begins, then the way to raise it. */
export function FamilyChoice({
  families,
  value,
  origin,
  onChange,
}: {
  readonly families: readonly Family[];
  readonly value: Family;
  readonly origin: Origin;
  readonly onChange: (next: FamilyCode, origin: Origin) => void;
}) {
  const all = families.flatMap((family) => [family.origin, ...family.begins.map((one) => one.origin)]);
  const origins = ORIGINS.filter((one) => all.includes(one));
  const fitting = families.filter((family) => mayBegin(family, origin));
  const start = (next: Origin | null) => {
    const first = next && families.find((family) => mayBegin(family, next));
    if (next && first) onChange(first.code, next);
  };
  const needs = list(value.needs.map((thing) => THING_WORDS[thing]));
  return (
    <div className="flex flex-col gap-4">
      <Choice
        label="Beginning with"
        items={origins.map((one) => ({ value: one, ...ORIGIN_WORDS[one] }))}
        value={origin}
        onChange={start}
      />
      <Choice
        label="The way"
        items={fitting.map((family) => ({ value: family.code, label: FAMILY_WORDS[family.code].label }))}
        value={value.code}
        onChange={(code) => code && onChange(code, origin)}
      />
      <p className="max-w-prose">
        {FAMILY_WORDS[value.code].hint} It needs {needs}
        {value.wants_c !== null && `, steady at about ${value.wants_c} °C`}.
      </p>
    </div>
  );
}
