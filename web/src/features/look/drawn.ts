/** A look just saved, drawn at once on what the kitchen shows; the server's answer follows and settles it. */
import { type QueryClient, useQueryClient } from "@tanstack/react-query";
import type { Glance, Kitchen, LookBody } from "../../api/types";

function withLook(one: Glance, look: LookBody, times: number | null): Glance {
  const since = one.since_feed;
  if (!since || Date.parse(look.at) < Date.parse(since.fed_at)) return one;
  const last = times === null ? since.last : { look_id: "", at: look.at, times, error: null };
  const highest = last && (!since.highest || last.times > since.highest.times) ? last : since.highest;
  const seen = {
    last,
    highest,
    bubbles: look.bubbles ?? since.bubbles,
    top: look.top.length > 0 ? look.top : since.top,
  };
  return { ...one, since_feed: { ...since, ...seen } };
}

const KITCHEN = { queryKey: ["get", "/api/kitchen"] } as const;

function draw(queries: QueryClient, jarId: string, look: LookBody, times: number | null): void {
  queries.setQueriesData<Kitchen>(KITCHEN, (kitchen) =>
    kitchen
      ? {
          ...kitchen,
          jars: kitchen.jars.map((one) => (one.jar.id === jarId ? withLook(one, look, times) : one)),
        }
      : kitchen,
  );
}

/** Draws a look on the kitchen that is known, and says whether it shows the jar at all. */
export function useDrawn() {
  const queries = useQueryClient();
  return {
    draw: (jarId: string, look: LookBody, times: number | null) => draw(queries, jarId, look, times),
    isShown: (jarId: string) =>
      queries
        .getQueriesData<Kitchen>(KITCHEN)
        .some(([, kitchen]) => kitchen?.jars.some((one) => one.jar.id === jarId)),
  };
}
