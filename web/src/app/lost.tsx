import { useTitle } from "../lib/hooks";
import { Button, ButtonLink } from "../ui/button";
import { appText, commonText } from "../words";
import { useNewer } from "./offline";

/** For an address that leads nowhere, and for a fault of ours; where a newer version took this one's place it says so. */
export function Lost() {
  const newer = useNewer();
  useTitle(newer ? appText.aNewerVersionIsHere : appText.notHere);
  return (
    <div className="mx-auto flex max-w-md flex-col items-start gap-4 px-4 py-16">
      <h1 className="text-3xl">{newer ? appText.aNewerVersionIsHere : appText.thereIsNothingAtThis}</h1>
      <p>{newer ? appText.whatYouTypedIsKept : appText.theJarMayBeAnother}</p>
      {newer ? (
        <Button look="act" onClick={() => location.reload()}>
          {appText.goOnWithTheNewer}
        </Button>
      ) : (
        <ButtonLink look="act" to="/">
          {commonText.toTheKitchen}
        </ButtonLink>
      )}
    </div>
  );
}
