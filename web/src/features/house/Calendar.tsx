import { useState } from "react";
import { api, http } from "../../api/client";
import { Refused, useAct } from "../../parts/act";
import { Button } from "../../ui/button";
import { Confirm } from "../../ui/confirm";

/** The private address that a calendar program subscribes to. */
export function CalendarPart() {
  const key = api.useQuery("get", "/api/calendar");
  const { act, problem } = useAct();
  const [asking, setAsking] = useState(false);
  const [address, setAddress] = useState<string | null>(null);
  const make = async () => {
    const made = await act(http.POST("/api/calendar"));
    if (made?.said) setAddress(made.said.address);
  };
  const drop = async () => {
    if (await act(http.DELETE("/api/calendar"))) setAddress(null);
  };
  const isSet = key.data?.is_set ?? false;
  return (
    <section aria-labelledby="calendar" className="flex flex-col gap-4">
      <h2 id="calendar" className="text-2xl">
        Calendar
      </h2>
      <p>
        A private address to subscribe to: your feeds, in your calendar program, moving with the plan. Whoever
        knows it sees the feeds and nothing else. If it leaks, make a new one; the old one ends.
      </p>
      {address && (
        <p className="border-l-4 border-crust pl-4">
          <span className="block">Shown this once. Put it into your calendar program:</span>
          <code className="block break-all font-bold">{address}</code>
        </p>
      )}
      <div className="flex flex-wrap gap-3">
        <Button disabled={!key.data} onClick={() => (isSet ? setAsking(true) : void make())}>
          {isSet ? "Make a new address" : "Make an address"}
        </Button>
        {isSet && (
          <Button look="plain" onClick={() => void drop()}>
            End it
          </Button>
        )}
      </div>
      <Refused problem={problem} />
      <Confirm
        open={asking}
        onOpenChange={setAsking}
        title="Make a new address?"
        yes="Make a new one"
        onYes={() => void make()}
      >
        <p>The old one ends at once: calendars that go by it stop following the plan.</p>
      </Confirm>
    </section>
  );
}
