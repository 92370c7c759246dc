import { keepPreviousData } from "@tanstack/react-query";
import { api } from "../../api/client";
import type { Flour } from "../../api/types";
import { nowMs } from "../../lib/clock";
import { grams } from "../../lib/numbers";
import { deviceZone, fromField, toField, when } from "../../lib/time";
import { Choice } from "../../ui/choice";
import { TextField } from "../../ui/field";
import { addedWords, keptWords, problemAt, reckonerText } from "../../words";
import { Answer, Big, FlourOf, Sum, sent, useAsked } from "./asked";

const DAY_MS = 86_400_000;
const FEEDS = ["1", "2", "3"] as const;

/** Back from the grams and the hour of a bake to the seed and each feed with its time. */
export function Building() {
  const session = api.useQuery("get", "/api/session");
  const zone = session.data?.account?.time_zone ?? deviceZone();
  const asked = useAsked({
    target: "200",
    reserve: "20",
    feeds: "2",
    wet: "100",
    flour: "white",
    warmth: "22",
    at: `${toField(nowMs() + 2 * DAY_MS, zone).slice(0, 10)}T09:00`,
  });
  const { values, set, rested } = asked;
  const wanted = fromField(rested.at, zone);
  const found = api.useQuery(
    "post",
    "/api/reckon/build",
    {
      body: {
        target_g: sent(rested.target),
        reserve_g: sent(rested.reserve),
        feeds: Number(rested.feeds),
        hydration_percent: sent(rested.wet),
        blend: { [rested.flour as Flour]: 1 },
        ready_at: wanted === null ? rested.at : new Date(wanted).toISOString(),
        warmth_c: sent(rested.warmth),
      },
    },
    { retry: false, placeholderData: keepPreviousData },
  );
  const problems = found.error?.errors ?? [];
  const made = found.data;
  const now = new Date(nowMs()).toISOString();
  const [day, hour] = values.at.split("T");
  const sum = { asked, problems };
  return (
    <>
      <div className="flex flex-col gap-5">
        <div className="grid max-w-md gap-4 sm:grid-cols-2">
          <Sum {...sum} of="target" label={reckonerText.forTheDough} unit="g" fields={["target_g"]} />
          <Sum {...sum} of="reserve" label={reckonerText.stays} unit="g" fields={["reserve_g"]} />
          <Sum {...sum} of="wet" label={reckonerText.waterToFlour} unit="%" fields={["hydration_percent"]} />
          <Sum {...sum} of="warmth" label={reckonerText.warmth} unit="°C" fields={["warmth_c", "temp"]} />
          <TextField
            label={reckonerText.atItsPeak}
            type="datetime-local"
            value={values.at}
            onChange={(event) => set({ at: event.target.value })}
            error={problemAt(problems, "ready_at")}
          />
        </div>
        <Choice
          label={reckonerText.inFeeds}
          items={FEEDS.map((value) => ({ value, label: value }))}
          value={FEEDS.find((one) => one === values.feeds) ?? null}
          onChange={(feeds) => feeds && set({ feeds })}
          error={problemAt(problems, "feeds")}
        />
        <FlourOf value={values.flour} onChange={(flour) => set({ flour })} />
      </div>
      <Answer
        problems={problems}
        shown={["target_g", "reserve_g", "hydration_percent", "warmth_c", "temp", "ready_at", "feeds"]}
        waiting={found.isFetching}
        carry={{
          label: reckonerText.planItForAJar,
          to: (id) =>
            `/jars/${id}/bake?${new URLSearchParams({ grams: values.target, leaves: values.reserve, day: day ?? "", hour: hour ?? "" })}`,
        }}
      >
        {made && (
          <>
            <Big value={grams(made.seed_g)} of={reckonerText.seedToBeginWith} />
            <ol className="flex flex-col gap-2">
              {made.feeds.map((feed) => (
                <li key={feed.at}>
                  <span className="font-semibold first-letter:uppercase">{when(feed.at, now, zone)}</span>
                  {": "}
                  {reckonerText.ontoIt(
                    keptWords(feed.plan.keep_g),
                    addedWords({ ...feed.plan, by_hand: null }),
                  )}
                  {Date.parse(feed.at) < nowMs() && (
                    <span className="block font-semibold text-crust">{reckonerText.thatIsGone}</span>
                  )}
                </li>
              ))}
            </ol>
            <p className="text-soft">{reckonerText.inAll(grams(made.total_g))}</p>
          </>
        )}
      </Answer>
    </>
  );
}
