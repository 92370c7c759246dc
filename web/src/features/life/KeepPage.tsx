import { useState } from "react";
import { useNavigate } from "react-router";
import { api } from "../../api/client";
import type { KeepingOffer, OpenJar } from "../../api/types";
import { recordEntry } from "../../api/writes";
import { nowIso } from "../../lib/clock";
import { useTitle } from "../../lib/hooks";
import { when } from "../../lib/time";
import { useDeed, useNoting } from "../../parts/noting";
import { OfJar } from "../../parts/of-jar";
import { Button, ButtonLink } from "../../ui/button";
import { Confirm } from "../../ui/confirm";
import { Loading, OutOfReach } from "../../ui/states";
import { ACT_WORDS, commonText, KEEPING_WORDS, keepingLine, lifeText } from "../../words";

/** How often does the baker bake: each answer is a way of its own, with what it takes. */
export function KeepPage() {
  return <OfJar>{(opened) => <Asked opened={opened} />}</OfJar>;
}

function Asked({ opened }: { readonly opened: OpenJar }) {
  const { jar, assessment } = opened;
  const ready = assessment.asks_how_to_keep && assessment.readiness?.ready;
  const title = ready ? commonText.howOftenFor(jar.name) : lifeText.howOften;
  useTitle(title);
  const path = { jar_id: jar.id };
  const offers = api.useQuery("get", "/api/jars/{jar_id}/keeping", { params: { path } });
  if (offers.isPending) return <Loading what={lifeText.workingItOut} />;
  if (!offers.data) return <OutOfReach onRetry={() => void offers.refetch()} />;
  const early = offers.data.some((offer) => offer.too_early);
  return (
    <article className="flex flex-col gap-6 pt-6">
      <h1 className="text-3xl">{title}</h1>
      {early && <p className="max-w-prose border-s-4 border-dawn ps-4">{lifeText.tooEarly}</p>}
      <ul className="grid gap-4 md:grid-cols-2">
        {offers.data.map((offer) => (
          <li key={offer.keeping}>
            <Offer opened={opened} offer={offer} />
          </li>
        ))}
        <li>
          <LetGo opened={opened} />
        </li>
      </ul>
      <ButtonLink look="plain" to={`/jars/${jar.id}`} className="-ms-3 self-start">
        {commonText.backTo(jar.name)}
      </ButtonLink>
    </article>
  );
}

const CARD = "flex h-full flex-col gap-2 rounded-xl border border-rule bg-card p-4";

function Offer({ opened, offer }: { readonly opened: OpenJar; readonly offer: KeepingOffer }) {
  const { jar, now, time_zone: zone } = opened;
  const { label, hint } = KEEPING_WORDS[offer.keeping];
  const note = useNoting();
  const navigate = useNavigate();
  const [taken, setTaken] = useState(false);
  const take = () => {
    setTaken(true);
    note(`${label}: ${jar.name}`, async (id) => {
      const entry = {
        kind: "way",
        at: nowIso(),
        family: offer.family,
        choices: { ...offer.choices },
        size: 1,
        note: "",
      } as const;
      const outcome = await recordEntry(jar.id, id, null, entry, `${label}: ${jar.name}`, null);
      setTaken(false);
      if (outcome.kind !== "refused") await navigate(`/jars/${jar.id}`);
      return outcome;
    });
  };
  return (
    <section aria-label={label} className={CARD}>
      <h2 className="text-xl">{label}</h2>
      <p>{hint}</p>
      {offer.next_act && offer.due && (
        <p>
          <span className="text-soft">{lifeText.next}:</span>{" "}
          <span className="font-semibold">
            {ACT_WORDS[offer.next_act].toLowerCase()} {when(offer.due, now, zone)}
          </span>
        </p>
      )}
      <p className="text-soft">{keepingLine(offer)}</p>
      <Button look="act" className="mt-auto self-start" disabled={taken} onClick={take}>
        {lifeText.thisOne}
      </Button>
    </section>
  );
}

function LetGo({ opened }: { readonly opened: OpenJar }) {
  const { jar } = opened;
  const deed = useDeed(jar);
  const [asked, setAsked] = useState(false);
  const navigate = useNavigate();
  const { label, hint } = lifeText.letItGo;
  return (
    <section aria-label={lifeText.stopForNow} className={CARD}>
      <h2 className="text-xl">{lifeText.stopForNow}</h2>
      <p>
        {label}: {hint}.
      </p>
      <p className="text-soft">{lifeText.letGoHow}</p>
      <div className="mt-auto flex flex-wrap gap-3">
        <Button onClick={() => setAsked(true)}>{label}</Button>
        <Confirm
          open={asked}
          onOpenChange={setAsked}
          title={lifeText.letGoAsk(jar.name)}
          yes={label}
          onYes={() => {
            deed("let_go");
            void navigate(`/jars/${jar.id}`);
          }}
        >
          <p>{lifeText.letGoHow}</p>
        </Confirm>
        <ButtonLink look="plain" to={`/jars/${jar.id}/part?for=flakes`}>
          {lifeText.dryFirst}
        </ButtonLink>
      </div>
    </section>
  );
}
