import { keepCore, useCoreHere, useCoreWorking } from "../../api/core";
import { percent } from "../../lib/numbers";
import { Button } from "../../ui/button";
import { practiceText } from "../../words";

/** Whether practice goes on without a network; once opened, it is seen to that it does. */
export function OnThisDevice() {
  const here = useCoreHere();
  const bring = () => void keepCore(true);
  return (
    <div className="mt-3 flex min-h-6 max-w-prose flex-col items-start text-sm text-soft">
      <p aria-live="polite">
        {here.state === "kept" && practiceText.onDevice}
        {here.state === "failed" && practiceText.notBrought}
        {here.state === "offered" && practiceText.offered}
      </p>
      {/* Not live: a reader would hear every percent. */}
      {here.state === "fetched" && <p>{practiceText.bringing(percent(100 * here.share))}</p>}
      {here.state === "failed" && (
        <Button className="mt-2" onClick={bring}>
          {practiceText.again}
        </Button>
      )}
      {here.state === "offered" && (
        <Button className="mt-2" onClick={bring}>
          {practiceText.bring(here.megabytes.toFixed(0))}
        </Button>
      )}
    </div>
  );
}

/** Said while this device works out by itself what the kitchen would have answered. */
export function WorkingItOut() {
  const isWorking = useCoreWorking();
  return (
    <p aria-live="polite" className="max-w-prose text-soft">
      {isWorking && practiceText.worksItOut}
    </p>
  );
}
