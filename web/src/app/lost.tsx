import { useTitle } from "../lib/hooks";
import { ButtonLink } from "../ui/button";

/** For an address that leads nowhere, and for a fault of ours. */
export function Lost() {
  useTitle("Not here");
  return (
    <div className="mx-auto flex max-w-md flex-col items-start gap-4 px-4 py-16">
      <h1 className="text-3xl">There is nothing at this address.</h1>
      <p>The jar may be another baker's, or the link may be old. Nothing that you typed is lost.</p>
      <ButtonLink look="act" to="/">
        To the kitchen
      </ButtonLink>
    </div>
  );
}
