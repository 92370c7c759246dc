import { api } from "../../api/client";
import { useTitle } from "../../lib/hooks";
import { OutOfReach } from "../../ui/states";
import { yoursText } from "../../words";
import { AccessPart } from "./Access";
import { DataPart } from "./Data";
import { UnitsPart } from "./Units";

/** What is the baker's own: the account, and all that it holds. */
export function YoursPage() {
  useTitle(yoursText.yours);
  const session = api.useQuery("get", "/api/session");
  if (session.isError) return <OutOfReach onRetry={() => void session.refetch()} />;
  const account = session.data?.account;
  if (!account) return null;
  return (
    <div className="pt-6">
      <h1 className="text-3xl">{yoursText.yours}</h1>
      <div className="mt-6 grid gap-12 md:grid-cols-2">
        <div className="print:hidden">
          <UnitsPart forms={account.forms} />
        </div>
        <div className="print:hidden">
          <DataPart isDemo={account.is_demo} />
        </div>
        {!account.is_demo && <AccessPart account={account} />}
      </div>
    </div>
  );
}
