/** Pictures that were taken already: chosen all at once, the jar shown on the first, and read in order with progress. */
import { useRef, useState } from "react";
import { http } from "../../api/client";
import { asBase64 } from "../../api/photos";
import type { OpenJar } from "../../api/types";
import { newId } from "../../lib/ids";
import { fromField } from "../../lib/time";
import { Refused, useAct } from "../../parts/act";
import { Button } from "../../ui/button";
import { Choice } from "../../ui/choice";
import { NumberField, TextField } from "../../ui/field";
import { Progress } from "../../ui/progress";
import { problemWords, watchText } from "../../words";
import { type Part, parts, type Timed, timed } from "./parts";
import { type Pictured, Showing } from "./Showing";

export function Lapse({ opened, onDone }: { readonly opened: OpenJar; readonly onDone: () => void }) {
  const { act, problem } = useAct();
  const picker = useRef<HTMLInputElement>(null);
  const [id] = useState(newId);
  const [files, setFiles] = useState<readonly File[]>([]);
  const [times, setTimes] = useState<"own" | "given">("own");
  const [first, setFirst] = useState("");
  const [step, setStep] = useState("5");
  const [pictured, setPictured] = useState<Pictured | null>(null);
  const [shown, setShown] = useState(false);
  const firstAt = fromField(first, opened.time_zone);
  const given = times === "given" && firstAt !== null ? { firstAt, stepMin: Number(step) || 0 } : null;
  const ready = files.length > 0 && (times === "own" || (given !== null && given.stepMin > 0));
  const all = timed(files, given);
  const begin = async () => {
    const one = all[0];
    if (!one) return;
    const body = { id, kind: "lapse" as const, every_min: given?.stepMin ?? 5 };
    const path = { params: { path: { jar_id: opened.jar.id } } };
    if (await act(http.POST("/api/jars/{jar_id}/cameras", { ...path, body })))
      setPictured({ blob: one.file, at: one.at });
  };
  if (shown) return <Reading cameraId={id} all={all.slice(1)} onDone={onDone} />;
  if (pictured)
    return <Showing jarId={opened.jar.id} cameraId={id} pictured={pictured} onShown={() => setShown(true)} />;
  return (
    <div className="flex max-w-prose flex-col items-start gap-4">
      <input
        ref={picker}
        type="file"
        accept="image/jpeg,image/png,image/webp"
        multiple
        aria-label={watchText.chooseFiles}
        className="sr-only"
        tabIndex={-1}
        onChange={(event) => setFiles([...(event.target.files ?? [])])}
      />
      <Button look={files.length === 0 ? "act" : "quiet"} onClick={() => picker.current?.click()}>
        {watchText.chooseFiles}
      </Button>
      {files.length > 0 && (
        <>
          <p aria-live="polite" className="font-semibold">
            {watchText.filesOf(files.length)}
          </p>
          <Choice
            label={watchText.theirTimes}
            items={[
              { value: "own", label: watchText.ownTimes },
              { value: "given", label: watchText.givenTimes },
            ]}
            value={times}
            onChange={(next) => next && setTimes(next as "own" | "given")}
          />
          {times === "given" && (
            <div className="flex flex-wrap gap-4">
              <TextField
                type="datetime-local"
                label={watchText.firstAt}
                value={first}
                onChange={(event) => setFirst(event.target.value)}
              />
              <NumberField label={watchText.stepMin} value={step} onText={setStep} />
            </div>
          )}
          <Refused problem={problem} />
          <Button look="act" disabled={!ready} onClick={() => void begin()}>
            {watchText.showInThis}
          </Button>
        </>
      )}
    </div>
  );
}

type Stopped = { readonly at: number; readonly name: string; readonly why: string };

function Reading({
  cameraId,
  all,
  onDone,
}: {
  readonly cameraId: string;
  readonly all: readonly Timed[];
  readonly onDone: () => void;
}) {
  const [done, setDone] = useState(0);
  const [read, setRead] = useState(0);
  const [stopped, setStopped] = useState<Stopped | null>(null);
  const [runs, setRuns] = useState(false);
  const { act } = useAct();
  const send = async ({ pictures, from }: Part): Promise<boolean> => {
    const body = {
      pictures: await Promise.all(
        pictures.map(async ({ file, at }) => ({ at, picture: await asBase64(file) })),
      ),
    };
    const path = { params: { path: { camera_id: cameraId } } };
    const { data, error } = await http.POST("/api/cameras/{camera_id}/pictures", { ...path, body });
    if (error) {
      const number = Number(/^pictures\.(\d+)/.exec(error.errors[0]?.field ?? "")?.[1] ?? 0);
      const name = pictures[number]?.file.name ?? "";
      setStopped({ at: from + number, name, why: error.errors.map(problemWords).join(" ") });
      return false;
    }
    setRead((before) => before + data.filter(({ level }) => level !== null).length);
    setDone(from + pictures.length);
    return true;
  };
  const run = async (from: number, without: readonly Timed[]) => {
    setRuns(true);
    setStopped(null);
    for (const part of parts(without, from)) {
      if (!(await send(part))) {
        setRuns(false);
        return;
      }
    }
    setRuns(false);
    await act(Promise.resolve({}));
  };
  const [left, setLeft] = useState(all);
  const over = done >= left.length && !stopped;
  return (
    <section aria-label={watchText.bringing} className="flex max-w-prose flex-col items-start gap-3">
      <Progress label={watchText.bringing} done={done} all={left.length} />
      <p aria-live="polite">
        {over ? watchText.allIn(read, left.length) : watchText.broughtIn(done, left.length)}
      </p>
      {stopped && (
        <>
          <Refused problem={`${watchText.notRead(stopped.name)} ${stopped.why}`} />
          <Button
            onClick={() => {
              const without = left.filter((_, at) => at !== stopped.at);
              setLeft(without);
              void run(done, without);
            }}
          >
            {watchText.goOn}
          </Button>
        </>
      )}
      {!runs && !stopped && !over && (
        <Button look="act" onClick={() => void run(done, left)}>
          {watchText.bringIn}
        </Button>
      )}
      {over && (
        <Button look="act" onClick={onDone}>
          {watchText.saw}
        </Button>
      )}
    </section>
  );
}
