/** The results of a class as one table: each is judged by itself, so that it can be said how far it is. */
import type { Problem } from "../../api/types";
import type { Result } from "./story";

export type Handed = { readonly file: string; readonly result: Result };
export type LeftOut = { readonly file: string; readonly errors: readonly Problem[] };
export type Judged =
  | { readonly table: string }
  | { readonly errors: readonly Problem[]; readonly isOfIt: boolean };
export type Table = {
  readonly table: string;
  readonly count: number;
  readonly leftOut: readonly LeftOut[];
  /** Why it did not come to its end. */
  readonly stopped: readonly Problem[] | null;
};

const LINE = "\r\n";

/** A result that cannot be judged is left out (`isOfIt`); whatever else goes wrong ends it. */
export async function tableOf(
  handed: readonly Handed[],
  judge: (result: Result) => Promise<Judged>,
  told: (done: number) => void,
): Promise<Table> {
  const leftOut: LeftOut[] = [];
  let [table, count] = ["", 0];
  for (const [done, { file, result }] of handed.entries()) {
    told(done);
    const judged = await judge(result);
    if ("table" in judged) {
      // The names of the columns stand once, above all of them.
      table += table ? judged.table.slice(judged.table.indexOf(LINE) + LINE.length) : judged.table;
      count += 1;
    } else if (judged.isOfIt) leftOut.push({ file, errors: judged.errors });
    else return { table, count, leftOut, stopped: judged.errors };
  }
  return { table, count, leftOut, stopped: null };
}
