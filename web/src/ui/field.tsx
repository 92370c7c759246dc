import { type ComponentProps, type ReactNode, useId, useState } from "react";
import { isKept, type Kept, keptOf, shownOf, signOf } from "../lib/forms";
import { typed } from "../lib/numbers";

type Shared = {
  readonly label: string;
  readonly hint?: ReactNode;
  /** What is wrong with it and what would do; shown beside the field and read with it. */
  readonly error?: string | null;
  /** Stands behind the value: `g`, `mm`. */
  readonly unit?: string;
  /** On a phone the label stands beside the field, to save height. */
  readonly beside?: boolean;
};

const INPUT =
  "min-h-11 w-full min-w-0 rounded-lg border border-edge bg-card px-3 py-2 text-base text-ink placeholder:text-soft aria-invalid:border-2 aria-invalid:border-alarm";

const BESIDE = "grid min-w-0 grid-cols-[1fr_8.5rem] items-center gap-1 sm:grid-cols-1 [&>p]:col-span-full";

function Frame({ id, label, hint, error, beside, children }: Shared & { id: string; children: ReactNode }) {
  return (
    <div className={beside ? BESIDE : "flex min-w-0 flex-col gap-1"}>
      <label htmlFor={id} className="font-semibold">
        {label}
      </label>
      {children}
      {hint && (
        <p id={`${id}-hint`} className="text-sm text-soft">
          {hint}
        </p>
      )}
      {error && (
        <p id={`${id}-error`} className="text-sm font-semibold text-alarm">
          {error}
        </p>
      )}
    </div>
  );
}

function described(id: string, { hint, error }: Shared) {
  const ids = [hint && `${id}-hint`, error && `${id}-error`].filter(Boolean).join(" ");
  return { "aria-invalid": error ? true : undefined, "aria-describedby": ids || undefined };
}

export function TextField({
  label,
  hint,
  error,
  unit,
  beside,
  className = "",
  ...rest
}: Shared & ComponentProps<"input">) {
  const id = useId();
  const shared = {
    label,
    hint,
    error: error ?? null,

    beside: beside ?? false,
  };
  return (
    <Frame id={id} {...shared}>
      <span className="flex items-center gap-2">
        <input id={id} className={`${INPUT} ${className}`} {...described(id, shared)} {...rest} />
        {unit && (
          <span aria-hidden className="text-soft">
            {unit}
          </span>
        )}
      </span>
    </Frame>
  );
}

type NumberProps = Omit<Shared & ComponentProps<"input">, "onChange" | "value"> & {
  readonly value: string;
  readonly onText: (text: string) => void;
};

/**
 * A number typed by hand: any keyboard's digits, a decimal comma or point; the text stays as typed. One in g, °C or mm is
 * asked for in the baker's own unit, and `value` and `onText` speak in the kept one.
 */
export function NumberField({ unit, value, placeholder, onText, ...rest }: NumberProps) {
  const [text, setText] = useState<string | null>(null);
  const own = isKept(unit) ? unit : null;
  const shown = text !== null && asKept(own, text) === value ? text : asShown(own, value);
  return (
    <TextField
      inputMode="decimal"
      autoComplete="off"
      {...rest}
      {...(unit !== undefined && { unit: own ? signOf(own) : unit })}
      {...(placeholder !== undefined && { placeholder: asShown(own, placeholder) })}
      value={shown}
      onChange={(event) => {
        setText(event.target.value);
        onText(asKept(own, event.target.value));
      }}
    />
  );
}

function asKept(own: Kept | null, text: string): string {
  const value = typed(text);
  if (own === null || value === null || Number.isNaN(value) || signOf(own) === own) return text;
  return String(keptOf(own, value));
}

function asShown(own: Kept | null, text: string): string {
  const value = typed(text);
  if (own === null || value === null || Number.isNaN(value) || signOf(own) === own) return text;
  return String(Number(shownOf(own, value).toFixed(2)));
}

export function TextArea({ label, hint, error, ...rest }: Shared & ComponentProps<"textarea">) {
  const id = useId();
  const shared = { label, hint, error: error ?? null };
  return (
    <Frame id={id} {...shared}>
      <textarea id={id} rows={2} dir="auto" className={INPUT} {...described(id, shared)} {...rest} />
    </Frame>
  );
}
