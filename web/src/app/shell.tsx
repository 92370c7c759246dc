import { useQueryClient } from "@tanstack/react-query";
import { lazy, Suspense, useCallback, useEffect, useState } from "react";
import { Link, NavLink, Outlet, useNavigate } from "react-router";
import { api, http, SIGNED_OUT } from "../api/client";
import { outbox, useOutbox } from "../api/outbox";
import type { Account } from "../api/types";
import { tellIn, usualForms } from "../lib/forms";
import { speakAsChosen } from "../lib/language";
import { LANGUAGE } from "../lib/locale";
import { draftsOf, readStored, writeStored } from "../lib/store";
import { liveIn } from "../lib/time";
import { Button } from "../ui/button";
import { ConfirmLater } from "../ui/confirm-later";
import { Menu } from "../ui/menu";
import { Loading, OutOfReach } from "../ui/states";
import { useSay } from "../ui/toast";
import { appText, commonText, problemWords } from "../words";
import { useArriving } from "./arriving";
import { useKeys } from "./keys";
import { useNotices } from "./notices";
import { forgetKitchen, useNewer } from "./offline";
import { OutboxStrip } from "./outbox-strip";
import { useTheme } from "./theme";

// A baker who is in does not wait for the door.
const WelcomePage = lazy(async () => ({ default: (await import("../features/welcome")).WelcomePage }));

const KeysPanel = lazy(async () => ({ default: (await import("./keys-panel")).KeysPanel }));

/** Keys are for who is in. */
function Listening({ onList }: { readonly onList: () => void }) {
  useKeys(onList);
  return null;
}

const NAV =
  "flex min-h-11 items-center px-0.5 text-[0.875rem] font-semibold min-[390px]:px-[0.2rem] min-[390px]:text-[0.95rem] sm:px-3 sm:text-base underline-offset-8 hover:text-crust aria-[current=page]:underline";

function ThemeButton() {
  const [theme, turn] = useTheme();
  return (
    <button
      type="button"
      onClick={turn}
      aria-label={theme === "day" ? appText.dimForTheNight : appText.lightForTheDay}
      className="flex size-11 items-center justify-center rounded-lg hover:text-crust"
    >
      <svg
        width="22"
        height="22"
        viewBox="0 0 22 22"
        aria-hidden="true"
        fill="none"
        stroke="currentColor"
        strokeWidth="2"
      >
        {theme === "day" ? (
          <path d="M17 13.5A7 7 0 0 1 8.5 5a7 7 0 1 0 8.500 8.500Z" />
        ) : (
          <path d="M11 7a4 4 0 1 1 0 8a4 4 0 0 1 0-8ZM11 2v2M11 18v2M2 11h2M18 11h2M4.600 4.600l1.400 1.400M16 16l1.400 1.400M4.600 17.400L6 16M16 6l1.400-1.400" />
        )}
      </svg>
    </button>
  );
}

function TopLine({ account }: { readonly account: Account | null }) {
  const queries = useQueryClient();
  const say = useSay();
  const navigate = useNavigate();
  const { waiting, aside } = useOutbox();
  const [asking, setAsking] = useState(false);
  const [keys, setKeys] = useState(false);
  // Once listed it stays: it shows the keys on their buttons.
  const [listed, setListed] = useState(false);
  const list = useCallback(() => {
    setListed(true);
    setKeys(true);
  }, []);
  const left = waiting.length + aside.length;
  const signOut = async () => {
    const { error } = await http.DELETE("/api/session");
    if (error) return say(error.errors.map(problemWords).join(" "));
    await outbox.signedInAs(null);
    queries.clear();
    await forgetKitchen();
    location.assign("/");
  };
  return (
    <div className="flex flex-wrap items-center border-b border-rule py-2 pe-1 ps-3 sm:gap-x-2 sm:px-6">
      <Link to="/" className="me-auto flex min-h-11 items-center font-serif text-xl sm:me-6 sm:text-2xl">
        {appText.despertar}
      </Link>
      {account && (
        <nav
          aria-label={appText.places}
          className="order-last flex w-full flex-wrap justify-between pe-2 sm:order-none sm:me-auto sm:w-auto sm:pe-0"
        >
          <NavLink to="/" end className={NAV}>
            {commonText.kitchen}
          </NavLink>
          <NavLink to="/new" className={NAV}>
            {commonText.newJar}
          </NavLink>
          <NavLink to="/reckoner" className={NAV}>
            {commonText.reckoner}
          </NavLink>
          <NavLink to="/signs" className={NAV}>
            {commonText.signs}
          </NavLink>
          <NavLink to="/practice" className={NAV}>
            {commonText.practice}
          </NavLink>
          <NavLink to="/house" className={NAV}>
            {commonText.house}
          </NavLink>
        </nav>
      )}
      {!account && <span className="me-auto" />}
      <ThemeButton />
      {account && (
        <Menu
          label={appText.accountOf(account.name)}
          trigger={
            <>
              <svg
                width="20"
                height="20"
                viewBox="0 0 20 20"
                aria-hidden="true"
                fill="none"
                stroke="currentColor"
                strokeWidth="2"
              >
                <circle cx="10" cy="6.500" r="3.500" />
                <path d="M3 18q0-6 7-6t7 6" />
              </svg>
              <span className="hidden max-w-40 truncate sm:inline">{account.name}</span>
            </>
          }
          items={[
            { label: appText.yourDataAndAccount, run: () => void navigate("/yours") },
            { label: appText.keys, run: list },
            {
              label: account.is_demo ? appText.leaveTheDemo : appText.signOut,
              run: () => (left > 0 ? setAsking(true) : void signOut()),
            },
          ]}
        />
      )}
      {account && <Listening onList={list} />}
      {listed && (
        <Suspense>
          <KeysPanel open={keys} onOpenChange={setKeys} />
        </Suspense>
      )}
      <ConfirmLater
        open={asking}
        onOpenChange={setAsking}
        title={appText.notAllHasArrived}
        yes={appText.signOutAllTheSame}
        onYes={() => void signOut()}
      >
        <p>{appText.waitsHere([...waiting, ...aside].map(({ label }) => label).join(", "))}</p>
        <p>{appText.itStaysOnThisDevice}</p>
      </ConfirmLater>
    </div>
  );
}

/** What was seen of one baker's kitchen goes when another is here, or nobody any more. */
function useOneBakerAtATime(id: string | null, known: boolean) {
  const queries = useQueryClient();
  useEffect(() => {
    if (!known || readStored<string>(LAST_HERE) === id) return;
    writeStored(LAST_HERE, id);
    void forgetKitchen();
    void queries.resetQueries({ predicate: ({ queryKey }) => queryKey[1] !== "/api/session" });
  }, [id, known, queries]);
}

const LAST_HERE = "device.account";

export function Shell() {
  const session = api.useQuery("get", "/api/session");
  const account = session.data?.account ?? null;
  const { signedOut } = useOutbox();
  const newer = useNewer();
  const id = account ? String(account.id) : null;
  const name = account?.name ?? "";
  // Before any form of this visit is drawn.
  draftsOf(id ?? "");
  liveIn(account?.time_zone ?? null);
  const told = account?.forms ?? usualForms(navigator.language);
  tellIn(told);
  useEffect(() => void outbox.signedInAs(id === null ? null : { id, name }), [id, name]);
  useOneBakerAtATime(id, session.data !== undefined);
  const language = account?.language ?? null;
  useEffect(() => speakAsChosen(language, LANGUAGE), [language]);
  const { refetch } = session;
  useEffect(() => {
    const ended = () => void refetch();
    addEventListener(SIGNED_OUT, ended);
    return () => removeEventListener(SIGNED_OUT, ended);
  }, [refetch]);

  useArriving();
  useNotices(account !== null && !signedOut);

  if (session.isPending) return <Loading what={appText.openingTheKitchen} />;
  if (!session.data) return <OutOfReach onRetry={() => void session.refetch()} />;
  const isIn = account !== null && !signedOut;
  return (
    <div className="flex min-h-dvh flex-col">
      <a href="#main" className="sr-only focus:not-sr-only focus:p-3">
        {appText.skipToTheMainPart}
      </a>
      <header className="print:hidden">
        <TopLine account={isIn ? account : null} />
        {isIn && account.is_demo && (
          <p className="bg-card px-3 py-1.5 text-center text-sm text-soft">
            {appText.demoKitchenTheBakerThe}
          </p>
        )}
        {newer && (
          <p className="flex flex-wrap items-center justify-center gap-x-4 border-b border-rule bg-card px-4 py-2">
            {appText.aNewerVersionIsHere} {appText.whatYouTypedIsKept}
            <Button look="plain" onClick={() => location.reload()}>
              {appText.goOnWithTheNewer}
            </Button>
          </p>
        )}
        {isIn && <OutboxStrip />}
      </header>
      <main key={JSON.stringify(told)} id="main" className="mx-auto w-full max-w-6xl grow px-3 pb-24 sm:px-6">
        {isIn ? (
          <Outlet />
        ) : (
          <WelcomePage
            demoOffered={session.data.demo_offered}
            byInvitation={session.data.by_invitation}
            hasWaiting={signedOut}
          />
        )}
      </main>
    </div>
  );
}
