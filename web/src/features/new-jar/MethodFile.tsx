import { useRef, useState } from "react";
import { http } from "../../api/client";
import type { CheckedMethod, Family } from "../../api/types";
import { list } from "../../lib/numbers";
import { Button } from "../../ui/button";
import { FAMILY_WORDS, newJarText, problemWords, THING_WORDS } from "../../words";
import type { OwnMethod } from "./draft";

const MOST_BYTES = 65_536;

/** A method as a file: sent out, or brought in, checked and shown before it is used. */
export function MethodFile({
  family,
  own,
  onUse,
}: {
  readonly family: Family;
  readonly own: OwnMethod | null;
  readonly onUse: (own: OwnMethod | null) => void;
}) {
  const file = useRef<HTMLInputElement>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [shown, setShown] = useState<{ readonly checked: CheckedMethod; readonly own: OwnMethod } | null>(
    null,
  );

  const bringIn = async (chosen: File | undefined) => {
    if (!chosen) return;
    setShown(null);
    if (chosen.size > MOST_BYTES) {
      setProblem(newJarText.thisFileIsTooLarge);
      return;
    }
    let method: unknown;
    try {
      method = JSON.parse(await chosen.text());
    } catch {
      setProblem(newJarText.thisFileIsNotJson);
      return;
    }
    if (typeof method !== "object" || method === null || Array.isArray(method)) {
      setProblem(newJarText.thisFileHoldsNoMethod);
      return;
    }
    const own = method as OwnMethod;
    const { data, error } = await http.POST("/api/methods/check", { body: { method: own } });
    setProblem(error?.errors.map((one) => `${one.field}: ${problemWords(one)}`).join(" ") ?? null);
    if (data) setShown({ checked: data, own });
  };

  return (
    <details open={own !== null}>
      <summary className="min-h-11 py-2 font-semibold text-crust">{newJarText.aWayAsAFile}</summary>
      <div className="flex flex-col gap-3 pt-1">
        <input
          ref={file}
          type="file"
          accept="application/json,.json"
          aria-label={newJarText.methodFile}
          tabIndex={-1}
          className="sr-only"
          onChange={(event) => {
            void bringIn(event.target.files?.[0]);
            event.target.value = "";
          }}
        />
        <div className="flex flex-wrap items-center gap-3">
          <Button onClick={() => file.current?.click()}>{newJarText.bringInAMethodFile}</Button>
          <a
            href={`/api/methods/${family.code}`}
            download={`${family.code}.json`}
            className="inline-flex min-h-11 items-center px-3 font-semibold text-crust underline-offset-4 hover:underline"
          >
            {newJarText.sendOut(FAMILY_WORDS[family.code].label)}
          </a>
        </div>
        {problem && (
          <p role="alert" className="font-semibold text-alarm">
            {problem}
          </p>
        )}
        {shown && (
          <div className="border-s-4 border-water ps-4">
            <p>
              <span className="font-semibold">{shown.checked.code.replaceAll("_", " ")}</span>
              {newJarText.phasesReadyOnAboutDay(shown.checked.phases, Math.ceil(shown.checked.ready.likely))}{" "}
              {list(shown.checked.needs.map((thing) => THING_WORDS[thing]))}.
            </p>
            <Button
              className="mt-2"
              onClick={() => {
                onUse(shown.own);
                setShown(null);
              }}
            >
              {newJarText.useItForThisJar}
            </Button>
          </div>
        )}
        {own && (
          <p className="border-s-4 border-crust ps-4">
            {newJarText.thisJarGoesByThe}{" "}
            <Button look="plain" onClick={() => onUse(null)}>
              {newJarText.goByTheWayAbove}
            </Button>
          </p>
        )}
      </div>
    </details>
  );
}
