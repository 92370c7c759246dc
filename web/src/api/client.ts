/** The only way to the server: typed by its contract. */
import createFetchClient, { type Middleware } from "openapi-fetch";
import createQueryClient from "openapi-react-query";
import type { paths } from "./contract";

export function csrfToken(): string {
  return /(?:^|; )despertar_csrf=([^;]+)/.exec(document.cookie)?.[1] ?? "";
}

const guard: Middleware = {
  onRequest({ request }) {
    if (request.method !== "GET") request.headers.set("X-CSRFToken", csrfToken());
    return request;
  },
};

export const http = createFetchClient<paths>({ baseUrl: globalThis.location?.origin ?? "" });
http.use(guard);

export const api = createQueryClient(http);
