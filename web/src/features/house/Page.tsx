import { api } from "../../api/client";
import { useTitle } from "../../lib/hooks";
import { FloursPart } from "../../parts/flours";
import { HoursPart } from "../../parts/hours";
import { ButtonLink } from "../../ui/button";
import { OutOfReach } from "../../ui/states";
import { commonText, houseText, pantryText } from "../../words";
import { AboutPart } from "./About";
import { CalendarPart } from "./Calendar";
import { HandsPart } from "./Hands";
import { PostboxPart } from "./Postbox";
import { ThermometersPart } from "./Thermometers";
import { TimeZonePart } from "./TimeZone";

/** The house around the jars: who keeps them, and what measures their warmth. */
export function HousePage() {
  useTitle(commonText.house);
  const session = api.useQuery("get", "/api/session");
  if (session.isError) return <OutOfReach onRetry={() => void session.refetch()} />;
  return (
    <div className="pt-6">
      <h1 className="text-3xl">{commonText.house}</h1>
      <div className="mt-6 grid gap-12 md:grid-cols-2">
        <div className="flex flex-col gap-2">
          <h2 className="text-2xl">{commonText.yourHours}</h2>
          <HoursPart />
          {session.data?.account && <TimeZonePart zone={session.data.account.time_zone} />}
        </div>
        <PostboxPart />
        <div className="flex flex-col gap-2">
          <h2 className="text-2xl">{houseText.flours}</h2>
          <p>{houseText.whatYouHaveByYour}</p>
          <FloursPart />
          <p className="flex flex-wrap gap-3">
            <ButtonLink to="/flour">{pantryText.seeTheFlour}</ButtonLink>
            <ButtonLink to="/discard">{pantryText.seeIt}</ButtonLink>
          </p>
        </div>
        <CalendarPart />
        <HandsPart />
        <ThermometersPart />
        <ScalePart address={session.data?.scale ?? ""} />
        <AboutPart version={session.data?.version ?? ""} />
      </div>
    </div>
  );
}

function ScalePart({ address }: { readonly address: string }) {
  return (
    <section aria-labelledby="scale">
      <h2 id="scale" className="text-2xl">
        {houseText.kitchenScale}
      </h2>
      <p className="mt-2">
        {houseText.aScalesBridgeOnThis} <span className="font-semibold">{address}</span>
        {houseText.inTheDemoASimulated}
      </p>
    </section>
  );
}
