import { Navigate } from "react-router";
import { isUnreadable } from "../api/client";
import type { Problems } from "../api/types";
import { OutOfReach } from "../ui/states";

/** A jar that did not open: to its own page where the jar is the cause, else what to do without a connection. */
export function NotOpen({
  jarId,
  error,
  onRetry,
}: {
  readonly jarId: string;
  readonly error: Problems | Error | null;
  readonly onRetry: () => void;
}) {
  if (isUnreadable(error)) return <Navigate to={`/jars/${jarId}`} replace />;
  return <OutOfReach onRetry={onRetry} />;
}
