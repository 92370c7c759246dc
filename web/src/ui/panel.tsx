import { Dialog } from "radix-ui";
import type { ReactNode } from "react";
import { commonText } from "../words";
import { Button } from "./button";

/** Something to read or set, over the page; gone by Escape, by a press beside it, or by its button. */
export function Panel({
  open,
  onOpenChange,
  title,
  children,
}: {
  readonly open: boolean;
  readonly onOpenChange: (open: boolean) => void;
  readonly title: string;
  readonly children: ReactNode;
}) {
  return (
    <Dialog.Root open={open} onOpenChange={onOpenChange}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-black/50" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed inset-x-4 top-[8vh] z-50 mx-auto flex max-h-[84vh] max-w-lg flex-col gap-4 overflow-y-auto rounded-xl bg-card p-6 shadow-xl"
        >
          <Dialog.Title className="text-2xl">{title}</Dialog.Title>
          {children}
          <Dialog.Close asChild>
            <Button className="self-end">{commonText.close}</Button>
          </Dialog.Close>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
