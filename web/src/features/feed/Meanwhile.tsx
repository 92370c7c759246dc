import { Link } from "react-router";
import type { Problem } from "../../api/types";
import { Button } from "../../ui/button";
import { Trouble } from "../../ui/states";
import { feedText, problemWords } from "../../words";

/** Two devices fed at once: both stand side by side until the baker says which is true. */
export function Meanwhile({
  problem,
  onBoth,
  onOnlyTheirs,
  jarId,
}: {
  readonly problem: Problem;
  readonly onBoth: () => void;
  readonly onOnlyTheirs: () => void;
  readonly jarId: string;
}) {
  return (
    <Trouble>
      <p>
        <strong>{problemWords(problem)}</strong> {feedText.yourFeedIsKeptHere}
      </p>
      <div className="mt-3 flex flex-wrap gap-3">
        <Link
          to={`/?jar=${jarId}`}
          onClick={onOnlyTheirs}
          className="flex min-h-11 items-center rounded-lg border border-edge px-5 font-semibold"
        >
          {feedText.theSameDropMine}
        </Link>
        <Button onClick={onBoth}>{feedText.fedTwiceSaveMineToo}</Button>
      </div>
    </Trouble>
  );
}
