import { api } from "../../api/client";
import type { Family } from "../../api/types";
import { nowMs } from "../../lib/clock";
import { toField, when } from "../../lib/time";
import { Button } from "../../ui/button";
import { newJarText } from "../../words";
import { type JarDraft, jarOf } from "./draft";

/** Where the baker's hours cut into the first waits: the two nearest starts for which they do not. */
export function OtherStarts({
  choosing: { rested, restedFamily, set, zone, longAgo },
}: {
  readonly choosing: {
    readonly rested: JarDraft;
    readonly restedFamily: Family;
    readonly set: (part: Partial<JarDraft>) => void;
    readonly zone: string;
    readonly longAgo: boolean;
  };
}) {
  const now = nowMs();
  const { id: _id, ...jar } = jarOf(rested, restedFamily, Math.floor(now / 60_000) * 60_000, zone);
  const body = { ...jar, name: "preview", tare_g: 0 };
  const isTyped = [body.warmth_c, body.volume_ml, body.height_mm].every((value) => typeof value === "number");
  const starts = api.useQuery(
    "post",
    "/api/preview/starts",
    { body },
    { enabled: isTyped && !longAgo, retry: false },
  );
  if (!starts.data || starts.data.length === 0) return null;
  return (
    <div className="border-s-4 border-dawn ps-4">
      <p>{newJarText.yourHoursCutIntoIt}</p>
      <div className="mt-2 flex flex-wrap gap-3">
        {starts.data.map((at) => (
          <Button key={at} onClick={() => set({ start: { said: "other", field: toField(at, zone) } })}>
            {newJarText.startAt(when(at, now, zone))}
          </Button>
        ))}
      </div>
    </div>
  );
}
