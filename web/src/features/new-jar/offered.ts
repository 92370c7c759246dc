/** The ways that begin so, foreseen for this kitchen and this flour. */

import { keepPreviousData } from "@tanstack/react-query";
import { api } from "../../api/client";
import type { Family, Origin, Ready, ReadyDays } from "../../api/types";
import { typed } from "../../lib/numbers";
import { newJarText } from "../../words";
import { blendInUse, type Chosen, type JarDraft, partsOf } from "./draft";

const DAY = 86_400_000;

/** With the flour of the way that is chosen, so that all are held against each other alike. */
export function useOffered(draft: JarDraft, family: Family, origin: Origin, start: string) {
  const warmth = typed(draft.warmth);
  const night = typed(draft.night);
  return api.useQuery(
    "post",
    "/api/compare",
    {
      body: {
        origin,
        warmth_c: warmth ?? 0,
        night_c: Number.isNaN(night) ? null : night,
        blend: blendFor(family, draft.chosen[family.code] ?? {}),
        has_scale: draft.hasScale,
        starts_at: start,
      },
    },
    {
      enabled: warmth !== null && !Number.isNaN(warmth),
      staleTime: 300_000,
      retry: false,
      placeholderData: keepPreviousData,
    },
  );
}

export type ReadyDay = {
  /** Days to the likely day, to sort by. */
  readonly days: number;
  /** `day 8`, or `after day 24`. */
  readonly likely: string;
  /** `6 to 14`, or `6 to 24 or later`. */
  readonly spread: string;
};

/** The day of ready: by the jar model where it can say, else by what is usual for this way, flour and warmth. */
export function readyDay(on: Ready | null, usual: ReadyDays, start: string): ReadyDay {
  const days = (at: string) => (Date.parse(at) - Date.parse(start)) / DAY;
  const [earliest, likely, latest] = on
    ? [days(on.on.earliest), days(on.on.likely), days(on.on.latest)]
    : [usual.earliest, usual.likely, usual.latest];
  return {
    days: likely,
    likely: `${on?.seldom ? newJarText.afterDay : "day"} ${Math.ceil(likely)}`,
    spread: newJarText.to2(
      Math.ceil(earliest),
      Math.ceil(latest),
      on?.latest_is_open ? newJarText.orLater : "",
    ),
  };
}

/** The blend of the way that is chosen. */
function blendFor(family: Family, chosen: Chosen): Record<string, number> {
  const option = family.options.find((one) => one.code === "blend");
  if (option?.kind !== "blend") return {};
  const parts = Object.entries(partsOf(option, blendInUse(option, chosen)));
  return Object.fromEntries(
    parts.flatMap(([flour, text]) => {
      const value = typed(text);
      return value === null || Number.isNaN(value) ? [] : [[flour, value]];
    }),
  );
}
