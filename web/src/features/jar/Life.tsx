import { Link } from "react-router";
import type { OpenJar } from "../../api/types";
import { amendEntry, recordEntry, withdrawEntry } from "../../api/writes";
import { nowIso } from "../../lib/clock";
import { grams } from "../../lib/numbers";
import { dateWords, dayWord, span, when } from "../../lib/time";
import { useNoting } from "../../parts/noting";
import { Button, ButtonLink } from "../../ui/button";
import { useSay } from "../../ui/toast";
import { commonText, flourList, jarText, lifeText, USED_FOR_WORDS } from "../../words";

/** A jar that is ready asks how often the baker bakes; until then its plan does not repeat. */
export function HowItGoesOn({ opened }: { readonly opened: OpenJar }) {
  const { jar, assessment } = opened;
  if (!assessment.asks_how_to_keep) return null;
  return (
    <section aria-labelledby="goes-on" className="max-w-prose rounded-xl border-2 border-leaf bg-card p-4">
      <h2 id="goes-on" className="text-xl">
        {assessment.readiness?.ready ? commonText.howOftenFor(jar.name) : lifeText.atItsEnd(jar.name)}
      </h2>
      <p className="mt-1">{lifeText.untilYouSay}</p>
      <ButtonLink look="act" to={`/jars/${jar.id}/keep`} className="mt-3">
        {commonText.sayIt}
      </ButtonLink>
    </section>
  );
}

/** The dough is mixed: what the bake asked for is taken out, with one press. */
export function MixDough({ opened }: { readonly opened: OpenJar }) {
  const { jar, assessment } = opened;
  const note = useNoting();
  const [bake] = assessment.bakes;
  if (!bake) return null;
  const label = lifeText.takenOut(grams(bake.grams));
  const take = () =>
    note(`${label}: ${jar.name}`, (id) => {
      const entry = {
        kind: "use",
        at: nowIso(),
        g: Math.min(bake.grams, assessment.in_jar?.total_g ?? bake.grams),
        used_for: "dough",
        bake: bake.id,
        note: "",
      } as const;
      return recordEntry(jar.id, id, null, entry, label, null);
    });
  return (
    <Button look="act" onClick={take}>
      {label}
    </Button>
  );
}

/** The next bake and what leads there. */
export function NextBake({ opened }: { readonly opened: OpenJar }) {
  const { jar, assessment, now, time_zone: zone } = opened;
  const say = useSay();
  const [bake, ...later] = assessment.bakes;
  if (!bake) return null;
  const callOff = async () => {
    const outcome = await withdrawEntry(bake.id, `${lifeText.bakeCalledOff}: ${jar.name}`);
    if (outcome.kind !== "refused") say(lifeText.bakeCalledOff);
  };
  return (
    <section aria-labelledby="next-bake" className="max-w-prose border-s-4 border-crust ps-4">
      <h2 id="next-bake" className="text-xl">
        {commonText.nextBake}: {commonText.bakeLine(grams(bake.grams), when(bake.mixed_at, now, zone))}
      </h2>
      <ol className="mt-1">
        {bake.feeds.map((feed, index) => (
          <li key={feed.at} className={index < assessment.bake_fed ? "text-soft line-through" : ""}>
            <span className="font-semibold">{lifeText.feedAt(when(feed.at, now, zone))}</span>
            {": "}
            {lifeText.keepAdd(grams(feed.keep_g), grams(feed.water_g), flourList(feed.flours), null)}
          </li>
        ))}
      </ol>
      {later.length > 0 && (
        <p className="text-soft">{later.map((one) => when(one.mixed_at, now, zone)).join(" · ")}</p>
      )}
      {assessment.next_move.move === "use" && assessment.next_move.state === "late" && (
        <p className="mt-2 flex flex-wrap items-center gap-3">
          {lifeText.missedThePeak}
          <ButtonLink to={`/jars/${jar.id}/bake?again=${bake.id}`}>{lifeText.feedItAgain}</ButtonLink>
        </p>
      )}
      <div className="mt-1 flex flex-wrap gap-x-3">
        <ButtonLink look="plain" to={`/jars/${jar.id}/plan`} className="-ms-3">
          {jarText.theWholePlan}
        </ButtonLink>
        <Button look="plain" onClick={() => void callOff()}>
          {lifeText.notThisBake}
        </Button>
      </div>
    </section>
  );
}

/** In the fridge it is weeks that count. */
export function Rests({ opened }: { readonly opened: OpenJar }) {
  const { assessment, now } = opened;
  const since = assessment.since_feed;
  if (assessment.chilled.at(-1)?.until !== null || !since) return null;
  return <p className="text-lg">{lifeText.restsSince(span(Date.parse(now) - Date.parse(since.fed_at)))}</p>;
}

/** Left alone until a moment, and back before it with one press. */
export function LeftAlone({ opened }: { readonly opened: OpenJar }) {
  const { jar, now, time_zone: zone } = opened;
  const say = useSay();
  const left = opened.log.find(
    ({ entry, withdrawn }) =>
      !withdrawn && entry.kind === "leave" && Date.parse(entry.until) > Date.parse(now),
  );
  if (left?.entry.kind !== "leave") return null;
  const { entry, id, revision } = left;
  const back = async () => {
    const outcome = await amendEntry(
      id,
      revision,
      { ...entry, until: nowIso() },
      lifeText.backTo(jar.name),
      null,
    );
    if (outcome.kind !== "refused") say(lifeText.backSaid);
  };
  return (
    <p className="flex flex-wrap items-center gap-3 border-s-4 border-rule ps-4">
      {lifeText.leftAloneUntil(when(entry.until, now, zone))}
      <Button onClick={() => void back()}>{lifeText.iAmBack}</Button>
    </p>
  );
}

/** What was spread to dry, when it snaps, and its label. */
export function DriedOfIt({ opened }: { readonly opened: OpenJar }) {
  const { jar, assessment, now, time_zone: zone } = opened;
  if (assessment.put_by.length === 0) return null;
  return (
    <section aria-labelledby="dried" className="mt-8">
      <h2 id="dried" className="text-2xl">
        {lifeText.dried}
      </h2>
      <ul className="mt-2">
        {assessment.put_by.map((one) => (
          <li key={one.entry_id} className="border-b border-rule py-2">
            <span className="font-semibold">{grams(one.g)}</span>{" "}
            {lifeText.driesUntil(
              dayWord(one.dry_from, now, zone),
              dayWord(one.dry_to, now, zone),
              dateWords(one.keeps_until, zone),
            )}
          </li>
        ))}
      </ul>
      <a
        href={`/api/jars/${jar.id}/card.pdf?kind=flakes`}
        target="_blank"
        rel="noreferrer"
        className="inline-flex min-h-11 items-center font-semibold text-crust underline-offset-4 hover:underline"
      >
        {lifeText.labelForTheFlakes}
      </a>
    </section>
  );
}

/** Out of which jar it came, and what came out of it. */
export function Lineage({ opened }: { readonly opened: OpenJar }) {
  const { jar, daughters } = opened;
  const [mother, ...before] = jar.mothers;
  if (!mother && daughters.length === 0) return null;
  return (
    <p className="text-soft">
      {mother && (
        <>
          <span className="first-letter:uppercase">{USED_FOR_WORDS[jar.came_by ?? "split"]}</span>{" "}
          {[mother, ...before].map((one) => (
            <span key={one.id}>
              <Link to={`/jars/${one.id}`} className="underline">
                {lifeText.cameFrom(one.name)}
              </Link>{" "}
            </span>
          ))}
        </>
      )}
      {daughters.length > 0 && (
        <>
          {lifeText.daughters}:{" "}
          {daughters.map((one) => (
            <Link key={one.id} to={`/jars/${one.id}`} className="me-2 underline">
              {one.name}
            </Link>
          ))}
        </>
      )}
    </p>
  );
}
