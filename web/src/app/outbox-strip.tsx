import { Link } from "react-router";
import { outbox, useOutbox } from "../api/outbox";
import { Button } from "../ui/button";
import { appText, fieldWords, problemWords } from "../words";

/** What has not reached the server yet, and what it would not take. */
export function OutboxStrip() {
  const { waiting, refused } = useOutbox();
  return (
    <div aria-live="polite">
      {waiting.length > 0 && (
        <div className="flex flex-wrap items-center justify-center gap-x-4 border-b border-rule bg-card px-4 py-2">
          <p>
            <strong>{appText.notSentYet}</strong> {waiting.map((write) => write.label).join(", ")}
            {appText.keptOnThisDeviceSent}
          </p>
          <Button look="plain" onClick={outbox.retry}>
            {appText.tryNow}
          </Button>
        </div>
      )}
      {refused.map(({ write, problems }) => (
        <div
          key={write.key}
          className="flex flex-wrap items-center justify-center gap-x-4 border-b-2 border-alarm bg-card px-4 py-2"
        >
          <p>
            <strong>{appText.notTaken(write.label)}</strong>{" "}
            {problems.map((problem) => `${fieldWords(problem.field)}: ${problemWords(problem)}`).join(" ")}
          </p>
          {write.reopen && (
            <Link
              to={write.reopen.path}
              onClick={() => outbox.dismiss(write.key)}
              className="flex min-h-11 items-center font-semibold text-crust underline underline-offset-4"
            >
              {appText.openItAgain}
            </Link>
          )}
          <Button look="plain" onClick={() => outbox.dismiss(write.key)}>
            {appText.letItGo}
          </Button>
        </div>
      ))}
    </div>
  );
}
