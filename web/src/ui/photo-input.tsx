import { useRef } from "react";
import { Button } from "./button";

/** A button that opens the camera of a phone, or asks for a file; the field itself is for readers and for tests. */
export function PhotoInput({
  label,
  said,
  busy,
  onChosen,
}: {
  /** Of the field, and what stands on the button. */
  readonly label: string;
  readonly said: string;
  readonly busy: boolean;
  readonly onChosen: (file: File | undefined) => void;
}) {
  const file = useRef<HTMLInputElement>(null);
  return (
    <>
      <input
        ref={file}
        type="file"
        accept="image/*"
        capture="environment"
        aria-label={label}
        className="sr-only"
        tabIndex={-1}
        onChange={(event) => {
          onChosen(event.target.files?.[0]);
          // The same one may be chosen again.
          event.target.value = "";
        }}
      />
      <Button disabled={busy} onClick={() => file.current?.click()}>
        {said}
      </Button>
    </>
  );
}
