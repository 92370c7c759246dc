import { useTitle } from "../lib/hooks";
import { Button, ButtonLink } from "../ui/button";
import { appText, commonText } from "../words";
import { useNewer } from "./offline";

/** For an address that leads nowhere, and for a fault of ours; where a newer version took this one's place it says so. */
export function Lost() {
  const newer = useNewer();
  useTitle(newer ? appText.aNewerVersionIsHere : appText.notHere);
  if (newer) {
    return (
      <div className="mx-auto flex max-w-md flex-col items-start gap-4 px-4 py-16">
        <h1 className="text-3xl">{appText.aNewerVersionIsHere}</h1>
        <p>{appText.whatYouTypedIsKept}</p>
        <Button look="act" onClick={() => location.reload()}>
          {appText.goOnWithTheNewer}
        </Button>
      </div>
    );
  }
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
