import { ToggleGroup } from "radix-ui";
import { type FocusEvent, type KeyboardEvent, type ReactNode, useId, useRef } from "react";

export type ChoiceItem<T extends string> = {
  readonly value: T;
  readonly label: string;
  readonly hint?: string | undefined;
  readonly picture?: ReactNode;
  /** Where a choice is named in another language than the page. */
  readonly lang?: string;
};

/** A choice for each word, in their order. */
export function choiceItems<T extends string>(
  words: Record<T, string>,
  pictures: Partial<Record<string, ReactNode>> = {},
  hints: Partial<Record<T, string>> = {},
): ChoiceItem<T>[] {
  return (Object.keys(words) as T[]).map((value) => ({
    value,
    label: words[value],
    hint: hints[value],
    picture: pictures[value],
  }));
}

type Shared<T extends string> = {
  readonly label: string;
  readonly items: readonly ChoiceItem<T>[];
  readonly error?: string | null;
};

const ITEM =
  "flex min-h-11 min-w-11 flex-col items-center justify-center gap-1 rounded-lg border border-edge bg-card px-3 py-2 text-center text-[0.95rem] leading-tight hover:border-crust data-[state=on]:border-crust data-[state=on]:bg-crust data-[state=on]:text-on-crust";

/** An arrow that moves on in a group of one choice also chooses, as in any group of radio buttons. */
function useArrows() {
  const byArrow = useRef(false);
  return {
    onKeyDownCapture: (event: KeyboardEvent) => {
      byArrow.current = event.key.startsWith("Arrow");
    },
    onPointerDownCapture: () => {
      byArrow.current = false;
    },
    // The focus comes a moment after the key, maybe after it was let go.
    onFocus: ({ target }: FocusEvent<HTMLElement>) => {
      if (byArrow.current && target.getAttribute("aria-checked") === "false") target.click();
      byArrow.current = false;
    },
  };
}

function Items<T extends string>({ items }: { items: readonly ChoiceItem<T>[] }) {
  return items.map((item) => (
    <ToggleGroup.Item key={item.value} value={item.value} className={ITEM}>
      {item.picture}
      <span className="font-semibold" lang={item.lang}>
        {item.label}
      </span>
      {item.hint && <span className="text-[0.8rem]">{item.hint}</span>}
    </ToggleGroup.Item>
  ));
}

function Frame({
  label,
  error,
  children,
}: {
  label: string;
  error: string | null;
  children: (id: string) => ReactNode;
}) {
  const id = useId();
  return (
    <div className="flex min-w-0 flex-col gap-1.5">
      <span id={id} className="font-semibold">
        {label}
      </span>
      {children(id)}
      {error && <p className="text-sm font-semibold text-alarm">{error}</p>}
    </div>
  );
}

/** One of a few; pressing the chosen one again takes it back where `none` is allowed, and where it was only `guessed`
 * makes it the baker's own. */
export function Choice<T extends string>({
  label,
  items,
  error = null,
  value,
  onChange,
  none = false,
  guessed = false,
}: Shared<T> & {
  readonly value: T | null;
  readonly onChange: (next: T | null) => void;
  readonly none?: boolean;
  readonly guessed?: boolean;
}) {
  const arrows = useArrows();
  return (
    <Frame label={label} error={error}>
      {(id) => (
        <ToggleGroup.Root
          type="single"
          {...arrows}
          data-invalid={error ? "" : undefined}
          aria-labelledby={id}
          value={value ?? ""}
          onValueChange={(next) => {
            const meant = next || (guessed ? value : null);
            if (meant || none) onChange(meant as T | null);
          }}
          className="flex flex-wrap gap-2"
        >
          <Items items={items} />
        </ToggleGroup.Root>
      )}
    </Frame>
  );
}

/** Any of a few. */
export function Choices<T extends string>({
  label,
  items,
  error = null,
  value,
  onChange,
}: Shared<T> & { readonly value: readonly T[]; readonly onChange: (next: T[]) => void }) {
  return (
    <Frame label={label} error={error}>
      {(id) => (
        <ToggleGroup.Root
          type="multiple"
          aria-labelledby={id}
          value={[...value]}
          onValueChange={(next) => onChange(next as T[])}
          className="flex flex-wrap gap-2"
        >
          <Items items={items} />
        </ToggleGroup.Root>
      )}
    </Frame>
  );
}
