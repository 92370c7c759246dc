import { type ComponentProps, type ReactNode, useId } from "react";

type Shared = {
  readonly label: string;
  readonly hint?: ReactNode;
  /** What is wrong with it and what would do; shown beside the field and read with it. */
  readonly error?: string | null;
  /** Stands behind the value: `g`, `mm`. */
  readonly unit?: string;
  readonly hideLabel?: boolean;
};

const INPUT =
  "min-h-11 w-full min-w-0 rounded-lg border border-edge bg-card px-3 py-2 text-base text-ink placeholder:text-soft aria-invalid:border-2 aria-invalid:border-alarm";

function Frame({
  id,
  label,
  hint,
  error,
  hideLabel,
  children,
}: Shared & { id: string; children: ReactNode }) {
  return (
    <div className="flex min-w-0 flex-col gap-1">
      <label htmlFor={id} className={hideLabel ? "sr-only" : "font-semibold"}>
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
  hideLabel,
  className = "",
  ...rest
}: Shared & ComponentProps<"input">) {
  const id = useId();
  const shared = { label, hint, error: error ?? null, hideLabel: hideLabel ?? false };
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

/** A number typed by hand: any keyboard's digits, a decimal comma or point; the text stays as typed. */
export function NumberField(props: Shared & ComponentProps<"input">) {
  return <TextField inputMode="decimal" autoComplete="off" {...props} />;
}

export function TextArea({ label, hint, error, hideLabel, ...rest }: Shared & ComponentProps<"textarea">) {
  const id = useId();
  const shared = { label, hint, error: error ?? null, hideLabel: hideLabel ?? false };
  return (
    <Frame id={id} {...shared}>
      <textarea id={id} rows={2} dir="auto" className={INPUT} {...described(id, shared)} {...rest} />
    </Frame>
  );
}
