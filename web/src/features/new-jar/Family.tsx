import { useState } from "react";
import type { Family, FamilyCode, Origin } from "../../api/types";
import { list } from "../../lib/numbers";
import { Choice } from "../../ui/choice";
import { FAMILY_WORDS, ORIGIN_WORDS, THING_WORDS } from "../../words/methods";

/** Where it begins, then the way to raise it. */
export function FamilyChoice({
  families,
  value,
  onChange,
}: {
  readonly families: readonly Family[];
  readonly value: Family;
  readonly onChange: (next: FamilyCode) => void;
}) {
  const [origin, setOrigin] = useState<Origin>(value.origin);
  const origins = [...new Set(families.map((family) => family.origin))];
  const fitting = families.filter((family) => family.origin === origin);
  const start = (next: Origin | null) => {
    const first = families.find((family) => family.origin === next);
    if (!next || !first) return;
    setOrigin(next);
    onChange(first.code);
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
        onChange={(code) => code && onChange(code)}
      />
      <p className="max-w-prose">
        {FAMILY_WORDS[value.code].hint} It needs {needs}
        {value.wants_c !== null && `, steady at about ${value.wants_c} °C`}.
      </p>
    </div>
  );
}
