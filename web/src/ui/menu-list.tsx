import { DropdownMenu } from "radix-ui";
import type { ReactNode } from "react";

export type MenuProps = {
  readonly label: string;
  readonly trigger: ReactNode;
  readonly items: readonly { readonly label: string; readonly run: () => void }[];
};

/** The menu itself, opened as soon as it is there. */
export default function MenuList({
  label,
  trigger,
  items,
  className,
}: MenuProps & { readonly className: string }) {
  return (
    <DropdownMenu.Root defaultOpen>
      <DropdownMenu.Trigger aria-label={label} className={className}>
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
