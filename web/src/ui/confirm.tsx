import { AlertDialog } from "radix-ui";
import type { ReactNode } from "react";
import { commonText } from "../words";
import { Button } from "./button";

/** Asks before an act that ends something. */
export function Confirm({
  open,
  onOpenChange,
  title,
  children,
  yes,
  no = commonText.notNow,
  onYes,
}: {
  readonly open: boolean;
  readonly onOpenChange: (open: boolean) => void;
  readonly title: string;
  readonly children: ReactNode;
  readonly yes: string;
  readonly no?: string;
  readonly onYes: () => void;
}) {
  return (
    <AlertDialog.Root open={open} onOpenChange={onOpenChange}>
      <AlertDialog.Portal>
        <AlertDialog.Overlay className="fixed inset-0 z-40 bg-black/50" />
        <AlertDialog.Content className="fixed inset-x-4 top-[12vh] z-50 mx-auto flex max-w-lg flex-col gap-4 rounded-xl bg-card p-6 shadow-xl">
          <AlertDialog.Title className="text-2xl">{title}</AlertDialog.Title>
          <AlertDialog.Description asChild>
            <div className="flex flex-col gap-2">{children}</div>
          </AlertDialog.Description>
          <div className="flex flex-wrap justify-end gap-3">
            <AlertDialog.Cancel asChild>
              <Button>{no}</Button>
            </AlertDialog.Cancel>
            <AlertDialog.Action asChild>
              <Button look="alarm" onClick={onYes}>
                {yes}
              </Button>
            </AlertDialog.Action>
          </div>
        </AlertDialog.Content>
      </AlertDialog.Portal>
    </AlertDialog.Root>
  );
}
