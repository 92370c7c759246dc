import { useState } from "react";
import { api, http } from "../../api/client";
import { Refused, useAct } from "../../parts/act";
import { Button } from "../../ui/button";
import { Confirm } from "../../ui/confirm";
import { houseText } from "../../words";

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
        {houseText.calendar}
      </h2>
      <p>{houseText.aPrivateAddressToSubscribe}</p>
      {address && (
        <p className="border-s-4 border-crust ps-4">
          <span className="block">{houseText.shownThisOncePutIt}</span>
          <code className="block break-all font-bold">{address}</code>
        </p>
      )}
      <div className="flex flex-wrap gap-3">
        <Button disabled={!key.data} onClick={() => (isSet ? setAsking(true) : void make())}>
          {isSet ? houseText.makeANewAddress : houseText.makeAnAddress}
        </Button>
        {isSet && (
          <Button look="plain" onClick={() => void drop()}>
            {houseText.endIt}
          </Button>
        )}
      </div>
      <Refused problem={problem} />
      <Confirm
        open={asking}
        onOpenChange={setAsking}
        title={houseText.makeANewAddress2}
        yes={houseText.makeANewOne}
        onYes={() => void make()}
      >
        <p>{houseText.theOldOneEndsAt}</p>
      </Confirm>
    </section>
  );
}
