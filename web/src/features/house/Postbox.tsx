import { useState } from "react";
import { api, http } from "../../api/client";
import { nowMs } from "../../lib/clock";
import { useStored } from "../../lib/store";
import { homeZone, when } from "../../lib/time";
import { Refused, useAct } from "../../parts/act";
import { Button } from "../../ui/button";
import { Loading } from "../../ui/states";
import { houseText, type Letter, letterName, reminderLine } from "../../words";

/** The simulated postbox: what mail or push would have brought, and what it will. */
export function PostboxPart() {
  const box = api.useQuery("get", "/api/postbox", {}, { refetchInterval: 60_000 });
  const [notices, setNotices] = useStored<boolean>("notices.on", false);
  const [refused, setRefused] = useState(false);
  const { act, problem } = useAct();
  const want = (wanted: boolean) => void act(http.PUT("/api/postbox", { body: { wanted } }));
  const allow = async () => {
    if (!("Notification" in globalThis)) return setRefused(true);
    const answer = await Notification.requestPermission();
    setNotices(answer === "granted");
    setRefused(answer !== "granted");
  };
  return (
    <section aria-labelledby="postbox" className="flex flex-col gap-4">
      <h2 id="postbox" className="text-2xl">
        {houseText.reminders}
      </h2>
      <p>{houseText.oneForEachActIn}</p>
      {box.data && (
        <div>
          {box.data.wanted ? (
            <Button onClick={() => want(false)}>{houseText.doNotRemindMe}</Button>
          ) : (
            <>
              <p className="mb-2">{houseText.youAreNotReminded}</p>
              <Button onClick={() => want(true)}>{houseText.remindMe}</Button>
            </>
          )}
          <Refused problem={problem} />
        </div>
      )}
      <div>
        {notices ? (
          <Button onClick={() => setNotices(false)}>{houseText.stopNoticesInThisBrowser}</Button>
        ) : (
          <Button onClick={() => void allow()}>{houseText.noticesInThisBrowserToo}</Button>
        )}
        {refused && <p className="mt-1 text-soft">{houseText.thisBrowserDoesNotAllow}</p>}
      </div>
      {box.isPending && <Loading what={houseText.lookingIntoThePostbox} />}
      {box.isError && !box.data && <p className="text-soft">{houseText.thePostboxCannotBeReached}</p>}
      {box.data && (
        <>
          <Letters title={houseText.sent} none={houseText.nothingYet} letters={box.data.sent} />
          <Letters
            title={houseText.toCome}
            none={houseText.nothingIsPlanned}
            letters={box.data.to_come.slice(0, 8)}
          />
        </>
      )}
    </section>
  );
}

function Letters({
  title,
  none,
  letters,
}: {
  readonly title: string;
  readonly none: string;
  readonly letters: readonly Letter[];
}) {
  return (
    <div>
      <h3 className="text-lg">{title}</h3>
      {letters.length === 0 && <p className="text-soft">{none}</p>}
      <ul>
        {letters.map((one) => (
          <li
            key={`${letterName(one)}.${one.due}.${one.sent_at}`}
            className="grid grid-cols-[9rem_1fr] gap-3 border-b border-rule py-1.5"
          >
            <span className="text-soft first-letter:uppercase">{when(one.sent_at, nowMs(), homeZone())}</span>
            <span>{reminderLine(one)}</span>
          </li>
        ))}
      </ul>
    </div>
  );
}
