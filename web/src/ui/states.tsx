import type { ReactNode } from "react";
import { Button } from "./button";

/** The shape of what is coming while it is fetched. */
export function Loading({ what }: { readonly what: string }) {
  return (
    <div role="status" className="flex min-h-64 items-center justify-center text-soft">
      {what} …
    </div>
  );
}

/** What to do when the server cannot be reached. */
export function OutOfReach({ onRetry }: { readonly onRetry: () => void }) {
  return (
    <div role="alert" className="mx-auto my-16 flex max-w-md flex-col items-start gap-4">
      <h1 className="text-2xl">The kitchen cannot be reached.</h1>
      <p>Nothing is lost. The jars go on by themselves; this page tries again when the connection is back.</p>
      <Button look="act" onClick={onRetry}>
        Try again now
      </Button>
    </div>
  );
}

/** What is wrong with a form as a whole, above its button. */
export function Trouble({ children }: { readonly children: ReactNode }) {
  return (
    <div role="alert" className="rounded-lg border-2 border-alarm bg-card p-4">
      {children}
    </div>
  );
}
