// @vitest-environment jsdom
import { QueryClient } from "@tanstack/react-query";
import { afterEach, describe, expect, it, vi } from "vitest";

/** The client takes the browser's fetch when it is made, so each test makes it anew. */
async function clientWith(fetch: (request: Request) => Promise<Response>) {
  vi.resetModules();
  vi.stubGlobal("fetch", fetch);
  return await import("./client");
}

const GONE = () => Promise.reject(new TypeError("Failed to fetch"));

afterEach(() => vi.unstubAllGlobals());

describe("the way to the server", () => {
  it("answers what was pressed without a connection in the shape of every refusal", async () => {
    const { http } = await clientWith(GONE);
    const { data, error, response } = await http.POST("/api/calendar");
    expect(data).toBeUndefined();
    expect(response.status).toBe(503);
    expect(error).toMatchObject({ errors: [{ code: "out_of_reach", field: "" }] });
  });

  it("lets a question fail, so that what was known stays in sight", async () => {
    const { http } = await clientWith(GONE);
    await expect(http.GET("/api/kitchen")).rejects.toThrow("Failed to fetch");
  });

  it("asks for the newest after a write, for as long as what was kept may be from before it", async () => {
    vi.useFakeTimers();
    const asked: Request[] = [];
    const { http } = await clientWith((request) => {
      asked.push(request);
      return Promise.resolve(Response.json({}));
    });
    const { askAgain } = await import("./ask-again");
    await http.GET("/api/kitchen");
    await askAgain(new QueryClient());
    await http.GET("/api/kitchen");
    vi.advanceTimersByTime(61_000);
    await http.GET("/api/kitchen");
    vi.useRealTimers();
    expect(asked.map(({ cache }) => cache)).toEqual(["default", "no-cache", "default"]);
  });

  it("tells what is not there from what cannot be reached", async () => {
    const { isNotThere } = await clientWith(GONE);
    const said = (code: "not_found" | "out_of_reach") => ({
      errors: [{ code, field: "id", message: "", facts: {} }],
    });
    expect(isNotThere(said("not_found"))).toBe(true);
    expect(isNotThere(said("out_of_reach"))).toBe(false);
    expect(isNotThere(new TypeError("Failed to fetch"))).toBe(false);
    expect(isNotThere(null)).toBe(false);
  });
});
