import { useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { useSearchParams } from "react-router";
import { askAgain } from "../../api/ask-again";
import { http } from "../../api/client";
import { outbox } from "../../api/outbox";
import type { Problem } from "../../api/types";
import { JarDrawing, type JarState } from "../../drawing/jar";
import { usualForms } from "../../lib/forms";
import { useTitle } from "../../lib/hooks";
import { LANGUAGE_NAMES, LANGUAGES, speak } from "../../lib/language";
import { LANGUAGE } from "../../lib/locale";
import { takesPasskeys } from "../../lib/passkeys";
import { deviceZone } from "../../lib/time";
import { Button } from "../../ui/button";
import { TextField } from "../../ui/field";
import { Trouble } from "../../ui/states";
import { commonText, problemAt, problemWords, welcomeText } from "../../words";

const MODEL: JarState = {
  glass: { volumeMl: 370, heightMm: 100, flare: 1 },
  lineMm: 34,
  levelMm: 71,
  highMm: null,
  colour: "rgb(204 174 130)",
  bubbles: "throughout",
  top: ["domed"],
  gone: false,
};

/** By password, with a new account, or by a code on paper or from whoever keeps the house. */
type Way = "in" | "up" | "code";

/** What this device is used to; letters are written on American paper where ounces are weighed. */
function formsHere() {
  const usual = usualForms(navigator.language);
  return { ...usual, paper: usual.mass === "oz" ? ("letter" as const) : ("a4" as const) };
}

const TITLES: Record<Way, string> = {
  in: welcomeText.signIn,
  up: welcomeText.makeAnAccount,
  code: welcomeText.passwordForgotten,
};
const DO: Record<Way, string> = {
  in: welcomeText.signIn,
  up: welcomeText.makeTheAccount,
  code: welcomeText.setItAndComeIn,
};

export function WelcomePage({
  demoOffered,
  byInvitation,
  hasWaiting,
}: {
  readonly demoOffered: boolean;
  /** Whether a new account takes an invitation here. */
  readonly byInvitation: boolean;
  readonly hasWaiting: boolean;
}) {
  useTitle(welcomeText.welcome);
  const queries = useQueryClient();
  const [asked] = useSearchParams();
  const [way, setWay] = useState<Way>(asked.has("code") ? "code" : "in");
  const [name, setName] = useState(asked.get("name") ?? "");
  const [code, setCode] = useState(asked.get("code") ?? "");
  const [password, setPassword] = useState("");
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const [busy, setBusy] = useState(false);

  const arrive = async (ask: () => Promise<{ error?: { errors: readonly Problem[] } | undefined }>) => {
    setBusy(true);
    setProblems([]);
    const { error } = await ask();
    setBusy(false);
    if (error) {
      setProblems(error.errors);
      return;
    }
    await askAgain(queries);
    const session = await http.GET("/api/session");
    const account = session.data?.account;
    await outbox.signedInAs(account ? { id: String(account.id), name: account.name } : null);
  };

  const submit = (event: FormEvent) => {
    event.preventDefault();
    const ways = {
      in: () => http.POST("/api/session", { body: { name, password } }),
      up: () => {
        const account = { name, password, time_zone: deviceZone(), forms: formsHere() };
        return byInvitation
          ? http.POST("/api/hands/accounts", { body: { ...account, code } })
          : http.POST("/api/accounts", { body: account });
      },
      code: () => http.POST("/api/recover", { body: { name, code, password } }),
    };
    void arrive(ways[way]);
  };
  const byPasskey = () =>
    arrive(async () => {
      const { comeInByPasskey } = await import("../../api/passkeys");
      const tried = await comeInByPasskey();
      return typeof tried === "object" ? { error: { errors: tried.problems } } : {};
    });
  const visitDemo = () =>
    void arrive(() => http.POST("/api/demo/visit", { body: { time_zone: deviceZone() } }));
  const loose = problems.filter((problem) => !["name", "password", "code"].includes(problem.field));

  return (
    <div className="grid items-center gap-10 py-8 md:grid-cols-[1fr_24rem] md:py-16">
      <section className="flex flex-col gap-6">
        <h1 className="text-4xl sm:text-5xl">{welcomeText.raiseASourdoughStarterDay}</h1>
        <div className="flex items-end gap-8">
          <div className="hidden shrink-0 sm:block">
            <JarDrawing state={MODEL} scale={1.9} />
          </div>
          <ul className="flex flex-col gap-3 text-lg">
            <li>{welcomeText.itSaysWhatToDo}</li>
            <li>{welcomeText.itKeepsTheLogWhile}</li>
            <li>{welcomeText.itKnowsWhichDaysAre}</li>
          </ul>
        </div>
        {demoOffered && (
          <div className="flex flex-wrap items-center gap-4">
            <Button look="act" onClick={visitDemo} disabled={busy}>
              {welcomeText.walkIntoTheDemoKitchen}
            </Button>
            <span className="text-soft">{welcomeText.noAccountNeededInventedJars}</span>
          </div>
        )}
      </section>
      <form
        onSubmit={submit}
        noValidate
        className="flex flex-col gap-4 rounded-xl border border-rule bg-card p-6"
      >
        <h2 className="text-2xl">{TITLES[way]}</h2>
        {hasWaiting && <p>{welcomeText.signInAgainActsKept}</p>}
        <TextField
          label={commonText.name}
          autoComplete="username"
          value={name}
          onChange={(event) => setName(event.target.value)}
          error={problemAt(problems, "name")}
        />
        {(way === "code" || (way === "up" && byInvitation)) && (
          <TextField
            label={way === "up" ? welcomeText.invitation : welcomeText.code}
            autoComplete="off"
            autoCapitalize="none"
            hint={way === "up" ? welcomeText.whoInvites : welcomeText.whereTheCodeIs}
            value={code}
            onChange={(event) => setCode(event.target.value)}
            error={problemAt(problems, "code")}
          />
        )}
        <TextField
          label={way === "code" ? welcomeText.newPassword : welcomeText.password}
          type="password"
          autoComplete={way === "in" ? "current-password" : "new-password"}
          hint={way !== "in" && welcomeText.atLeast10CharactersA}
          value={password}
          onChange={(event) => setPassword(event.target.value)}
          error={problemAt(problems, "password")}
        />
        {loose.length > 0 && <Trouble>{loose.map(problemWords).join(" ")}</Trouble>}
        <Button type="submit" look={demoOffered ? "quiet" : "act"} disabled={busy}>
          {busy ? welcomeText.oneMoment : DO[way]}
        </Button>
        <Button
          look="plain"
          onClick={() => {
            setWay(way === "in" ? "up" : "in");
            setProblems([]);
          }}
        >
          {way === "in" ? welcomeText.newHereMakeAnAccount : welcomeText.iHaveAnAccount}
        </Button>
        {way === "in" && takesPasskeys() && (
          <Button disabled={busy} onClick={() => void byPasskey()}>
            {welcomeText.useAPasskey}
          </Button>
        )}
        {way === "in" && (
          <Button
            look="plain"
            onClick={() => {
              setWay("code");
              setProblems([]);
            }}
          >
            {welcomeText.passwordForgotten}
          </Button>
        )}
      </form>
      <p className="flex flex-wrap gap-x-4 md:col-span-2">
        {LANGUAGES.filter((language) => language !== LANGUAGE).map((language) => (
          <Button key={language} look="plain" lang={language} onClick={() => speak(language)}>
            {LANGUAGE_NAMES[language]}
          </Button>
        ))}
      </p>
    </div>
  );
}
