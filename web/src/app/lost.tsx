import { useTitle } from "../lib/hooks";
import { ButtonLink } from "../ui/button";
import { appText, commonText } from "../words";

/** For an address that leads nowhere, and for a fault of ours. */
export function Lost() {
  useTitle(appText.notHere);
  return (
    <div className="mx-auto flex max-w-md flex-col items-start gap-4 px-4 py-16">
      <h1 className="text-3xl">{appText.thereIsNothingAtThis}</h1>
      <p>{appText.theJarMayBeAnother}</p>
      <ButtonLink look="act" to="/">
        {commonText.toTheKitchen}
      </ButtonLink>
    </div>
  );
}
