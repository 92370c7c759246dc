/** The baker's hours, drawn: when somebody is at the jars, on weekdays and at weekends. */

import { useEffect, useState } from "react";
import { api, http } from "../api/client";
import type { Hours } from "../api/types";
import { clockTime } from "../lib/clock-time";
import { useRested } from "../lib/hooks";
import { list } from "../lib/numbers";
import { Button } from "../ui/button";
import { type DayBand, HoursBar } from "../ui/hours-bar";
import { Loading } from "../ui/states";
import { commonText, partsText } from "../words";
import { Refused, useAct } from "./act";

const DAYS = [
  { key: "weekday", label: partsText.weekdays },
  { key: "weekend", label: partsText.weekends },
] as const;
/** Home all day, out in between, in the evening only: in minutes after midnight. */
export const BAND_ALL_DAY: DayBand[] = [{ start: 420, end: 1350 }];
export const BAND_EVENING: DayBand[] = [{ start: 1080, end: 1350 }];
export const BAND_BOTH_ENDS: DayBand[] = [
  { start: 420, end: 540 },
  { start: 1140, end: 1350 },
];

export function HoursPart() {
  const hours = api.useQuery("get", "/api/hours");
  if (hours.data) return <Editor key="hours" told={hours.data} />;
  if (hours.isError) return <p className="text-soft">{partsText.yourHoursCannotBeReached}</p>;
  return <Loading what={partsText.lookingAtYourHours} />;
}

/** What is dragged here goes out when it has rested; until then, and after, what the server says is shown. */
function Editor({ told }: { readonly told: Hours }) {
  const [mine, setMine] = useState<Hours | null>(null);
  const { act, problem } = useAct();
  const rested = useRested(mine, 400);
  const hours = mine ?? told;
  useEffect(() => {
    if (rested === null) return;
    void act(http.PUT("/api/hours", { body: rested })).then((taken) => {
      // Dragged on meanwhile: that will rest in its turn.
      if (taken) setMine((now) => (now === rested ? null : now));
    });
  }, [rested, act]);
  return (
    <section aria-label={commonText.yourHours} className="flex flex-col gap-4">
      <p className="text-soft">{partsText.actsArePutIntoThe}</p>
      {DAYS.map(({ key, label }) => {
        const bands = hours[key];
        const set = (next: DayBand[]) => setMine({ ...hours, [key]: next });
        return (
          <div key={key}>
            <p className="flex flex-wrap items-baseline justify-between gap-x-4">
              <span className="font-semibold">{label}</span>
              <span>{spans(bands)}</span>
            </p>
            <HoursBar label={label} bands={bands} onChange={set} />
            <Button look="plain" onClick={() => set(bands.length > 1 ? BAND_ALL_DAY : BAND_BOTH_ENDS)}>
              {bands.length > 1 ? partsText.homeAllDay(label) : partsText.outInBetween(label)}
            </Button>
          </div>
        );
      })}
      <Refused problem={problem} />
    </section>
  );
}

function spans(bands: readonly DayBand[]): string {
  return list(bands.map(({ start, end }) => partsText.to(clockTime(start), clockTime(end))));
}
