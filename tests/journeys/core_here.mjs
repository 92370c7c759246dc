// The core under the Python that a browser gets, asked by a test: lines of [what, asked] in, the answers out.
import { readFileSync } from "node:fs";
import { createInterface } from "node:readline";
import { loadPyodide } from "../../web/node_modules/pyodide/pyodide.mjs";

const [runtime, core] = process.argv.slice(2);
const python = await loadPyodide();
python._module.mergeLibSymbols({ backtrace: () => 0 }, "execinfo");
for (const archive of [`${runtime}/numpy.zip`, core]) {
  python.unpackArchive(new Uint8Array(readFileSync(archive)), "zip", { extractDir: "/home/pyodide/site" });
}
python.runPython('import sys; sys.path.insert(0, "/home/pyodide/site")');
const door = python.pyimport("ferment.practice.door").answer_json;
for await (const line of createInterface({ input: process.stdin })) {
  const [what, asked] = JSON.parse(line);
  console.log(door(what, JSON.stringify(asked)));
}
