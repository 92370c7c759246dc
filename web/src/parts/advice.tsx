/** Advice and cautions as the kitchen and a jar's page both show them. */

import { useNavigate } from "react-router";
import type { Advice, Counsel, Notice } from "../api/types";
import { acknowledge, sayWord } from "../api/writes";
import { CautionNote, CounselNote } from "../ui/counsel-note";
import { ADVICE_NAMES, counselWords, NOTICE_WORDS, partsText, YES_WORDS } from "../words";

type Of = {
  readonly jar: { readonly id: string; readonly name: string };
  readonly now: string;
  readonly zone: string;
};

/** What is done with the hands is written down where that is noted. */
const DONE_AT: Partial<Record<Advice, string>> = {
  warmer_place: "change/moved",
  cooler_place: "change/moved",
  set_spare: "part?for=spare",
};

function isOpen({ answer }: Counsel): boolean {
  return answer === "offered" || answer === "followed";
}

/** Advice that is open: what the next move follows already can only be refused, the rest taken or refused. */
export function OpenAdvice({
  jar,
  now,
  zone,
  counsel,
  most,
}: Of & { readonly counsel: readonly Counsel[]; readonly most: number }) {
  const navigate = useNavigate();
  return counsel
    .filter(isOpen)
    .slice(0, most)
    .map((one) => (
      <CounselNote
        key={one.advice}
        {...counselWords(one, now, zone)}
        yes={
          one.answer === "followed"
            ? null
            : {
                label: YES_WORDS[one.advice] ?? partsText.doSo,
                run: () => {
                  const page = DONE_AT[one.advice];
                  if (page) void navigate(`/jars/${jar.id}/${page}`);
                  else take(jar, one.advice);
                },
              }
        }
        no={{ label: partsText.noKeepToThePlan, run: () => say(jar, one.advice, false) }}
      />
    ));
}

/** What the baker said to advice, to be changed with a press. */
export function AnsweredAdvice({
  jar,
  counsel,
}: {
  readonly jar: Of["jar"];
  readonly counsel: readonly Counsel[];
}) {
  return counsel
    .filter((one) => !isOpen(one))
    .map((one) => (
      <CounselNote
        key={one.advice}
        what={saidWords(one)}
        why=""
        then={null}
        yes={
          one.answer === "refused"
            ? { label: partsText.doItAfterAll, run: () => take(jar, one.advice) }
            : null
        }
        no={
          one.answer === "taken"
            ? { label: partsText.backToThePlan, run: () => say(jar, one.advice, false) }
            : null
        }
      />
    ));
}

function say(jar: Of["jar"], advice: Advice, yes: boolean): void {
  void sayWord(jar.id, advice, yes, partsText.adviceFor(jar.name));
}

function take(jar: Of["jar"], advice: Advice): void {
  say(jar, advice, true);
}

function saidWords({ advice, answer, feeds }: Counsel): string {
  const name = ADVICE_NAMES[advice];
  if (answer === "refused") return partsText.youSaidNoToIt(name);
  return partsText.asYouWishedFor(name, feeds === 1 ? partsText.oneMoreFeed : partsText.moreFeeds(feeds));
}

/** A caution that matters now and was not read yet: one at a time. */
export function Caution({ notices }: { readonly notices: readonly Notice[] }) {
  const [first] = notices;
  return first ? (
    <CautionNote text={NOTICE_WORDS[first]} onRead={() => void acknowledge(first, partsText.aCautionRead)} />
  ) : null;
}
