import type { FormEvent } from "react";
import { useParams } from "react-router";
import type { LogEntry, OpenJar } from "../../api/types";
import { nowMs } from "../../lib/clock";
import { useTitle } from "../../lib/hooks";
import { useDraft } from "../../lib/store";
import { momentOf } from "../../lib/when";
import { draftKeyOf, useAmending } from "../../parts/amending";
import { AmendEnd, RecordEnd } from "../../parts/log-form";
import { OfJar } from "../../parts/of-jar";
import { useRecording } from "../../parts/recording";
import { ButtonLink } from "../../ui/button";
import { commonText, lifeText, problemAt, termWords } from "../../words";
import { bodyOf, newTerm, TERM_KINDS, type TermBody, type TermDraft, type TermKind, termOf } from "./draft";
import { SHOWN, TermForm } from "./TermForm";

const NAMES: Record<TermKind, { readonly label: string; readonly hint: string }> = {
  moved: lifeText.moved,
  jar: lifeText.otherJar,
  flour: lifeText.otherFlour,
  rhythm: lifeText.otherRhythm,
  amount: lifeText.otherAmount,
  way: lifeText.otherWay,
};

/** What may change for a jar, one thing at a time. */
export function ChangePage() {
  const { what } = useParams();
  const kind = TERM_KINDS.find((one) => one === what);
  return (
    <OfJar>{(opened) => (kind ? <Change opened={opened} kind={kind} /> : <Menu opened={opened} />)}</OfJar>
  );
}

function Menu({ opened }: { readonly opened: OpenJar }) {
  const { jar } = opened;
  useTitle(lifeText.changeOf(jar.name));
  const path = `/jars/${jar.id}`;
  const links = [
    ...TERM_KINDS.map((kind) => ({ to: `${path}/change/${kind}`, ...NAMES[kind] })),
    { to: `${path}/away`, ...lifeText.away },
    { to: "/house", ...lifeText.hours },
  ];
  return (
    <article className="flex flex-col gap-6 pt-6">
      <div>
        <h1 className="text-3xl">{lifeText.changeOf(jar.name)}</h1>
        <p className="mt-1 text-soft">{lifeText.fromThenOn}</p>
      </div>
      <ul className="grid gap-3 sm:grid-cols-2">
        {links.map(({ to, label, hint }) => (
          <li key={to}>
            <ButtonLink to={to} className="w-full flex-col items-start! gap-0! py-3 text-start">
              <span>{label}</span>
              <span className="font-normal text-soft">{hint}</span>
            </ButtonLink>
          </li>
        ))}
      </ul>
      <ButtonLink look="plain" to={path} className="-ms-3 self-start">
        {commonText.backTo(jar.name)}
      </ButtonLink>
    </article>
  );
}

function Change({ opened, kind }: { readonly opened: OpenJar; readonly kind: TermKind }) {
  const { jar, assessment, now, time_zone: zone } = opened;
  const title = `${NAMES[kind].label}: ${jar.name}`;
  useTitle(title);
  const key = `change.${kind}.${jar.id}`;
  const path = `/jars/${jar.id}/change/${kind}`;
  const [draft, setDraft, clear] = useDraft<TermDraft>(key, () => newTerm(assessment.stands));
  const { problems, busy, record } = useRecording(opened, title, { path, key, clear, draft });
  const set = (part: Partial<TermDraft>) => setDraft({ ...draft, ...part });
  const save = (event: FormEvent) => {
    event.preventDefault();
    const body = bodyOf(kind, draft, momentOf(draft.when, nowMs(), zone));
    const told = termWords(body, now, zone);
    void record(body, `${told.title}: ${told.line}.`);
  };
  return (
    <form noValidate className="flex max-w-2xl flex-col gap-6 pt-6" onSubmit={save}>
      <div>
        <h1 className="text-3xl">{title}</h1>
        <p className="mt-1 text-soft">{lifeText.fromThenOn}</p>
      </div>
      <TermForm kind={kind} draft={draft} set={set} error={(field) => problemAt(problems, field)} />
      {kind === "way" && (
        <ButtonLink look="quiet" to={`/jars/${jar.id}/keep`} className="self-start">
          {lifeText.keepIt}
        </ButtonLink>
      )}
      <RecordEnd
        jarId={jar.id}
        zone={zone}
        draft={draft}
        set={set}
        problems={problems}
        shown={[...SHOWN[kind], "at", "note"]}
        busy={busy}
        yes={lifeText.saveIt}
      />
    </form>
  );
}

/** A change that was written down, corrected. */
export function EditTerm({
  opened,
  editing,
  term,
}: {
  readonly opened: OpenJar;
  readonly editing: LogEntry;
  readonly term: TermBody;
}) {
  const { jar, assessment, time_zone: zone } = opened;
  const { kind } = term;
  const title = `${NAMES[kind].label}: ${jar.name}`;
  useTitle(title);
  const [draft, setDraft, clear] = useDraft<TermDraft>(draftKeyOf(editing), () =>
    termOf(term, assessment.stands, zone),
  );
  const { problems, busy, amend } = useAmending<TermDraft>(opened, editing, title, clear);
  const set = (part: Partial<TermDraft>) => setDraft({ ...draft, ...part });
  return (
    <form
      noValidate
      className="flex max-w-2xl flex-col gap-6 pt-6"
      onSubmit={(event) => {
        event.preventDefault();
        void amend(bodyOf(kind, draft, momentOf(draft.when, nowMs(), zone)), draft);
      }}
    >
      <h1 className="text-3xl">{title}</h1>
      <TermForm kind={kind} draft={draft} set={set} error={(field) => problemAt(problems, field)} />
      <AmendEnd
        jarId={jar.id}
        zone={zone}
        draft={draft}
        set={set}
        problems={problems}
        shown={[...SHOWN[kind], "at", "note"]}
        busy={busy}
      />
    </form>
  );
}
