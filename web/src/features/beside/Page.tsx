/** Jars side by side for the asking: what differs between them, their lines, and what it did. */
import { useState } from "react";
import { useNavigate, useParams, useSearchParams } from "react-router";
import { api } from "../../api/client";
import { beginTrial } from "../../api/writes";
import { useTitle } from "../../lib/hooks";
import { newId } from "../../lib/ids";
import { roundPath } from "../../lib/round";
import { Button, ButtonLink } from "../../ui/button";
import { Choices } from "../../ui/choice";
import { Loading, OutOfReach } from "../../ui/states";
import { useSay } from "../../ui/toast";
import { apartLine, besideText, commonText, problemWords, trialText } from "../../words";
import { Told } from "./Told";

const MOST_OTHERS = 3;
const MOST_NAME = 60;

export function BesidePage() {
  const { jarId = "" } = useParams();
  const [search, setSearch] = useSearchParams();
  const others = search.getAll("other");
  useTitle(besideText.sideBySide);
  const kitchen = api.useQuery("get", "/api/kitchen");
  if (kitchen.isPending) return <Loading what={commonText.openingTheJar} />;
  if (!kitchen.data) return <OutOfReach onRetry={() => void kitchen.refetch()} />;
  const items = kitchen.data.jars
    .filter(({ jar }) => jar.id !== jarId)
    .map(({ jar }) => ({ value: jar.id, label: jar.name }));
  const plain = kitchen.data.jars.find(({ jar }) => jar.id === jarId)?.jar;
  return (
    <div className="flex flex-col gap-8 pt-6">
      <h1 className="text-3xl">{besideText.sideBySide}</h1>
      {items.length === 0 ? (
        <p>{besideText.needsTwo}</p>
      ) : (
        <div className="flex flex-col gap-3">
          {plain && (
            <p>
              {besideText.plain}: <span className="font-semibold">{plain.name}</span>
            </p>
          )}
          <Choices
            label={besideText.besideIt}
            items={items}
            value={others}
            onChange={(next) => setSearch({ other: next.slice(-MOST_OTHERS) }, { replace: true })}
          />
          <p className="text-soft">
            {others.length === 0 ? besideText.chooseOthers : besideText.onePlainFirst}
          </p>
        </div>
      )}
      {others.length > 0 && <Found key={others.join()} jarId={jarId} others={others} />}
      <p className="flex flex-wrap gap-x-4 print:hidden">
        {others.length > 0 && (
          <ButtonLink look="act" to={roundPath("look", [jarId, ...others], null)}>
            {besideText.lookAtThem}
          </ButtonLink>
        )}
        {others.length > 0 && (
          <KeepIt jars={[jarId, ...others]} names={[plain?.name ?? "", ...othersNamed(items, others)]} />
        )}
        <ButtonLink look={items.length === 0 ? "act" : "quiet"} to={`/new?all=1&like=${jarId}&beside=1`}>
          {besideText.beginOne}
        </ButtonLink>
        <ButtonLink look="plain" to={`/jars/${jarId}`}>
          {plain ? commonText.backTo(plain.name) : commonText.toTheKitchen}
        </ButtonLink>
      </p>
    </div>
  );
}

function Found({ jarId, others }: { readonly jarId: string; readonly others: string[] }) {
  const found = api.useQuery("get", "/api/jars/{jar_id}/beside", {
    params: { path: { jar_id: jarId }, query: { other: others } },
  });
  if (found.isPending) return <Loading what={besideText.holdingThem} />;
  if (found.error?.errors)
    return (
      <p role="alert" className="text-alarm">
        {found.error.errors.map(problemWords).join(" ")}
      </p>
    );
  if (!found.data) return <OutOfReach onRetry={() => void found.refetch()} />;
  return (
    <>
      <p className="text-xl">{apartLine(found.data.apart)}</p>
      <Told beside={found.data} />
    </>
  );
}

function othersNamed(
  items: readonly { value: string; label: string }[],
  others: readonly string[],
): string[] {
  return others.map((id) => items.find(({ value }) => value === id)?.label ?? "");
}

/** From an address to a page that stays: the jars are a trial of their own from now on. */
function KeepIt({ jars, names }: { readonly jars: readonly string[]; readonly names: readonly string[] }) {
  const [id] = useState(newId);
  const [busy, setBusy] = useState(false);
  const navigate = useNavigate();
  const say = useSay();
  const keep = async () => {
    setBusy(true);
    const name = trialText.named(names).slice(0, MOST_NAME);
    const trial = { id, name, jars: jars.map((jar) => ({ jar, yeast: false })) };
    const outcome = await beginTrial(trial, trialText.beginning(name), null);
    setBusy(false);
    if (outcome.kind === "refused") say(outcome.problems.map(problemWords).join(" "));
    else await navigate(outcome.kind === "saved" ? `/trials/${id}` : "/");
  };
  return (
    <Button disabled={busy} onClick={() => void keep()}>
      {trialText.keepIt}
    </Button>
  );
}
