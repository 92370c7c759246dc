import { useState } from "react";
import { api } from "../../api/client";
import type { OpenJar } from "../../api/types";
import { useRested } from "../../lib/hooks";
import { grams, typed } from "../../lib/numbers";
import { fromField, when } from "../../lib/time";
import { NumberField, TextField } from "../../ui/field";
import { flourList } from "../../words/flours";
import { problemAt } from "../../words/problems";

/** What to do with a jar that is ready: keep it, let it sleep, build from it, set some aside. */
export function WhenReady({ opened }: { readonly opened: OpenJar }) {
  const { keeping, in_jar: held } = opened.assessment;
  if (!keeping || !held) return null;
  return (
    <section aria-labelledby="when-ready" className="max-w-prose border-l-4 border-leaf pl-4">
      <h2 id="when-ready" className="text-xl">
        Now that it is ready
      </h2>
      <dl className="mt-1 flex flex-col gap-2">
        <div>
          <dt className="font-semibold">Bake often: keep it out</dt>
          <dd>
            Once a day, {grams(keeping.keep_g)} of it with {flourList(keeping.flours)} and{" "}
            {grams(keeping.water_g)} water; twice a day in heat and before you bake.
          </dd>
        </div>
        <div>
          <dt className="font-semibold">Bake once a week: the fridge</dt>
          <dd>
            Feed it, let it rise and just begin to fall, then chill it, lid loose. Feed it every five to seven
            days, twice before you bake.
          </dd>
        </div>
        <div>
          <dt className="font-semibold">A loaf: build without discard</dt>
          <dd>
            <BuildUp opened={opened} />
          </dd>
        </div>
        <div>
          <dt className="font-semibold">A spare</dt>
          <dd>
            A spoonful of it, fed, in a small jar in the fridge. Or dried thin on paper: flakes keep for
            years.
          </dd>
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
          label="The recipe needs"
          unit="g"
          value={text}
          onChange={(event) => setText(event.target.value)}
          error={asked ? problemAt(problems, "target_g") : "Type the grams, such as 150."}
        />
        <TextField
          label="At"
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
              {grams(feed.keep_g)} of it, {grams(feed.water_g)} water, {flourList(feed.flours)}:{" "}
              {grams(feed.total_g)}.
            </li>
          );
        })}
        {made && <li className="text-soft">{grams(made.build.reserve_g)} of that stays in the jar.</li>}
      </ol>
    </>
  );
}
