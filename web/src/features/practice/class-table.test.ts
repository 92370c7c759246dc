import { describe, expect, test } from "vitest";
import type { Problem } from "../../api/types";
import { type Judged, tableOf } from "./class-table";
import type { Result } from "./story";

const NOT_A_CHOICE: Problem = {
  code: "not_a_choice",
  field: "results.0.acts.0.what",
  message: "",
  facts: {},
};
const OUT_OF_REACH: Problem = { code: "out_of_reach", field: "", message: "", facts: {} };
const HANDED = ["Ines", "Noor", "Bea"].map((name) => ({
  file: `${name}.json`,
  result: { name, situation: "pink", seed: 3, acts: [] } as Result,
}));

function row({ name }: Result): Judged {
  return { table: `name,seed\r\n"${name},\r\nof the first row",3\r\n` };
}

async function made(judge: (result: Result) => Judged) {
  const told: number[] = [];
  const table = await tableOf(
    HANDED,
    (result) => Promise.resolve(judge(result)),
    (done) => told.push(done),
  );
  return { ...table, told };
}

describe("the table of a class", () => {
  test("names its columns once, and says how far it is", async () => {
    const { table, count, told } = await made(row);
    expect(table.split("name,seed\r\n")).toHaveLength(2);
    expect(table.endsWith('"Noor,\r\nof the first row",3\r\n"Bea,\r\nof the first row",3\r\n')).toBe(true);
    expect([count, told]).toEqual([3, [0, 1, 2]]);
  });

  test("leaves out what cannot be judged, and says of which file it is", async () => {
    const first = await made((one) =>
      one.name === "Ines" ? { errors: [NOT_A_CHOICE], isOfIt: true } : row(one),
    );
    expect(first.leftOut).toEqual([{ file: "Ines.json", errors: [NOT_A_CHOICE] }]);
    expect(first.table.startsWith('name,seed\r\n"Noor')).toBe(true);
    expect([first.count, first.stopped]).toEqual([2, null]);
  });

  test("ends where nobody judges", async () => {
    const { stopped, told } = await made((one) =>
      one.name === "Noor" ? { errors: [OUT_OF_REACH], isOfIt: false } : row(one),
    );
    expect([stopped, told]).toEqual([[OUT_OF_REACH], [0, 1]]);
  });
});
