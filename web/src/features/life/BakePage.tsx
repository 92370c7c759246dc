import { useState } from "react";
import { useNavigate, useSearchParams } from "react-router";
import { api } from "../../api/client";
import type { BakeBody, BakeOffer, OpenJar } from "../../api/types";
import { recordEntry } from "../../api/writes";
import { nowIso, nowMs } from "../../lib/clock";
import { useRested, useTitle } from "../../lib/hooks";
import { asSent, grams, typed } from "../../lib/numbers";
import { useDraft } from "../../lib/store";
import { daysAhead, dayWord, fromField, hourWords, toField, when } from "../../lib/time";
import { useNoting } from "../../parts/noting";
import { OfJar } from "../../parts/of-jar";
import { Button, ButtonLink } from "../../ui/button";
import { Choice } from "../../ui/choice";
import { NumberField, TextField } from "../../ui/field";
import { commonText, flourList, lifeText, peakLine, problemAt, WHERE_WORDS } from "../../words";

type Draft = {
  readonly grams: string;
  readonly day: string;
  readonly hour: string;
  readonly leaves: string;
  readonly again: "0" | "7";
};

/** From today to the same day of next week. */
const DAYS = 8;
const HOURS = ["07:00", "08:00", "09:00", "10:00", "12:00", "16:00", "18:00"];
const AGAIN = [
  { value: "0", label: lifeText.once },
  { value: "7", label: lifeText.weekly },
] as const;
const SATURDAY = 6;
/** Fed again at one to two to two, a levain is at its peak about so much later (common practice: four to six hours). */
const REFED_MS = 6 * 3_600_000;

/** The day most bakers mean: Saturday, and on a Saturday the morning after. */
function likelyDay([today = "", tomorrow = "", ...later]: readonly string[]): string {
  return isSaturday(today) ? tomorrow : ([tomorrow, ...later].find(isSaturday) ?? tomorrow);
}

function isSaturday(day: string): boolean {
  return new Date(`${day}T12:00Z`).getUTCDay() === SATURDAY;
}

/** Back from the grams and the hour of a bake, to what is fed when. */
export function BakePage() {
  return <OfJar>{(opened) => <Bake opened={opened} />}</OfJar>;
}

function Bake({ opened }: { readonly opened: OpenJar }) {
  const { jar, time_zone: zone } = opened;
  useTitle(lifeText.bakeWith(jar.name));
  const days = daysAhead(nowMs(), zone, DAYS);
  const [search] = useSearchParams();
  const missed = opened.assessment.bakes.find(({ id }) => id === search.get("again"));
  const soon = toField(nowMs() + REFED_MS, zone);
  const carried = search.get("grams");
  const key = carried
    ? `bake.${jar.id}.${carried}.${search.get("day")}.${search.get("hour")}`
    : missed
      ? `bake.${jar.id}.${missed.id}`
      : `bake.${jar.id}`;
  const [draft, setDraft, clear] = useDraft<Draft>(key, () => ({
    grams: search.get("grams") ?? (missed ? String(missed.grams) : "150"),
    day: search.get("day") ?? (missed ? soon.slice(0, 10) : likelyDay(days)),
    hour: search.get("hour") ?? (missed ? `${soon.slice(11, 13)}:00` : "09:00"),
    leaves: search.get("leaves") ?? "20",
    again: "0",
  }));
  const set = (part: Partial<Draft>) => setDraft({ ...draft, ...part });
  const dayItems = days.map((day) => ({
    value: day,
    label: dayWord(fromField(`${day}T12:00`, zone) ?? nowMs(), nowMs(), zone),
  }));
  return (
    <article className="flex flex-col gap-6 pt-6">
      <h1 className="text-3xl">{lifeText.bakeWith(jar.name)}</h1>
      <div className="grid gap-10 md:grid-cols-[minmax(0,22rem)_1fr]">
        <div className="flex flex-col gap-5">
          <NumberField
            label={lifeText.needs}
            unit="g"
            value={draft.grams}
            onText={(text) => set({ grams: text })}
          />
          <Choice
            label={lifeText.day}
            items={dayItems}
            value={dayItems.find(({ value }) => value === draft.day)?.value ?? null}
            onChange={(day) => day && set({ day })}
          />
          <Choice
            label={lifeText.mixingAt}
            items={HOURS.map((value) => ({ value, label: hourWords(value) }))}
            value={HOURS.find((value) => value === draft.hour) ?? null}
            onChange={(hour) => hour && set({ hour })}
          />
          <details>
            <summary className="min-h-11 py-2 font-semibold text-crust">{lifeText.moreOfTheBake}</summary>
            <div className="flex flex-col gap-4 pt-2">
              <div className="grid gap-4 sm:grid-cols-2">
                <TextField
                  label={lifeText.dayOfIt}
                  type="date"
                  value={draft.day}
                  onChange={(event) => set({ day: event.target.value })}
                />
                <TextField
                  label={lifeText.hourOfIt}
                  type="time"
                  value={draft.hour}
                  onChange={(event) => set({ hour: event.target.value })}
                />
              </div>
              <NumberField
                label={lifeText.stays}
                unit="g"
                value={draft.leaves}
                onText={(text) => set({ leaves: text })}
              />
              <Choice
                label={lifeText.again}
                items={AGAIN}
                value={draft.again}
                onChange={(again) => again && set({ again })}
              />
            </div>
          </details>
        </div>
        <Offers opened={opened} draft={draft} onTaken={clear} />
      </div>
      <ButtonLink look="plain" to={`/jars/${jar.id}`} className="-ms-3 self-start">
        {commonText.backTo(jar.name)}
      </ButtonLink>
    </article>
  );
}

function Offers({
  opened,
  draft,
  onTaken,
}: {
  readonly opened: OpenJar;
  readonly draft: Draft;
  readonly onTaken: () => void;
}) {
  const { jar, now, time_zone: zone } = opened;
  const asked = useRested(draft, 300);
  const mixedAt = fromField(`${asked.day}T${asked.hour}`, zone);
  const body = {
    grams: asSent(asked.grams) ?? (null as unknown as number),
    mixed_at: mixedAt ?? `${asked.day}T${asked.hour}`,
    leaves_g: typed(asked.leaves) === null ? 0 : (asSent(asked.leaves) ?? 0),
    every_days: Number(asked.again),
  };
  const found = api.useQuery(
    "post",
    "/api/jars/{jar_id}/bakes",
    { params: { path: { jar_id: jar.id } }, body },
    { retry: false },
  );
  const problems = found.error && "errors" in found.error ? found.error.errors : [];
  const told = ["grams", "mixed_at", "leaves_g"].map((field) => problemAt(problems, field)).filter(Boolean);
  // What is shown answers what was typed a moment ago: until it answers what stands there it is not to be taken.
  const late = asked !== draft || found.isFetching;
  const take = { opened, late, leaves: body.leaves_g, grams: body.grams, every: body.every_days, onTaken };
  return (
    <div aria-live="polite" className="flex flex-col gap-4">
      {late && <p className="text-soft">{lifeText.working}</p>}
      {told.length > 0 && <p className="font-semibold text-alarm">{told.join(" ")}</p>}
      {found.isError && problems.length === 0 && <p className="text-soft">{lifeText.needsTheHouse}</p>}
      {found.data?.offers.map((offer) => (
        <Offer
          key={`${offer.where}.${offer.feeds.length}`}
          {...take}
          offer={offer}
          usual={found.data.usual_feeds}
        />
      ))}
      {found.data?.offers.length === 0 && (
        <>
          <p className="border-s-4 border-dawn ps-4">
            {lifeText.nothingFits}{" "}
            {found.data.soonest && lifeText.soonest(when(found.data.soonest.mixed_at, now, zone))}
          </p>
          {found.data.soonest && (
            <Offer {...take} offer={found.data.soonest} usual={found.data.usual_feeds} />
          )}
        </>
      )}
    </div>
  );
}

function Offer({
  opened,
  offer,
  usual,
  grams: wanted,
  leaves,
  every,
  late,
  onTaken,
}: {
  readonly opened: OpenJar;
  readonly late: boolean;
  readonly offer: BakeOffer;
  readonly usual: number;
  readonly grams: number;
  readonly leaves: number;
  readonly every: number;
  readonly onTaken: () => void;
}) {
  const { jar, now, time_zone: zone } = opened;
  const note = useNoting();
  const navigate = useNavigate();
  const [taken, setTaken] = useState(false);
  const take = () => {
    setTaken(true);
    const label = commonText.bakeLine(grams(wanted), when(offer.mixed_at, now, zone));
    note(`${commonText.nextBake}: ${label}`, async (id) => {
      const entry: BakeBody = {
        kind: "bake",
        at: nowIso(),
        mixed_at: offer.mixed_at,
        grams: wanted,
        feeds: offer.feeds.map(({ at, keep_g, flours, water_g }) => ({
          at,
          keep_g,
          flours: [...flours],
          water_g,
        })),
        leaves_g: leaves,
        every_days: every,
        note: "",
      };
      const outcome = await recordEntry(jar.id, id, null, entry, `${commonText.nextBake}: ${jar.name}`, null);
      setTaken(false);
      if (outcome.kind !== "refused") {
        onTaken();
        await navigate(`/jars/${jar.id}`);
      }
      return outcome;
    });
  };
  const where = offer.where === "here" ? null : WHERE_WORDS[offer.where](offer.celsius);
  return (
    <section className="flex flex-col gap-2 rounded-xl border border-rule bg-card p-4">
      <ol className="flex flex-col gap-1">
        {offer.feeds.length === 0 && <li>{lifeText.noFeed}</li>}
        {offer.feeds.map((feed) => (
          <li key={feed.at}>
            <span className="font-semibold">{lifeText.feedAt(when(feed.at, now, zone))}</span>
            {": "}
            {lifeText.keepAdd(grams(feed.keep_g), grams(feed.water_g), flourList(feed.flours), feed.ratio)}
          </li>
        ))}
      </ol>
      {where && <p className="font-semibold first-letter:uppercase">{where}</p>}
      <p className="text-soft">{peakLine(offer, now, zone)}</p>
      {offer.weaker && <p className="border-s-4 border-dawn ps-3">{lifeText.weaker(usual)}</p>}
      <Button look="act" className="self-start" disabled={taken || late} onClick={take}>
        {lifeText.takeThis}
      </Button>
    </section>
  );
}
