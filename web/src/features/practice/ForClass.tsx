/** What a teacher needs: the results of a class, brought together to one table. */
import { useEffect, useRef, useState } from "react";
import { http } from "../../api/client";
import type { Problem } from "../../api/types";
import { save } from "../../lib/save-picture";
import { Refused } from "../../parts/act";
import { Button } from "../../ui/button";
import { Progress } from "../../ui/progress";
import { practiceText, problemWords } from "../../words";
import { type Handed, type Judged, type Table, tableOf } from "./class-table";
import { fromFile, type Result } from "./story";

const OF_REQUEST = "results.0.";

type At =
  | { readonly kind: "chosen" }
  | { readonly kind: "judging"; readonly done: number; readonly all: number }
  | {
      readonly kind: "stopped";
      readonly handed: readonly Handed[];
      readonly others: number;
      readonly why: string;
    }
  | { readonly kind: "made"; readonly said: readonly string[] };

export function ForClass() {
  const [at, setAt] = useState<At>({ kind: "chosen" });
  const leaving = useRef<AbortController>(null);
  useEffect(() => () => leaving.current?.abort(), []);

  const judge = async (handed: readonly Handed[], others: number) => {
    leaving.current?.abort();
    const going = new AbortController();
    leaving.current = going;
    const { signal } = going;
    const told = (done: number) => setAt({ kind: "judging", done, all: handed.length });
    const made = await tableOf(handed, (result) => judged(result, signal), told).catch((error: unknown) => {
      if (signal.aborted) return null;
      throw error;
    });
    if (!made || signal.aborted) return;
    if (made.stopped) {
      setAt({ kind: "stopped", handed, others, why: made.stopped.map(problemWords).join(" ") });
      return;
    }
    if (made.count > 0) save(new Blob([made.table], { type: "text/csv" }), "class.csv");
    setAt({ kind: "made", said: saidOf(made, others) });
  };
  const choose = async (files: readonly File[]) => {
    if (files.length === 0) return;
    const handed: Handed[] = [];
    for (const file of files) {
      const result = fromFile(await file.text());
      if (result) handed.push({ file: file.name, result });
    }
    await judge(handed, files.length - handed.length);
  };
  return (
    <details className="mt-8 max-w-prose">
      <summary className="min-h-11 cursor-pointer py-2 font-semibold">{practiceText.forClass}</summary>
      <p>{practiceText.classHint}</p>
      <label className="mt-3 inline-flex min-h-11 cursor-pointer items-center rounded-lg border border-edge bg-card px-5 font-semibold focus-within:outline focus-within:outline-2 hover:border-crust">
        {practiceText.classFiles}
        <input
          type="file"
          multiple
          accept="application/json,.json"
          className="sr-only"
          onChange={(event) => {
            void choose([...(event.target.files ?? [])]);
            event.target.value = "";
          }}
        />
      </label>
      {at.kind === "judging" && <Judging done={at.done} all={at.all} />}
      <ul aria-live="polite" className="mt-2 font-semibold">
        {at.kind === "made" && at.said.map((one) => <li key={one}>{one}</li>)}
      </ul>
      {at.kind === "stopped" && (
        <>
          <Refused problem={at.why} />
          <Button className="mt-2" onClick={() => void judge(at.handed, at.others)}>
            {practiceText.again}
          </Button>
        </>
      )}
    </details>
  );
}

function Judging({ done, all }: { readonly done: number; readonly all: number }) {
  return (
    <div className="mt-3 flex flex-col gap-1">
      <Progress label={practiceText.classJudging} done={done} all={all} />
      {/* Not live: a reader would hear every one of them. */}
      <p>{practiceText.classJudged(done, all)}</p>
    </div>
  );
}

async function judged(result: Result, signal: AbortSignal): Promise<Judged> {
  const body = { results: [{ ...result, acts: [...result.acts] }] };
  const { data, error, response } = await http.POST("/api/practice/class.csv", {
    body,
    parseAs: "text",
    signal,
  });
  return error ? { errors: error.errors, isOfIt: response.status === 422 } : { table: data ?? "" };
}

function saidOf({ count, leftOut }: Table, others: number): string[] {
  if (count + leftOut.length === 0) return [practiceText.classNone];
  return [
    ...(count > 0 ? [practiceText.classMade(count)] : []),
    ...(others > 0 ? [practiceText.classSome(others)] : []),
    ...leftOut.map(({ file, errors }) => practiceText.classLeftOut(file, errors.map(whereAndWhy).join(" "))),
  ];
}

/** The place is the file's own: it was asked for alone. */
function whereAndWhy(problem: Problem): string {
  return `${problem.field.replace(OF_REQUEST, "")}: ${problemWords(problem)}`;
}
