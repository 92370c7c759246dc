import type { ReactNode } from "react";

/** What the signs of a drawing mean. */
export function Legend({ children }: { readonly children: ReactNode }) {
  return <ul className="flex flex-wrap gap-x-6 gap-y-1 px-2 text-sm text-soft">{children}</ul>;
}

/** One of them, drawn 16 high and so wide, beside its words. */
export function Sign({
  words,
  wide = 16,
  children,
}: {
  readonly words: string;
  readonly wide?: number;
  readonly children: ReactNode;
}) {
  return (
    <li className="flex items-center gap-2">
      <svg width={wide} height="16" aria-hidden="true">
        {children}
      </svg>
      {words}
    </li>
  );
}

export function LookSign({ words }: { readonly words: string }) {
  return (
    <Sign words={words}>
      <circle cx="8" cy="8" r="4.500" fill="none" stroke="var(--ink)" strokeWidth="2" />
    </Sign>
  );
}
