import { useState } from "react";
import { http } from "../../api/client";
import type { PracticeDoing, PracticeIn } from "../../api/types";
import { Button } from "../../ui/button";
import { Confirm } from "../../ui/confirm";
import { DOING_HINTS, DOING_WORDS, practiceText, SIGN_WORDS } from "../../words";
import { WorkingItOut } from "./OnThisDevice";

/** What ends the jar is asked about once more. */
const ENDS: ReadonlySet<PracticeDoing> = new Set(["bake", "bin"]);

export function Deciding({
  offered,
  busy,
  onDone,
}: {
  readonly offered: readonly PracticeDoing[];
  readonly busy: boolean;
  readonly onDone: (what: PracticeDoing) => void;
}) {
  const [asked, setAsked] = useState<PracticeDoing | null>(null);
  return (
    <section aria-labelledby="decide">
      <h2 id="decide" className="text-xl">
        {practiceText.decide}
      </h2>
      <ul className="mt-2 grid grid-cols-2 gap-2 sm:grid-cols-3">
        {offered.map((one) => (
          <li key={one}>
            <Button
              className="h-full w-full flex-col !gap-0 !px-2 leading-tight"
              disabled={busy}
              onClick={() => (ENDS.has(one) ? setAsked(one) : onDone(one))}
            >
              {DOING_WORDS[one]}
              {DOING_HINTS[one] && <span className="text-[0.8rem] font-normal">{DOING_HINTS[one]}</span>}
            </Button>
          </li>
        ))}
      </ul>
      <Confirm
        open={asked !== null}
        onOpenChange={(open) => !open && setAsked(null)}
        title={asked ? DOING_WORDS[asked] : ""}
        yes={practiceText.yesEnd}
        onYes={() => asked && onDone(asked)}
      >
        {practiceText.askSure}
      </Confirm>
    </section>
  );
}

/** What the rules that watch real jars would say of it now, only where it is asked for. */
export function Hint({ asked, at }: { readonly asked: PracticeIn; readonly at: number }) {
  const [said, setSaid] = useState<{ readonly at: number; readonly words: string } | null>(null);
  const [isAsking, setAsking] = useState(false);
  const ask = async () => {
    setAsking(true);
    const at_h = Math.round(at * 100) / 100;
    const { data } = await http.POST("/api/practice/hint", { body: { ...asked, at_h } });
    const words = data?.because.map((sign) => SIGN_WORDS[sign]).join(" ");
    setSaid({ at, words: data ? words || practiceText.noHint : practiceText.away });
  };
  return (
    <div className="flex flex-col items-start">
      <Button
        look="plain"
        className="-ms-3"
        onClick={() =>
          void ask()
            .catch(() => undefined)
            .finally(() => setAsking(false))
        }
      >
        {practiceText.hint}
      </Button>
      {isAsking && <WorkingItOut />}
      <p aria-live="polite" className="max-w-prose">
        {said && Math.abs(said.at - at) < 1 ? said.words : ""}
      </p>
    </div>
  );
}
