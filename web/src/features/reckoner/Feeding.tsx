import { keepPreviousData } from "@tanstack/react-query";
import { api } from "../../api/client";
import type { Flour } from "../../api/types";
import { type CarriedFeed, carriedKey } from "../../lib/carried";
import { times } from "../../lib/numbers";
import { writeStored } from "../../lib/store";
import { Choice } from "../../ui/choice";
import { TextField } from "../../ui/field";
import {
  addedWords,
  END_WORDS,
  handWords,
  hoursSpan,
  keptWords,
  problemWords,
  reckonerText,
} from "../../words";
import { Answer, Big, FlourOf, Sum, sent, useAsked } from "./asked";

const USUAL = { end: "seed", amount: "20", ratio: "1:2:2", flour: "white", warmth: "22" };
type End = keyof typeof END_WORDS;

/** A feed from any of its ends, and when it peaks in that warmth. */
export function Feeding() {
  const asked = useAsked(USUAL);
  const { values, set, rested } = asked;
  const found = api.useQuery(
    "post",
    "/api/reckon/feed",
    {
      body: {
        end: rested.end as End,
        amount: sent(rested.amount),
        ratio: rested.ratio,
        blend: { [rested.flour as Flour]: 1 },
        warmth_c: sent(rested.warmth),
      },
    },
    { retry: false, placeholderData: keepPreviousData },
  );
  const problems = found.error?.errors ?? [];
  const of = (field: string) => problems.find((one) => one.field === field);
  const ratio = of("ratio");
  const plan = found.data?.plan;
  const end = END_WORDS[values.end as End] ?? END_WORDS.seed;
  const carry = (jarId: string) => {
    if (!plan) return;
    const carried: CarriedFeed = {
      keep: String(plan.keep_g),
      water: String(plan.water_g),
      flours: Object.fromEntries(plan.flours.map((one) => [one.flour, String(one.g)])),
    };
    writeStored(carriedKey(jarId), carried);
  };
  return (
    <>
      <div className="flex flex-col gap-5">
        <Choice
          label={reckonerText.from}
          items={Object.entries(END_WORDS).map(([value, words]) => ({
            value: value as End,
            ...words.choice,
          }))}
          value={values.end as End}
          onChange={(next) => next && set({ end: next })}
        />
        <div className="grid max-w-md gap-4 sm:grid-cols-2">
          <Sum
            asked={asked}
            of="amount"
            label={end.amount}
            unit={values.end === "jar" ? "ml" : "g"}
            problems={problems}
            fields={AMOUNTS}
          />
          <TextField
            label={reckonerText.ratio}
            value={values.ratio}
            onChange={(event) => set({ ratio: event.target.value })}
            error={ratio ? problemWords(ratio) : null}
          />
          <Sum
            asked={asked}
            of="warmth"
            label={reckonerText.warmth}
            unit="°C"
            problems={problems}
            fields={["warmth_c"]}
          />
        </div>
        <FlourOf value={values.flour} onChange={(flour) => set({ flour })} />
      </div>
      <Answer
        problems={problems}
        shown={[...AMOUNTS, "ratio", "warmth_c"]}
        waiting={found.isFetching}
        carry={{ label: reckonerText.feedAJarSo, to: (id) => `/jars/${id}/feed`, before: carry }}
      >
        {plan && found.data && (
          <>
            <p className="text-2xl">
              {reckonerText.keepAndAdd(keptWords(plan.keep_g), addedWords({ ...plan, by_hand: null }))}
            </p>
            <p className="text-soft">{reckonerText.inSpoons(handWords(plan))}</p>
            <Big value={hoursSpan(found.data.peaks)} of={reckonerText.untilItsPeak} />
            <p>
              {found.data.doubles
                ? reckonerText.doublesIn(hoursSpan(found.data.doubles))
                : reckonerText.hardlyDoubles}{" "}
              {reckonerText.goesUpTo(times(Math.round(found.data.peak_times.middle * 10) / 10))}
            </p>
            <p className="text-soft">{reckonerText.ofAGrownJar}</p>
          </>
        )}
      </Answer>
    </>
  );
}

const AMOUNTS = ["amount", "keep_g", "total_g", "flour_g", "volume_ml"];
