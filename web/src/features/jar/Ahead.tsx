import { useState } from "react";
import { api } from "../../api/client";
import type { OpenJar, RatioOffer } from "../../api/types";
import { useRested } from "../../lib/hooks";
import { grams, typed } from "../../lib/numbers";
import { when } from "../../lib/time";
import { NumberField } from "../../ui/field";
import {
  basisWords,
  heldUpWords,
  jarText,
  problemWords,
  readyWords,
  risingWords,
  spanWords,
  tenMinutes,
} from "../../words";

/** What is forecast of the running feed and of the day of ready; opened, why, and what would be elsewhere. */
export function Ahead({ opened }: { readonly opened: OpenJar }) {
  const { assessment, now, time_zone: zone } = opened;
  const { forecast, outlook, in_jar, ready_ahead: ready, hungry_again_at: hungry } = assessment;
  if (!forecast || !outlook) return null;
  return (
    <section aria-label={jarText.forecast} className="max-w-prose border-s-4 border-dawn ps-4">
      <p className="text-lg font-semibold">{risingWords(outlook, forecast, now, zone)}</p>
      {hungry && <p>{jarText.hungryAgainAbout(when(tenMinutes(hungry), now, zone))}</p>}
      {assessment.may_run_over && in_jar && <p>{jarText.itMayRunOverThis(in_jar.room_times.toFixed(1))}</p>}
      {ready && <p>{readyWords(ready, now, zone)}</p>}
      {!ready && assessment.held_up.length > 0 && <p>{heldUpWords(assessment.held_up)}</p>}
      <details>
        <summary className="min-h-11 py-2 font-semibold text-crust">{jarText.whyAndWhatIf}</summary>
        <p className="text-soft">
          {jarText.thisIsAForecastNot(basisWords(forecast, assessment.yeast_unshown))}
        </p>
        <WhatIf opened={opened} />
      </details>
    </section>
  );
}

function WhatIf({ opened }: { readonly opened: OpenJar }) {
  const { jar, now, time_zone: zone } = opened;
  const [text, setText] = useState(String(opened.assessment.stands.warmth_c));
  const celsius = useRested(typed(text), 300);
  const asked = celsius !== null && !Number.isNaN(celsius);
  const found = api.useQuery(
    "post",
    "/api/jars/{jar_id}/what-if",
    { params: { path: { jar_id: jar.id } }, body: { warmth_c: celsius ?? 0 } },
    { enabled: asked, retry: false },
  );
  const error =
    found.error && "errors" in found.error ? found.error.errors.map(problemWords).join(" ") : null;
  const told = found.data;
  return (
    <div className="mt-3 flex flex-col gap-3">
      <div className="max-w-64">
        <NumberField
          label={jarText.whatIfItStoodAt}
          unit="°C"
          value={text}
          onText={(text) => setText(text)}
          error={asked ? error : jarText.typeTheDegreesSuchAs}
        />
      </div>
      <div aria-live="polite">
        {told?.forecast && told.outlook && (
          <p>
            {risingWords(told.outlook, told.forecast, now, zone)}{" "}
            {told.ready_ahead && readyWords(told.ready_ahead, now, zone)}
          </p>
        )}
        {told && told.offers.length > 0 && <Offers offers={told.offers} now={now} zone={zone} />}
      </div>
    </div>
  );
}

/** Fed now, by each ratio: which one suits the next visit. */
function Offers({
  offers,
  now,
  zone,
}: {
  readonly offers: readonly RatioOffer[];
  readonly now: string;
  readonly zone: string;
}) {
  return (
    <table className="mt-3 w-full border-collapse text-start">
      <caption className="pb-1 text-start font-semibold">{jarText.fedNowItPeaks}</caption>
      <tbody>
        {offers.map((offer) => (
          <tr key={offer.flour_parts} className="border-t border-rule">
            <th scope="row" className="py-1.5 pe-4 font-semibold whitespace-nowrap">
              1:{offer.flour_parts}:{offer.flour_parts}
              <span className="block text-sm font-normal text-soft">
                {grams(offer.keep_g)} + {grams(offer.flour_g)} + {grams(offer.water_g)}
              </span>
            </th>
            <td className="py-1.5">{spanWords(offer.does.peaks, now, zone)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
