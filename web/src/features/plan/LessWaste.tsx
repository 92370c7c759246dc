import { useState } from "react";
import { api } from "../../api/client";
import type { JarPlan, Sparing } from "../../api/types";
import { recordEntry } from "../../api/writes";
import { nowIso } from "../../lib/clock";
import { newId } from "../../lib/ids";
import { Button } from "../../ui/button";
import { useSay } from "../../ui/toast";
import { planText, problemWords, SPARE_WORDS, sparingCost, sparingGain } from "../../words";

/** What would waste less from here on, what it costs, and one press that does it. */
export function LessWaste({ told }: { readonly told: JarPlan }) {
  const { jar } = told;
  const path = { params: { path: { jar_id: jar.id } } };
  const offers = api.useQuery("get", "/api/jars/{jar_id}/sparing", path, { retry: false });
  if (!offers.data || offers.data.length === 0) return null;
  return (
    <section aria-labelledby="less-waste" className="flex flex-col gap-3 print:hidden">
      <h2 id="less-waste" className="text-2xl">
        {planText.lessWaste}
      </h2>
      <ul className="flex flex-col gap-4">
        {offers.data.map((one) => (
          <li key={one.how} className="flex flex-col items-start gap-1 border-s-4 border-leaf ps-4">
            <span className="font-semibold">{SPARE_WORDS[one.how]}</span>
            <span>{sparingGain(one)}</span>
            <span className="text-soft">{sparingCost(one)}</span>
            <DoIt jarId={jar.id} name={jar.name} one={one} />
          </li>
        ))}
      </ul>
    </section>
  );
}

function DoIt({
  jarId,
  name,
  one,
}: {
  readonly jarId: string;
  readonly name: string;
  readonly one: Sparing;
}) {
  const say = useSay();
  const [busy, setBusy] = useState(false);
  const run = async () => {
    setBusy(true);
    const entry = { ...one.entry, at: nowIso() };
    const outcome = await recordEntry(jarId, newId(), null, entry, planText.changeOf(name), null);
    setBusy(false);
    say(outcome.kind === "refused" ? outcome.problems.map(problemWords).join(" ") : planText.soItIsFromNowOn);
  };
  return (
    <Button look="plain" className="-ms-3" disabled={busy} onClick={() => void run()}>
      {planText.wasteLessSo}
      <span className="sr-only"> {SPARE_WORDS[one.how]}</span>
    </Button>
  );
}
