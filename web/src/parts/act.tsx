/** Acts that go to the server at once and are not kept for later: what it refuses is told beside what was pressed. */
import { useQueryClient } from "@tanstack/react-query";
import { useCallback, useState } from "react";
import { askAgain } from "../api/ask-again";
import type { Problems } from "../api/types";
import { problemWords } from "../words";

type Answer<T> = { readonly data?: T | undefined; readonly error?: Problems | undefined };

export type Acting = {
  /** Answers with what the server said, or null where it refused; what is shown is asked for again after it took it. */
  readonly act: <T>(asking: Promise<Answer<T>>) => Promise<{ readonly said: T | undefined } | null>;
  readonly problem: string | null;
};

export function useAct(): Acting {
  const [problem, setProblem] = useState<string | null>(null);
  const queries = useQueryClient();
  const act = useCallback<Acting["act"]>(
    async (asking) => {
      const { data, error } = await asking;
      setProblem(error ? error.errors.map(problemWords).join(" ") : null);
      if (error) return null;
      await askAgain(queries);
      return { said: data };
    },
    [queries],
  );
  return { act, problem };
}

/** What was refused, said aloud. */
export function Refused({ problem }: Pick<Acting, "problem">) {
  if (problem === null) return null;
  return (
    <p role="alert" className="font-semibold text-alarm">
      {problem}
    </p>
  );
}
