import { type ReactNode, useEffect, useRef } from "react";
import { uiText } from "../words";
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
      <h1 className="text-2xl">{uiText.theKitchenCannotBeReached}</h1>
      <p>{uiText.nothingIsLostTheJars}</p>
      <Button look="act" onClick={onRetry}>
        {uiText.tryAgainNow}
      </Button>
    </div>
  );
}

/** What is wrong with a form as a whole, above its button; the first field that is wrong gets the focus. */
export function Trouble({ children }: { readonly children: ReactNode }) {
  const here = useRef<HTMLDivElement>(null);
  useEffect(() => {
    const form = here.current?.closest("form") ?? document;
    const first = form.querySelector<HTMLElement>('[aria-invalid="true"], [data-invalid] button');
    const folded = first?.closest("details");
    if (folded) folded.open = true;
    first?.focus();
  }, []);
  return (
    <div ref={here} role="alert" className="rounded-lg border-2 border-alarm bg-card p-4">
      {children}
    </div>
  );
}
