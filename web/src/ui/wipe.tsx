import { useState } from "react";

type Picture = { readonly src: string; readonly alt: string };

/** Two pictures in one frame, the earlier laid over the later as far as the slider says. */
export function Wipe({
  before,
  after,
  label,
}: {
  readonly before: Picture;
  readonly after: Picture;
  readonly label: string;
}) {
  const [share, setShare] = useState(50);
  return (
    <div className="flex max-w-full flex-col gap-2">
      <div className="relative max-w-full self-start overflow-hidden rounded-lg">
        <img src={after.src} alt={after.alt} className="block max-h-[70vh] max-w-full" />
        <img
          src={before.src}
          alt={before.alt}
          style={{ clipPath: `inset(0 ${100 - share}% 0 0)` }}
          className="absolute inset-0 size-full object-cover"
        />
        <span
          aria-hidden="true"
          style={{ left: `${share}%` }}
          className="absolute inset-y-0 w-[3px] -translate-x-1/2 bg-crust outline outline-1 outline-card"
        />
      </div>
      <input
        type="range"
        min={0}
        max={100}
        value={share}
        aria-label={label}
        onChange={(event) => setShare(Number(event.target.value))}
        className="h-11 w-full accent-crust"
      />
    </div>
  );
}
