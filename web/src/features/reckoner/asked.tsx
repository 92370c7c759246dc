/** What is asked stands in the address, so that an answer can be linked and comes back after a reload. */
import type { ReactNode } from "react";
import { useNavigate, useSearchParams } from "react-router";
import { api } from "../../api/client";
import type { Flour, Problem } from "../../api/types";
import { useRested } from "../../lib/hooks";
import { asSent } from "../../lib/numbers";
import { useFlourNames, useShelfFirst } from "../../parts/flours";
import { Button } from "../../ui/button";
import { Choice } from "../../ui/choice";
import { NumberField } from "../../ui/field";
import { Menu } from "../../ui/menu";
import { useSay } from "../../ui/toast";
import { FLOUR_WORDS, fieldWords, problemWords, reckonerText } from "../../words";

export type Asked<T extends Record<string, string>> = {
  readonly values: T;
  readonly set: (part: Partial<T>) => void;
  /** The values once the typing rests, to ask with. */
  readonly rested: T;
};

export function useAsked<T extends Record<string, string>>(usual: T): Asked<T> {
  const [search, setSearch] = useSearchParams();
  const values = { ...usual };
  for (const name of Object.keys(usual) as (keyof T & string)[]) {
    const said = search.get(name);
    if (said !== null) values[name] = said as T[typeof name];
  }
  const set = (part: Partial<T>) =>
    setSearch(
      (before) => {
        const next = new URLSearchParams(before);
        for (const [name, value] of Object.entries(part)) next.set(name, value as string);
        return next;
      },
      { replace: true },
    );
  const text = useRested(JSON.stringify(values), 250);
  return { values, set, rested: JSON.parse(text) as T };
}

/** What was typed as it is sent; nothing typed goes as nothing, for the server to name the field. */
export function sent(text: string): number {
  return asSent(text) ?? (null as unknown as number);
}

/** A field of a sum: its label, its unit, and what is wrong with it. */
export function Sum<T extends Record<string, string>>({
  asked,
  of,
  unit,
  label,
  problems,
  fields,
}: {
  readonly asked: Asked<T>;
  readonly of: keyof T & string;
  readonly unit?: string;
  readonly label: string;
  readonly problems: readonly Problem[];
  /** The server's names for it. */
  readonly fields: readonly string[];
}) {
  const wrong = problems.find(({ field }) => fields.includes(field));
  const set = (value: string) => asked.set({ [of]: value } as Partial<T>);
  return (
    <NumberField
      label={label}
      {...(unit ? { unit } : {})}
      value={asked.values[of] ?? ""}
      onText={(text) => set(text)}
      error={wrong ? problemWords(wrong) : null}
    />
  );
}

/** One flour of the shelf, or any. */
export function FlourOf({
  value,
  onChange,
}: {
  readonly value: string;
  readonly onChange: (flour: Flour) => void;
}) {
  const nameOf = useFlourNames();
  const inOrder = useShelfFirst();
  const kinds = inOrder(Object.keys(FLOUR_WORDS) as Flour[]);
  return (
    <Choice
      label={reckonerText.flour}
      items={kinds.map((flour) => ({ value: flour, label: nameOf(flour) }))}
      value={kinds.find((flour) => flour === value) ?? null}
      onChange={(flour) => flour && onChange(flour)}
    />
  );
}

/** The answer, said aloud once it rests; printed, linked, and carried into a jar where that makes sense. */
export function Answer({
  problems,
  shown,
  waiting,
  carry,
  children,
}: {
  readonly problems: readonly Problem[];
  /** The faults that stand beside their fields. */
  readonly shown: readonly string[];
  readonly waiting: boolean;
  readonly carry?: {
    readonly label: string;
    readonly to: (jarId: string) => string;
    readonly before?: (jarId: string) => void;
  };
  readonly children: ReactNode;
}) {
  const say = useSay();
  const elsewhere = problems.filter(({ field }) => !shown.includes(field));
  const link = async () => {
    await navigator.clipboard.writeText(location.href);
    say(reckonerText.linkCopied);
  };
  return (
    <section
      aria-label={reckonerText.answer}
      aria-live="polite"
      aria-busy={waiting}
      className="flex flex-col gap-4 border-s-4 border-crust ps-6"
    >
      {elsewhere.map((one) => (
        <p key={one.field} className="font-semibold text-alarm">
          {fieldWords(one.field)}: {problemWords(one)}
        </p>
      ))}
      {problems.length === 0 && children}
      {problems.length === 0 && (
        <p className="-ms-3 flex flex-wrap gap-x-2 print:hidden">
          {carry && <Carry {...carry} />}
          <Button look="plain" onClick={() => void link()}>
            {reckonerText.copyTheLink}
          </Button>
          <Button look="plain" onClick={() => window.print()}>
            {reckonerText.print}
          </Button>
        </p>
      )}
    </section>
  );
}

function Carry({
  label,
  to,
  before,
}: {
  readonly label: string;
  readonly to: (jarId: string) => string;
  readonly before?: (jarId: string) => void;
}) {
  const kitchen = api.useQuery("get", "/api/kitchen");
  const navigate = useNavigate();
  const jars = kitchen.data?.jars.filter((one) => one.in_jar && !one.binned_at) ?? [];
  if (jars.length === 0) return null;
  return (
    <Menu
      label={label}
      trigger={<span className="text-crust">{label}</span>}
      items={jars.map((one) => ({
        label: one.jar.name,
        run: () => {
          before?.(one.jar.id);
          void navigate(to(one.jar.id));
        },
      }))}
    />
  );
}

/** A number that is read from across the kitchen, and what it is of. */
export function Big({ value, of }: { readonly value: string; readonly of: string }) {
  return (
    <p>
      <span className="block text-4xl font-bold">{value}</span>
      <span className="text-soft">{of}</span>
    </p>
  );
}
