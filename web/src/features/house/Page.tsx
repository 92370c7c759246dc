import { api } from "../../api/client";
import { useTitle } from "../../lib/hooks";
import { FloursPart } from "../../parts/flours";
import { HoursPart } from "../../parts/hours";
import { OutOfReach } from "../../ui/states";
import { CalendarPart } from "./Calendar";
import { HandsPart } from "./Hands";
import { PostboxPart } from "./Postbox";
import { ThermometersPart } from "./Thermometers";

/** The house around the jars: who keeps them, and what measures their warmth. */
export function HousePage() {
  useTitle("House");
  const session = api.useQuery("get", "/api/session");
  if (session.isError) return <OutOfReach onRetry={() => void session.refetch()} />;
  return (
    <div className="pt-6">
      <h1 className="text-3xl">House</h1>
      <div className="mt-6 grid gap-12 md:grid-cols-2">
        <div className="flex flex-col gap-2">
          <h2 className="text-2xl">Your hours</h2>
          <HoursPart />
        </div>
        <PostboxPart />
        <div className="flex flex-col gap-2">
          <h2 className="text-2xl">Flours</h2>
          <p>What you have, by your own names: they stand first in a new jar and on the shopping list.</p>
          <FloursPart />
        </div>
        <CalendarPart />
        <HandsPart />
        <ThermometersPart />
        <ScalePart address={session.data?.scale ?? ""} />
      </div>
    </div>
  );
}

function ScalePart({ address }: { readonly address: string }) {
  return (
    <section aria-labelledby="scale">
      <h2 id="scale" className="text-2xl">
        Kitchen scale
      </h2>
      <p className="mt-2">
        A scale's bridge on this computer is read while you feed, once you press “Read my scale” there. It is
        looked for at <span className="font-semibold">{address}</span>. In the demo a simulated one stands
        there, with a page of its own to pour on.
      </p>
    </section>
  );
}
