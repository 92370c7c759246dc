import { DropdownMenu } from "radix-ui";
import type { ReactNode } from "react";

export function Menu({
  label,
  trigger,
  items,
}: {
  readonly label: string;
  readonly trigger: ReactNode;
  readonly items: readonly { readonly label: string; readonly run: () => void }[];
}) {
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger
        aria-label={label}
        className="flex min-h-11 items-center min-w-11 justify-center gap-2 rounded-lg px-2 font-semibold sm:px-3 hover:text-crust"
      >
        {trigger}
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align="end"
          sideOffset={4}
          className="z-40 min-w-44 rounded-lg border border-rule bg-card p-1 shadow-lg"
        >
          {items.map((item) => (
            <DropdownMenu.Item
              key={item.label}
              onSelect={item.run}
              className="flex min-h-11 cursor-pointer items-center rounded px-3 data-[highlighted]:bg-crust data-[highlighted]:text-on-crust"
            >
              {item.label}
            </DropdownMenu.Item>
          ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
