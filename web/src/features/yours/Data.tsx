import { useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useId, useState } from "react";
import { askAgain } from "../../api/ask-again";
import { bringIn, type Progress } from "../../api/parcel";
import { newId } from "../../lib/ids";
import { Button } from "../../ui/button";
import { problemWords, takenInLine, yoursText } from "../../words";

const LINK =
  "inline-flex min-h-11 items-center rounded-lg border border-edge bg-card px-5 font-semibold no-underline hover:border-crust hover:text-crust";

/** All that is the baker's, out as a file and in again. */
export function DataPart({ isDemo }: { readonly isDemo: boolean }) {
  const [photos, setPhotos] = useState(true);
  const id = useId();
  return (
    <section aria-labelledby="data" className="flex flex-col gap-4">
      <h2 id="data" className="text-2xl">
        {yoursText.yourData}
      </h2>
      <p>{yoursText.allThatIsYours}</p>
      <p className="flex min-h-11 items-center gap-3">
        <input
          id={id}
          type="checkbox"
          className="size-5 accent-(--crust)"
          checked={photos}
          onChange={(event) => setPhotos(event.target.checked)}
        />
        <label htmlFor={id} className="font-semibold">
          {yoursText.withPhotos}
        </label>
      </p>
      <p className="flex flex-wrap gap-3">
        <a className={LINK} href={`/api/parcel.zip?photos=${photos}`} download>
          {yoursText.asAPackage}
        </a>
        <a className={LINK} href={`/api/parcel.json?photos=${photos}`} download>
          {yoursText.asADocument}
        </a>
      </p>
      <h3 className="mt-4 text-xl">{yoursText.bringIn}</h3>
      {isDemo ? <p className="text-soft">{yoursText.notInTheDemo}</p> : <BringIn />}
    </section>
  );
}

function progressWords(at: Progress): string {
  if (at.step === "sending") return yoursText.sending(at.share);
  return at.step === "reading" ? yoursText.reading : yoursText.photosSoFar(at.photos);
}

function BringIn() {
  const queries = useQueryClient();
  const id = useId();
  const [file, setFile] = useState<File | null>(null);
  const [at, setAt] = useState<Progress | null>(null);
  const [said, setSaid] = useState<{ readonly words: string; readonly bad: boolean } | null>(null);
  const send = async (event: FormEvent) => {
    event.preventDefault();
    if (!file) return;
    setSaid(null);
    const arrived = await bringIn(file, newId(), setAt);
    setAt(null);
    if (arrived.kind === "in") {
      await askAgain(queries);
      setSaid({ words: takenInLine(arrived.told), bad: false });
    } else setSaid({ words: arrived.problems.map(problemWords).join(" "), bad: true });
  };
  return (
    <form onSubmit={(event) => void send(event)} className="flex flex-col items-start gap-3">
      <p>{yoursText.bringInHow}</p>
      <label htmlFor={id} className="font-semibold">
        {yoursText.chooseAFile}
      </label>
      <input
        id={id}
        type="file"
        accept=".zip,.json,application/zip,application/json"
        className="max-w-full file:me-4 file:min-h-11 file:rounded-lg file:border file:border-edge file:bg-card file:px-4 file:font-semibold file:text-ink"
        onChange={(event) => setFile(event.target.files?.[0] ?? null)}
      />
      <Button type="submit" disabled={!file || at !== null}>
        {yoursText.bringItIn}
      </Button>
      <p aria-live="polite" className={said?.bad ? "font-semibold text-alarm" : "font-semibold"}>
        {at ? progressWords(at) : said?.words}
      </p>
    </form>
  );
}
