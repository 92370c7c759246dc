import { QueryClient, QueryObserver } from "@tanstack/react-query";
import { expect, test } from "vitest";
import { askAgain } from "./ask-again";

test("a first answer that was asked for before the write is not taken for the new one", async () => {
  const queries = new QueryClient();
  const asked: ((answer: string) => void)[] = [];
  const queryFn = () => new Promise<string>((resolve) => asked.push(resolve));
  const shown = new QueryObserver(queries, { queryKey: ["kitchen"], queryFn });
  const leave = shown.subscribe(() => undefined);
  expect(asked).toHaveLength(1);
  const again = askAgain(queries);
  await expect.poll(() => asked.length).toBe(2);
  asked[0]?.("before");
  asked[1]?.("after");
  await again;
  expect(shown.getCurrentResult().data).toBe("after");
  leave();
});
