import type { ComponentProps } from "react";
import { Link } from "react-router";

type Look = "act" | "quiet" | "plain" | "alarm";

const BASE =
  "inline-flex min-h-11 items-center justify-center gap-2 rounded-lg py-2 text-base font-semibold no-underline transition-colors disabled:opacity-60";
const LOOKS: Record<Look, string> = {
  act: "px-5 bg-crust text-on-crust hover:bg-crust-deep",
  quiet: "px-5 border border-edge bg-card text-ink hover:border-crust hover:text-crust",
  plain: "px-3 text-crust underline-offset-4 hover:underline",
  alarm: "px-5 bg-alarm text-on-alarm hover:brightness-110",
};

type ButtonProps = ComponentProps<"button"> & { readonly look?: Look };

export function Button({ look = "quiet", className = "", type = "button", ...rest }: ButtonProps) {
  return <button type={type} className={`${BASE} ${LOOKS[look]} ${className}`} {...rest} />;
}

type ButtonLinkProps = ComponentProps<typeof Link> & { readonly look?: Look };

/** A link that looks like what it does. */
export function ButtonLink({ look = "quiet", className = "", ...rest }: ButtonLinkProps) {
  return <Link className={`${BASE} ${LOOKS[look]} ${className}`} {...rest} />;
}
