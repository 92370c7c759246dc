import { useState } from "react";
import { api } from "../../api/client";
import type { OpenJar } from "../../api/types";
import { useRested } from "../../lib/hooks";
import { grams, typed } from "../../lib/numbers";
import { fromField, when } from "../../lib/time";
import { NumberField, TextField } from "../../ui/field";
import { flourList, jarText, problemAt } from "../../words";

/** What to do with a jar that is ready: keep it, let it sleep, build from it, set some aside. */
export function WhenReady({ opened }: { readonly opened: OpenJar }) {
  const { keeping, in_jar: held } = opened.assessment;
  if (!keeping || !held) return null;
  return (
    <section aria-labelledby="when-ready" className="max-w-prose border-l-4 border-leaf pl-4">
      <h2 id="when-ready" className="text-xl">
        {jarText.nowThatItIsReady}
      </h2>
      <dl className="mt-1 flex flex-col gap-2">
        <div>
          <dt className="font-semibold">{jarText.bakeOftenKeepItOut}</dt>
          <dd>
            {jarText.onceADayOfIt(grams(keeping.keep_g), flourList(keeping.flours), grams(keeping.water_g))}
          </dd>
        </div>
        <div>
          <dt className="font-semibold">{jarText.bakeOnceAWeekThe}</dt>
          <dd>{jarText.feedItLetItRise}</dd>
        </div>
        <div>
          <dt className="font-semibold">{jarText.aLoafBuildWithoutDiscard}</dt>
          <dd>
            <BuildUp opened={opened} />
          </dd>
        </div>
        <div>
          <dt className="font-semibold">{jarText.aSpare}</dt>
          <dd>{jarText.aSpoonfulOfItFed}</dd>
        </div>
      </dl>
    </section>
  );
}

function BuildUp({ opened }: { readonly opened: OpenJar }) {
  const { jar, now, time_zone: zone } = opened;
  const [text, setText] = useState("150");
  const [hour, setHour] = useState("");
  const target = useRested(typed(text), 300);
  const asked = target !== null && !Number.isNaN(target);
  const at = fromField(hour, zone);
  const found = api.useQuery(
    "post",
    "/api/jars/{jar_id}/build",
    { params: { path: { jar_id: jar.id } }, body: { target_g: target ?? 0, at } },
    { enabled: asked, retry: false },
  );
  const problems = found.error && "errors" in found.error ? found.error.errors : [];
  const made = found.data;
  return (
    <>
      <div className="grid grid-cols-2 gap-3">
        <NumberField
          label={jarText.theRecipeNeeds}
          unit="g"
          value={text}
          onChange={(event) => setText(event.target.value)}
          error={asked ? problemAt(problems, "target_g") : jarText.typeTheGramsSuchAs}
        />
        <TextField
          label={jarText.at}
          type="datetime-local"
          value={hour}
          onChange={(event) => setHour(event.target.value)}
        />
      </div>
      <ol aria-live="polite" className="mt-2 flex flex-col gap-1">
        {made?.build.feeds.map((feed, index) => {
          const time = made.times[index];
          return (
            <li key={feed.total_g}>
              {time && <span className="font-semibold">{when(time.feed_at, now, zone)}: </span>}
              {jarText.ofItWater(
                grams(feed.keep_g),
                grams(feed.water_g),
                flourList(feed.flours),
                grams(feed.total_g),
              )}
            </li>
          );
        })}
        {made && <li className="text-soft">{jarText.ofThatStaysInThe(grams(made.build.reserve_g))}</li>}
      </ol>
    </>
  );
}
