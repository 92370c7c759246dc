import { useQueryClient } from "@tanstack/react-query";
import { type FormEvent, type ReactNode, useState } from "react";
import { askAgain } from "../../api/ask-again";
import { api, http } from "../../api/client";
import type { Account, Problem } from "../../api/types";
import { nowMs } from "../../lib/clock";
import { takesPasskeys } from "../../lib/passkeys";
import { dayWord, homeZone } from "../../lib/time";
import { Refused, useAct } from "../../parts/act";
import { Button } from "../../ui/button";
import { Confirm } from "../../ui/confirm";
import { TextField } from "../../ui/field";
import { useSay } from "../../ui/toast";
import { passkeyLine, problemAt, problemWords, visitLine, yoursText } from "../../words";

type Answer = { readonly error?: { readonly errors: readonly Problem[] } | undefined };

/** A form that goes to the server at once; what was typed stays when it is refused. */
function useForm(onDone: () => void) {
  const queries = useQueryClient();
  const say = useSay();
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const send = async (event: FormEvent, asking: () => Promise<Answer>) => {
    event.preventDefault();
    const { error } = await asking();
    setProblems(error?.errors ?? []);
    if (error) return;
    await askAgain(queries);
    say(yoursText.isChanged);
    onDone();
  };
  return { problems, send };
}

export function AccessPart({ account }: { readonly account: Account }) {
  return (
    <section aria-labelledby="account" className="flex flex-col gap-8">
      <h2 id="account" className="text-2xl">
        {yoursText.account}
      </h2>
      {/* On paper there is the code alone. */}
      <div className="contents print:hidden">
        <NameForm account={account} />
        <PasswordForm name={account.name} />
        <Visits />
        <Passkeys />
      </div>
      <OnPaper />
      <div className="contents print:hidden">
        <Leave name={account.name} />
      </div>
    </section>
  );
}

function Loose({
  problems,
  shown,
}: {
  readonly problems: readonly Problem[];
  readonly shown: readonly string[];
}): ReactNode {
  const loose = problems.filter(({ field }) => !shown.includes(field));
  return <Refused problem={loose.length > 0 ? loose.map(problemWords).join(" ") : null} />;
}

function NameForm({ account }: { readonly account: Account }) {
  const [name, setName] = useState(account.name);
  const { problems, send } = useForm(() => undefined);
  return (
    <form
      noValidate
      className="flex max-w-md flex-col gap-3"
      onSubmit={(event) => void send(event, () => http.PUT("/api/account/name", { body: { name } }))}
    >
      <TextField
        label={yoursText.newName}
        autoComplete="username"
        value={name}
        onChange={(event) => setName(event.target.value)}
        error={problemAt(problems, "name")}
      />
      {name !== account.name && (
        <Button type="submit" className="self-start">
          {yoursText.changeName}
        </Button>
      )}
      <Loose problems={problems} shown={["name"]} />
    </form>
  );
}

/** For what keeps passwords: whose it is. */
function Whose({ name }: { readonly name: string }) {
  return <input type="text" autoComplete="username" value={name} readOnly hidden />;
}

function PasswordForm({ name }: { readonly name: string }) {
  const [before, setBefore] = useState("");
  const [password, setPassword] = useState("");
  const { problems, send } = useForm(() => {
    setBefore("");
    setPassword("");
  });
  return (
    <form
      noValidate
      className="flex max-w-md flex-col gap-3"
      onSubmit={(event) =>
        void send(event, () => http.PUT("/api/account/password", { body: { before, password } }))
      }
    >
      <Whose name={name} />
      <TextField
        label={yoursText.passwordNow}
        type="password"
        autoComplete="current-password"
        value={before}
        onChange={(event) => setBefore(event.target.value)}
        error={problemAt(problems, "before")}
      />
      <TextField
        label={yoursText.newPassword}
        type="password"
        autoComplete="new-password"
        hint={yoursText.atLeast}
        value={password}
        onChange={(event) => setPassword(event.target.value)}
        error={problemAt(problems, "password")}
      />
      <Button type="submit" className="self-start">
        {yoursText.changePassword}
      </Button>
      <Loose problems={problems} shown={["before", "password"]} />
    </form>
  );
}

function Visits() {
  const access = api.useQuery("get", "/api/account");
  const { act, problem } = useAct();
  const end = (id: string) =>
    act(http.DELETE("/api/account/visits/{visit_id}", { params: { path: { visit_id: id } } }));
  if (!access.data) return null;
  return (
    <div>
      <h3 className="text-xl">{yoursText.whereSignedIn}</h3>
      <ul className="max-w-prose">
        {access.data.visits.map((one) => (
          <li key={one.id} className="flex min-h-12 items-center justify-between gap-3 border-b border-rule">
            <span>{visitLine(one, nowMs(), homeZone())}</span>
            {!one.here && (
              <Button look="plain" onClick={() => void end(one.id)}>
                {yoursText.endIt}
              </Button>
            )}
          </li>
        ))}
      </ul>
      <Refused problem={problem} />
    </div>
  );
}

function Passkeys() {
  const queries = useQueryClient();
  const access = api.useQuery("get", "/api/account");
  const { act, problem } = useAct();
  const [name, setName] = useState("");
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  if (!access.data) return null;
  const make = async (event: FormEvent) => {
    event.preventDefault();
    const { makePasskey } = await import("../../api/passkeys");
    const tried = await makePasskey(name.trim() || yoursText.thisDevice);
    setProblems(typeof tried === "object" ? tried.problems : []);
    if (tried !== "in") return;
    setName("");
    await askAgain(queries);
  };
  const drop = (id: string) =>
    act(http.DELETE("/api/account/passkeys/{key_id}", { params: { path: { key_id: id } } }));
  return (
    <div className="flex flex-col items-start gap-3">
      <h3 className="text-xl">{yoursText.passkeys}</h3>
      <p className="max-w-prose">
        {takesPasskeys() ? yoursText.whatPasskeysAre : yoursText.passkeysNeedAName}
      </p>
      {access.data.keys.length > 0 && (
        <ul className="w-full max-w-prose">
          {access.data.keys.map((one) => (
            <li
              key={one.id}
              className="flex min-h-12 items-center justify-between gap-3 border-b border-rule"
            >
              <span dir="auto">{passkeyLine(one, nowMs(), homeZone())}</span>
              <Button look="plain" onClick={() => void drop(one.id)}>
                {yoursText.dropIt}
              </Button>
            </li>
          ))}
        </ul>
      )}
      {takesPasskeys() && (
        <form noValidate className="flex flex-wrap items-end gap-3" onSubmit={(event) => void make(event)}>
          <TextField
            label={yoursText.passkeyName}
            placeholder={yoursText.thisDevice}
            value={name}
            maxLength={60}
            onChange={(event) => setName(event.target.value)}
          />
          <Button type="submit">{yoursText.makeAPasskey}</Button>
        </form>
      )}
      <Loose problems={problems} shown={[]} />
      <Refused problem={problem} />
    </div>
  );
}

function OnPaper() {
  const access = api.useQuery("get", "/api/account");
  const { act, problem } = useAct();
  const [code, setCode] = useState<string | null>(null);
  const make = async () => {
    const made = await act(http.POST("/api/account/recovery"));
    if (made?.said) setCode(made.said.code);
  };
  const since = access.data?.recovery_since;
  return (
    <div className="flex flex-col items-start gap-3">
      <h3 className="text-xl">{yoursText.codeOnPaper}</h3>
      <p className="max-w-prose">
        {yoursText.whyACode} {since && yoursText.thereIsOne(dayWord(since, nowMs(), homeZone()))}
      </p>
      {code && (
        <p className="border-s-4 border-crust ps-4">
          <span className="block">{yoursText.shownOnce}</span>
          <code className="block text-2xl font-bold tracking-wide">{code}</code>
        </p>
      )}
      <div className="flex flex-wrap gap-3">
        <Button disabled={!access.data} onClick={() => void make()}>
          {since ? yoursText.makeAnotherCode : yoursText.makeACode}
        </Button>
        {code && (
          <Button look="plain" onClick={() => window.print()}>
            {yoursText.printIt}
          </Button>
        )}
      </div>
      <Refused problem={problem} />
    </div>
  );
}

function Leave({ name }: { readonly name: string }) {
  const [password, setPassword] = useState("");
  const [asking, setAsking] = useState(false);
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const go = async () => {
    const { error } = await http.POST("/api/account/delete", { body: { password } });
    if (error) setProblems(error.errors);
    else location.assign("/");
  };
  return (
    <div className="flex flex-col items-start gap-3">
      <h3 className="text-xl">{yoursText.leaveForGood}</h3>
      <p className="max-w-prose">{yoursText.whatGoes}</p>
      <form
        noValidate
        className="flex max-w-md flex-col gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          setAsking(true);
        }}
      >
        <Whose name={name} />
        <TextField
          label={yoursText.password}
          type="password"
          autoComplete="current-password"
          value={password}
          onChange={(event) => setPassword(event.target.value)}
          error={problemAt(problems, "password")}
        />
        <Button
          type="submit"
          look="plain"
          className="-ms-3 self-start text-alarm!"
          disabled={password === ""}
        >
          {yoursText.deleteAll}
        </Button>
        <Loose problems={problems} shown={["password"]} />
      </form>
      <Confirm
        open={asking}
        onOpenChange={setAsking}
        title={yoursText.reallyDelete}
        yes={yoursText.yesDelete}
        onYes={() => void go()}
      >
        <p>{yoursText.noWayBack}</p>
      </Confirm>
    </div>
  );
}
