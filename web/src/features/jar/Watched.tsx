/** What a camera saw of the running feed, in words, with the way to its film. */
import type { OpenJar } from "../../api/types";
import { clock, when } from "../../lib/time";
import { ButtonLink } from "../../ui/button";
import { watchText } from "../../words";

export function WatchedByCamera({ opened }: { readonly opened: OpenJar }) {
  const { watched, now, time_zone: zone, jar } = opened;
  if (!watched) return null;
  const { doubled, peak, near_rim: nearRim } = watched;
  return (
    <section aria-label={watchText.seenByCamera} className="border-s-4 border-crust ps-4">
      <p>
        <span className="font-semibold">{watchText.seenByCamera}.</span>{" "}
        {doubled?.sure && `${watchText.doubledAt(clock(doubled.at, zone))} `}
        {peak ? watchText.peakedAt(clock(peak.at, zone), peak.times) : watchText.risesYet}
        <span className="text-soft"> {watchText.seenAt(when(watched.seen_at, now, zone))}</span>
      </p>
      {nearRim && !peak && <p className="font-semibold text-alarm">{watchText.nearRimNow}</p>}
      <ButtonLink look="plain" className="-ms-3" to={`/jars/${jar.id}/watch`}>
        {watchText.film2}
      </ButtonLink>
    </section>
  );
}
