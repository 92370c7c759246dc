import { uiText } from "../words";
import { Button } from "./button";

/** One piece of advice with its reason, to be taken or refused. */
export function CounselNote({
  what,
  why,
  then,
  yes,
  no,
}: {
  readonly what: string;
  readonly why: string;
  readonly then: string | null;
  readonly yes: { readonly label: string; readonly run: () => void } | null;
  readonly no: { readonly label: string; readonly run: () => void } | null;
}) {
  return (
    <div className="max-w-prose border-s-4 border-crust ps-4">
      <p>
        <span className="font-semibold">{what}</span> {why}
      </p>
      {then && <p className="text-soft">{then}</p>}
      {(yes || no) && (
        <p className="mt-2 flex flex-wrap gap-2">
          {yes && <Button onClick={yes.run}>{yes.label}</Button>}
          {no && (
            <Button look="plain" onClick={no.run}>
              {no.label}
            </Button>
          )}
        </p>
      )}
    </div>
  );
}

/** A caution, said once. */
export function CautionNote({ text, onRead }: { readonly text: string; readonly onRead: () => void }) {
  return (
    <div className="flex max-w-prose flex-wrap items-center gap-x-3 border-s-4 border-water ps-4">
      <p className="min-w-60 flex-1">{text}</p>
      <Button look="plain" onClick={onRead}>
        {uiText.understood}
      </Button>
    </div>
  );
}
