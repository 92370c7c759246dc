/** The only way to the server: typed by its contract. */
import createFetchClient, { type Middleware } from "openapi-fetch";
import createQueryClient from "openapi-react-query";
import { heardTime } from "../lib/clock";
import { wantsNewest } from "./ask-again";
import type { paths } from "./contract";
import type { ProblemCode, Problems } from "./types";

export function csrfToken(): string {
  return /(?:^|; )despertar_csrf=([^;]+)/.exec(document.cookie)?.[1] ?? "";
}

/** Told to the page when the server says that nobody is signed in any more. */
export const SIGNED_OUT = "despertar.signed-out";

const OUT_OF_REACH: Problems = {
  errors: [{ code: "out_of_reach", field: "", message: "out of reach", facts: {} }],
};

const guard: Middleware = {
  onRequest({ request }) {
    if (request.method !== "GET") request.headers.set("X-CSRFToken", csrfToken());
    else if (wantsNewest()) return new Request(request, { cache: "no-cache" });
    return request;
  },
  onResponse({ request, response }) {
    heardTime(response.headers.get("Date"));
    if (response.status === 401 && !request.url.endsWith("/api/session")) {
      globalThis.dispatchEvent(new Event(SIGNED_OUT));
    }
    return response;
  },
  // What is pressed is always answered: without a connection in the one shape of every refusal.
  onError({ request, error }) {
    if (request.method === "GET" || request.signal.aborted) return error as Error;
    return Response.json(OUT_OF_REACH, { status: 503 });
  },
};

function says(error: Problems | Error | null, wanted: ProblemCode): boolean {
  return error !== null && "errors" in error && error.errors.some(({ code }) => code === wanted);
}

/** Whether the server said that there is no such thing, rather than nothing at all. */
export function isNotThere(error: Problems | Error | null): boolean {
  return says(error, "not_found");
}

/** Whether the server said that this jar cannot be read. */
export function isUnreadable(error: Problems | Error | null): boolean {
  return says(error, "jar_unreadable");
}

export const http = createFetchClient<paths>({ baseUrl: globalThis.location?.origin ?? "" });
http.use(guard);

export const api = createQueryClient(http);
