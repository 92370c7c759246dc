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
        by_earlier_jars: draft.byEarlierJars,
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
  /** `Likely ready on day 8`. */
  readonly sentence: string;
};

/** What a way that next to never gets ready here is sorted after. */
const NEVER_DAYS = 1000;

/** The day of ready by the jar model; where next to no jar gets ready no day is told, and what is usual stands beside. */
export function readyDay(
  on: Ready | null,
  usual: ReadyDays,
  start: string,
  origin: Origin = "flour_and_water",
): ReadyDay {
  const days = (at: string) => (Date.parse(at) - Date.parse(start)) / DAY;
  // What sleeps is a starter already: where the model tells no day, what is usual does.
  if (!on && origin !== "flour_and_water") {
    const day = `${newJarText.day} ${Math.ceil(usual.likely)}`;
    return {
      days: usual.likely,
      likely: day,
      spread: newJarText.to2(Math.ceil(usual.earliest), Math.ceil(usual.latest), ""),
      sentence: newJarText.likelyReady2(newJarText.on(day)),
    };
  }
  if (!on)
    return {
      days: NEVER_DAYS,
      likely: newJarText.seldomHere,
      spread: newJarText.elsewhere(Math.ceil(usual.earliest), Math.ceil(usual.latest)),
      sentence: newJarText.seldomReadyHere,
    };
  const [earliest, likely, latest] = [days(on.on.earliest), days(on.on.likely), days(on.on.latest)];
  const day = `${on.seldom ? newJarText.afterDay : newJarText.day} ${Math.ceil(likely)}`;
  return {
    days: likely,
    likely: day,
    sentence: newJarText.likelyReady2(on.seldom ? day : newJarText.on(day)),
    spread: newJarText.to2(
      Math.ceil(earliest),
      Math.ceil(latest),
      on.latest_is_open ? newJarText.orLater : "",
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
