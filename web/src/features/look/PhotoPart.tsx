import { useEffect, useState } from "react";
import { dropPhoto, keepPhoto, keptPhoto } from "../../api/photos";
import type { OpenJar, Problem } from "../../api/types";
import { newId } from "../../lib/ids";
import { times } from "../../lib/numbers";
import { type Points, readPhoto } from "../../lib/photo";
import { shrink } from "../../lib/shrink";
import { Button } from "../../ui/button";
import { PhotoInput } from "../../ui/photo-input";
import { PhotoPointsControl } from "../../ui/photo-points";
import { lookText, problemWords } from "../../words";
import { fromSeen, type LookDraft, lineOf } from "./draft";
import { MayShow } from "./MayShow";
import { linesOf, useProposing } from "./proposing";

const START: Points = { bottom: { x: 0.5, y: 0.85 }, mark: { x: 0.5, y: 0.65 }, level: { x: 0.5, y: 0.4 } };

/** A photo taken with the look: three lines on it give the level and how sure that is. */
export function PhotoPart({
  opened,
  draft,
  set,
}: {
  readonly opened: OpenJar;
  readonly draft: LookDraft;
  readonly set: (part: Partial<LookDraft>) => void;
}) {
  const [src, setSrc] = useState<string | null>(null);
  const [aspect, setAspect] = useState(0.75);
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const id = draft.photo?.id ?? null;
  const { found, ask, moved } = useProposing(opened.jar.id, id, draft.photo?.points ?? null, (y) => {
    const at = draft.photo?.points;
    if (at) place({ ...at, level: { ...at.level, y } });
  });
  useEffect(() => {
    if (!id) {
      setSrc(null);
      return;
    }
    let url: string | null = null;
    void keptPhoto(id).then((picture) => {
      if (!picture) return;
      url = URL.createObjectURL(picture);
      setSrc(url);
    });
    return () => {
      if (url) URL.revokeObjectURL(url);
    };
  }, [id]);

  const take = async (chosen: File | undefined) => {
    if (!chosen) return;
    setBusy(true);
    setProblem(null);
    const picture = await shrink(chosen);
    setBusy(false);
    if (typeof picture === "string") {
      const refused: Problem = { code: picture, field: "photo", message: "", facts: {} };
      setProblem(problemWords(refused));
      return;
    }
    const photo = newId();
    await keepPhoto(photo, picture);
    set({ photo: { id: photo, points: null } });
    await ask(picture);
  };
  const away = () => {
    if (id) void dropPhoto(id);
    set({ photo: null });
  };
  const line = lineOf(opened);
  const proposal = found === null || typeof found === "string" ? null : found;
  const seen = proposal && linesOf(proposal, opened);
  const points = draft.photo?.points ?? seen ?? START;
  const read = draft.photo?.points ? readPhoto(draft.photo.points, aspect) : null;
  const place = (next: Points) => {
    if (!draft.photo) return;
    const reading = readPhoto(next, aspect);
    const level = reading && line ? { level: String(fromSeen(reading.times, draft.unit, line)) } : {};
    set({ photo: { ...draft.photo, points: next }, ...level });
  };
  return (
    <section aria-label={lookText.photo} className="flex flex-col items-start gap-2">
      {draft.photo && src ? (
        <>
          <p className="text-soft">{lookText.drag0ToTheInside}</p>
          {!draft.photo.points && (
            <p aria-live="polite" className="font-semibold">
              {found === "asked" && lookText.lookingAtIt}
              {found === "none" && lookText.noJarSeen}
              {seen && lookText.proposedLines}
            </p>
          )}
          {!draft.photo.points && seen && <Button onClick={() => place(seen)}>{lookText.thatIsRight}</Button>}
          <PhotoPointsControl
            src={src}
            alt={lookText.justPhotographed(opened.jar.name)}
            points={points}
            onChange={(next) => {
              moved(points, next);
              place(next);
            }}
            onAspect={setAspect}
          />
          <output className="font-semibold">
            {read
              ? lookText.byThePhotoBetweenAnd(times(read.times), times(read.low), times(read.high))
              : lookText.setTheLinesOrKeep}
          </output>
          {proposal && draft.photo.points && (
            <MayShow beside={proposal.beside} points={points} line={line} draft={draft} set={set} />
          )}
          <Button look="plain" onClick={away}>
            {lookText.takeThePhotoAway}
          </Button>
        </>
      ) : (
        <PhotoInput
          label={lookText.photoOfTheJar}
          said={busy ? lookText.makingItSmall : lookText.addAPhoto}
          busy={busy}
          onChosen={(chosen) => void take(chosen)}
        />
      )}
      {problem && (
        <p role="alert" className="font-semibold text-alarm">
          {problem}
        </p>
      )}
    </section>
  );
}
