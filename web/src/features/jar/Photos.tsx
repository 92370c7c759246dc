import { useState } from "react";
import { useParams } from "react-router";
import { api, http } from "../../api/client";
import { pictureAt } from "../../api/photos";
import type { OpenJar, Photo } from "../../api/types";
import { useTitle } from "../../lib/hooks";
import { times } from "../../lib/numbers";
import { readPhoto } from "../../lib/photo";
import { when } from "../../lib/time";
import { Refused, useAct } from "../../parts/act";
import { NotOpen } from "../../parts/not-open";
import { Button, ButtonLink } from "../../ui/button";
import { Confirm } from "../../ui/confirm";
import { Loading } from "../../ui/states";
import { Wipe } from "../../ui/wipe";
import { commonText, jarText } from "../../words";

/** A jar's days at once: flipped through one by one, or two held against each other. */
export function PhotosPage() {
  const { jarId = "" } = useParams();
  const opened = api.useQuery("get", "/api/jars/{jar_id}", { params: { path: { jar_id: jarId } } });
  useTitle(opened.data ? jarText.photosOf(opened.data.jar.name) : jarText.photos);
  if (opened.isPending) return <Loading what={jarText.openingThePhotos} />;
  if (!opened.data)
    return <NotOpen jarId={jarId} error={opened.error} onRetry={() => void opened.refetch()} />;
  return <Album opened={opened.data} />;
}

function Album({ opened }: { readonly opened: OpenJar }) {
  const { jar, photos, now, time_zone: zone } = opened;
  const [at, setAt] = useState(photos.length - 1);
  const [against, setAgainst] = useState<number | null>(null);
  const { act, problem } = useAct();
  const [asking, setAsking] = useState(false);
  const shown = photos[Math.min(Math.max(at, 0), photos.length - 1)];
  if (!shown) {
    return (
      <div className="mx-auto flex max-w-md flex-col items-start gap-4 py-16">
        <h1 className="text-3xl">{jarText.noPhotosOfYet(jar.name)}</h1>
        <p>{jarText.addOneWithALook}</p>
        <ButtonLink look="act" to={`/jars/${jar.id}/look`}>
          {commonText.look}
        </ButtonLink>
      </div>
    );
  }
  const index = photos.indexOf(shown);
  const other = against === null ? undefined : photos[against];
  const takeAway = async () => {
    if (await act(http.DELETE("/api/photos/{photo_id}", { params: { path: { photo_id: shown.id } } })))
      setAgainst(null);
  };
  return (
    <article className="pt-6">
      <h1 className="text-3xl">{jarText.photosOf(jar.name)}</h1>
      <div className="mt-4 grid gap-8 md:grid-cols-[1fr_18rem]">
        <div className="flex flex-col items-start gap-3">
          {other && other !== shown ? (
            <Wipe
              before={{ src: pictureAt(other.id, "large"), alt: altOf(other, opened) }}
              after={{ src: pictureAt(shown.id, "large"), alt: altOf(shown, opened) }}
              label={jarText.howMuchOfTheEarlier}
            />
          ) : (
            <img
              src={pictureAt(shown.id, "large")}
              alt={altOf(shown, opened)}
              className="max-h-[70vh] max-w-full rounded-lg"
            />
          )}
          <p aria-live="polite" className="text-lg">
            <span className="font-semibold">{when(shown.at, now, zone)}</span>
            {readWords(shown)}
            {other && other !== shown && (
              <span className="text-soft"> {jarText.heldAgainst(when(other.at, now, zone))}</span>
            )}
          </p>
          <div className="flex flex-wrap gap-3">
            <Button disabled={index === 0} onClick={() => setAt(index - 1)}>
              {jarText.earlier}
            </Button>
            <Button disabled={index === photos.length - 1} onClick={() => setAt(index + 1)}>
              {jarText.later}
            </Button>
            {photos.length > 1 && (
              <Button onClick={() => setAgainst(against === null ? 0 : null)}>
                {against === null ? jarText.holdAgainstTheFirst : jarText.oneAtATime}
              </Button>
            )}
            <Button look="plain" onClick={() => setAsking(true)}>
              {jarText.takeThisPhotoAway}
            </Button>
          </div>
          <Refused problem={problem} />
          <Confirm
            open={asking}
            onOpenChange={setAsking}
            title={jarText.takeThisPhotoAway2}
            yes={jarText.takeItAway}
            onYes={() => void takeAway()}
          >
            <p>{jarText.itIsDeletedAndCannot}</p>
          </Confirm>
        </div>
        <ol aria-label={jarText.allPhotos} className="flex flex-wrap content-start gap-2">
          {photos.map((photo, place) => (
            <li key={photo.id}>
              <button
                type="button"
                aria-label={jarText.show(when(photo.at, now, zone))}
                aria-pressed={place === index}
                onClick={() => setAt(place)}
                className="rounded border-4 border-transparent aria-pressed:border-crust"
              >
                <img
                  src={pictureAt(photo.id, "small")}
                  alt=""
                  loading="lazy"
                  className="h-20 w-16 rounded-sm object-cover"
                />
              </button>
            </li>
          ))}
        </ol>
      </div>
      <p className="mt-6">
        <ButtonLink look="plain" to={`/jars/${jar.id}`}>
          {commonText.backTo(jar.name)}
        </ButtonLink>
      </p>
    </article>
  );
}

function altOf(photo: Photo, { jar, now, time_zone: zone }: OpenJar): string {
  return `${jar.name}, ${when(photo.at, now, zone)}`;
}

function readWords({ points, width, height }: Photo): string {
  const read = points && readPhoto(points, width / height);
  return read ? jarText.byThePhotoBetweenAnd(times(read.times), times(read.low), times(read.high)) : "";
}
