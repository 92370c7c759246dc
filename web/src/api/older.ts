import { useMemo } from "react";
import { api } from "./client";
import type { LogEntry, OpenJar } from "./types";

interface WholeLog {
  readonly log: readonly LogEntry[];
  readonly isWhole: boolean;
  readonly isLooking: boolean;
  readonly isOutOfReach: boolean;
}

/** A jar's log, the latest first: what came with the jar, and what is older once that is `wanted`. */
export function useLog({ jar, log, older_until: until }: OpenJar, wanted: boolean): WholeLog {
  const older = api.useQuery(
    "get",
    "/api/jars/{jar_id}/log",
    { params: { path: { jar_id: jar.id }, query: { until: until ?? "" } } },
    { enabled: wanted && until !== null },
  );
  const whole = useMemo(() => {
    const known = new Set(log.map(({ id }) => id));
    return [...log, ...(older.data ?? []).filter(({ id }) => !known.has(id))];
  }, [log, older.data]);
  return {
    log: whole,
    isWhole: until === null || older.data !== undefined,
    isLooking: wanted && until !== null && older.isPending,
    isOutOfReach: older.isError,
  };
}
