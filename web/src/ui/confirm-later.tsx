import { type ComponentProps, lazy, Suspense } from "react";
import type { Confirm as ConfirmNow } from "./confirm";

const Confirm = lazy(async () => ({ default: (await import("./confirm")).Confirm }));

/** The same question, fetched when it is asked: what the frame of all pages seldom needs does not come first. */
export function ConfirmLater(props: ComponentProps<typeof ConfirmNow>) {
  return props.open ? (
    <Suspense fallback={null}>
      <Confirm {...props} />
    </Suspense>
  ) : null;
}
