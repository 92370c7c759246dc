import { type ReactNode, useState } from "react";
import { useNavigate } from "react-router";
import { outbox, useOutbox, type Write } from "../api/outbox";
import { nowMs } from "../lib/clock";
import { homeZone, when } from "../lib/time";
import { Button } from "../ui/button";
import { ConfirmLater } from "../ui/confirm-later";
import { appText, fieldWords, problemWords } from "../words";

/** What has not reached the server yet, what it stumbles over, and what it would not take. */
export function OutboxStrip() {
  const { waiting, aside, refused } = useOutbox();
  return (
    <div aria-live="polite">
      {waiting.length > 0 && (
        <details className="border-b border-rule bg-card px-4 py-2">
          <summary className="min-h-11 cursor-pointer py-2 text-center">
            <strong>{appText.notSentYet}</strong> {waiting.map((write) => write.label).join(", ")}
            {appText.keptOnThisDeviceSent}
          </summary>
          {waiting.map((write) => (
            <Row key={write.key} write={write} />
          ))}
          <p className="text-center">
            <Button look="plain" onClick={() => void outbox.retry()}>
              {appText.tryNow}
            </Button>
          </p>
        </details>
      )}
      {aside.map((write) => (
        <Row key={write.key} write={write} alarm>
          <strong>{appText.theKitchenStumblesOver(write.label)}</strong> {appText.itIsKeptAndStandsBefore}
          <Button look="plain" onClick={() => void outbox.retry()}>
            {appText.tryNow}
          </Button>
        </Row>
      ))}
      {refused.map(({ write, problems }) => (
        <Row key={write.key} write={write} alarm>
          <strong>{appText.notTaken(write.label)}</strong>{" "}
          {problems.map((problem) => `${fieldWords(problem.field)}: ${problemWords(problem)}`).join(" ")}
        </Row>
      ))}
    </div>
  );
}

/** One write: what it is and since when, to be opened and mended where it was typed, or let go. */
function Row({
  write,
  alarm = false,
  children,
}: {
  readonly write: Write;
  readonly alarm?: boolean;
  readonly children?: ReactNode;
}) {
  const navigate = useNavigate();
  const [asking, setAsking] = useState(false);
  const open = async (path: string) => {
    await outbox.reopen(write.key);
    void navigate(path);
  };
  const { reopen } = write;
  const since = when(new Date(write.madeAt).toISOString(), nowMs(), homeZone());
  return (
    <div
      className={`flex flex-wrap items-center justify-center gap-x-4 px-4 py-1 ${alarm ? "border-b-2 border-alarm bg-card" : ""}`}
    >
      <p>{children ?? appText.since(write.label, since)}</p>
      {reopen && (
        <Button look="plain" onClick={() => void open(reopen.path)}>
          {appText.openItAgain}
        </Button>
      )}
      <Button look="plain" onClick={() => setAsking(true)}>
        {appText.letItGo}
      </Button>
      <ConfirmLater
        open={asking}
        onOpenChange={setAsking}
        title={appText.letItGoFor(write.label)}
        yes={appText.letItGo}
        onYes={() => void outbox.dismiss(write.key)}
      >
        <p>{appText.itWasNeverSaved}</p>
      </ConfirmLater>
    </div>
  );
}
