import { useState } from "react";
import { Link, useNavigate } from "react-router";
import { http } from "../../api/client";
import type { SituationCode } from "../../api/types";
import { useTitle } from "../../lib/hooks";
import { save } from "../../lib/save-picture";
import { Refused, useAct } from "../../parts/act";
import { Button } from "../../ui/button";
import { practiceText, SITUATION_WORDS } from "../../words";
import { OnThisDevice, WorkingItOut } from "./OnThisDevice";
import { anySeed, fromFile, type Result } from "./story";

const CODES = Object.keys(SITUATION_WORDS) as SituationCode[];

/** The situations to choose from, and what a teacher needs. */
export function PracticePage() {
  useTitle(practiceText.title);
  const navigate = useNavigate();
  const surprise = () => {
    const code = CODES[Math.floor(Math.random() * CODES.length)];
    void navigate(`/practice/${code}?seed=${anySeed()}&surprise=1`);
  };
  return (
    <div className="pt-6">
      <h1 className="text-3xl">{practiceText.title}</h1>
      <p className="mt-1 max-w-prose text-soft">{practiceText.lead}</p>
      <OnThisDevice />
      <Button look="act" className="mt-5" onClick={surprise}>
        {practiceText.surprise}
      </Button>
      <ul className="mt-6 grid gap-3 sm:grid-cols-2 lg:grid-cols-3">
        {CODES.map((code) => (
          <li key={code}>
            <Link
              to={`/practice/${code}`}
              className="flex h-full flex-col gap-1 rounded-xl border border-edge bg-card p-4 no-underline hover:border-crust"
            >
              <span className="text-lg font-semibold">{SITUATION_WORDS[code].name}</span>
              <span className="text-soft">{SITUATION_WORDS[code].lead}</span>
            </Link>
          </li>
        ))}
      </ul>
      <ForClass />
    </div>
  );
}

/** Results of a class, brought together to one table. */
function ForClass() {
  const [said, setSaid] = useState<string | null>(null);
  const { act, problem } = useAct();
  const together = async (files: FileList | null) => {
    if (!files || files.length === 0) return;
    const read = await Promise.all([...files].map(async (file) => fromFile(await file.text())));
    const results = read.filter((one): one is Result => one !== null);
    if (results.length === 0) {
      setSaid(practiceText.classNone);
      return;
    }
    const body = { results: results.map((one) => ({ ...one, acts: [...one.acts] })) };
    let table: Blob | null = null;
    const asked = http.POST("/api/practice/class.csv", { body, parseAs: "blob" }).then((answer) => {
      table = answer.data instanceof Blob ? answer.data : null;
      return answer;
    });
    if (!(await act(asked)) || !table) return;
    save(table, "class.csv");
    const left = read.length - results.length;
    setSaid(
      [practiceText.classMade(results.length), ...(left > 0 ? [practiceText.classSome(left)] : [])].join(" "),
    );
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
            void together(event.target.files);
            event.target.value = "";
          }}
        />
      </label>
      <p aria-live="polite" className="mt-2 font-semibold">
        {said}
      </p>
      <WorkingItOut />
      <Refused problem={problem} />
    </details>
  );
}
