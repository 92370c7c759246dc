import { Tabs } from "radix-ui";
import type { ReactNode } from "react";

const MANY = 5;

function bringIntoSight(element: HTMLButtonElement | null): void {
  element?.scrollIntoView({ block: "nearest", inline: "nearest" });
}

/** Things on a shelf, one of them in hand: arrow keys walk along, the panel shows the chosen one. */
export function ShelfTabs({
  label,
  value,
  onChange,
  items,
  beside,
  rest,
  children,
}: {
  readonly label: string;
  readonly value: string;
  readonly onChange: (value: string) => void;
  readonly items: readonly { readonly value: string; readonly content: ReactNode }[];
  /** What stands behind the last one, and is a place of its own. */
  readonly beside: ReactNode;
  /** The end of the shelf; it is scenery. */
  readonly rest: ReactNode;
  readonly children: ReactNode;
}) {
  // Many stand closer, so that all are in sight.
  const apart = items.length > MANY ? "gap-1" : "gap-1 sm:gap-4";
  return (
    <Tabs.Root value={value} onValueChange={onChange}>
      <div className={`flex items-end overflow-x-auto px-1 pt-1 pb-2 [scrollbar-width:thin] ${apart}`}>
        <Tabs.List aria-label={label} className={`flex shrink-0 items-end ${apart}`}>
          {items.map((item) => (
            <Tabs.Trigger
              key={item.value}
              value={item.value}
              ref={item.value === value ? bringIntoSight : null}
              className="group shrink-0 rounded-t-lg px-2 pt-2 text-ink sm:px-3"
            >
              {item.content}
            </Tabs.Trigger>
          ))}
        </Tabs.List>
        {beside}
        {rest}
      </div>
      <Tabs.Content value={value} className="rounded">
        {children}
      </Tabs.Content>
    </Tabs.Root>
  );
}
