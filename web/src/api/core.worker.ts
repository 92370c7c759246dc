/**
 * The core, asked beside the page: the same Python that the server asks, in a worker of its own, whose policy lets
 * compiled code run. What it is made of is told by the page and fetched from what is kept on the device.
 */
import type { PyodideInterface } from "pyodide";

export type CoreMade = { readonly runtime: string; readonly core: string };
export type CoreQuestion = {
  readonly id: string;
  readonly made: CoreMade;
  readonly what: string;
  readonly asked: string;
};
export type CoreAnswer =
  | { readonly id: string; readonly answer: string }
  | { readonly id: string; readonly error: string };

const SITE = "/home/pyodide/site";
type Door = (what: string, asked: string) => string;
/** What its types do not tell, but every build of it has. */
type Linking = { readonly _module: { readonly mergeLibSymbols: (found: object, of: string) => void } };

let made: Promise<Door> | null = null;

async function make({ runtime, core }: CoreMade): Promise<Door> {
  const { loadPyodide } = (await import(
    /* @vite-ignore */ `${runtime}pyodide.mjs`
  )) as typeof import("pyodide");
  const [python, ...archives] = await Promise.all([
    loadPyodide({ indexURL: runtime }),
    archive(`${runtime}numpy.zip`),
    archive(core),
  ]);
  // numpy asks who called it, to save a copy now and then: it is told that nobody knows.
  (python as PyodideInterface & Linking)._module.mergeLibSymbols({ backtrace: () => 0 }, "execinfo");
  for (const one of archives) python.unpackArchive(one, "zip", { extractDir: SITE });
  python.runPython(`import sys; sys.path.insert(0, "${SITE}")`);
  return python.pyimport("ferment.practice.door").answer_json as Door;
}

async function archive(path: string): Promise<ArrayBuffer> {
  const answer = await fetch(path);
  if (!answer.ok) throw new Error(`${path}: ${answer.status}`);
  return answer.arrayBuffer();
}

addEventListener("message", ({ data }: MessageEvent<CoreQuestion>) => {
  made ??= make(data.made);
  void made
    .then((door) => ({ id: data.id, answer: door(data.what, data.asked) }))
    .catch((error: unknown) => ({ id: data.id, error: String(error) }))
    .then((answer: CoreAnswer) => postMessage(answer));
});
