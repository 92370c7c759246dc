/** One photo of all jars of a trial in a row: it goes with the plain one, and belongs to none of its looks. */
import { useState } from "react";
import { keepPhoto, pictureAt } from "../../api/photos";
import type { Problem, Trial } from "../../api/types";
import { sendPhoto } from "../../api/writes";
import { nowIso } from "../../lib/clock";
import { newId } from "../../lib/ids";
import { shrink } from "../../lib/shrink";
import { when } from "../../lib/time";
import { PhotoInput } from "../../ui/photo-input";
import { problemWords, trialText } from "../../words";

export function PhotosOfAll({ found: { trial, photos, now, time_zone: zone } }: { readonly found: Trial }) {
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const [plain] = trial.places;
  if (!plain || (trial.ended_at && photos.length === 0)) return null;
  const take = async (chosen: File | undefined) => {
    if (!chosen) return;
    setBusy(true);
    setProblem(null);
    const picture = await shrink(chosen);
    if (typeof picture === "string") {
      const refused: Problem = { code: picture, field: "photo", message: "", facts: {} };
      setProblem(problemWords(refused));
    } else {
      const id = newId();
      await keepPhoto(id, picture);
      const photo = { id, at: nowIso(), look: null, points: null };
      const outcome = await sendPhoto(plain.jar, photo, trialText.sendingIt(trial.name));
      if (outcome.kind === "refused") setProblem(outcome.problems.map(problemWords).join(" "));
    }
    setBusy(false);
  };
  return (
    <section aria-labelledby="photos-of-all" className="flex flex-col items-start gap-3">
      <h2 id="photos-of-all" className="text-2xl">
        {trialText.photosOfAll}
      </h2>
      {photos.length > 0 && (
        <ol className="flex flex-wrap gap-4">
          {photos.map((photo) => (
            <li key={photo.id}>
              <a href={pictureAt(photo.id, "large")} target="_blank" rel="noreferrer">
                <img
                  src={pictureAt(photo.id, "small")}
                  alt={trialText.photoFrom(when(photo.at, now, zone))}
                  className="h-40 rounded-lg"
                />
              </a>
              <p className="text-sm text-soft">{when(photo.at, now, zone)}</p>
            </li>
          ))}
        </ol>
      )}
      {!trial.ended_at && (
        <div className="flex flex-col items-start gap-2 print:hidden">
          <p className="text-soft">{trialText.photoHint}</p>
          <PhotoInput
            label={trialText.photoOfAll}
            said={busy ? trialText.makingItSmall : trialText.takePhoto}
            busy={busy}
            onChosen={(chosen) => void take(chosen)}
          />
        </div>
      )}
      {problem && (
        <p role="alert" className="font-semibold text-alarm">
          {problem}
        </p>
      )}
    </section>
  );
}
