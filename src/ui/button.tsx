import { clsx } from "clsx";
import type { ComponentProps } from "react";

export type ButtonLook = "main" | "plain" | "brass" | "quiet" | "clay";

const looks: Record<ButtonLook, string> = {
  main: "bg-green text-on-green border-green hover:bg-green-deep hover:border-green-deep",
  plain: "bg-card text-ink border-line hover:border-line-strong",
  brass: "bg-card text-brass-text border-brass hover:bg-brass-wash",
  quiet: "border-transparent text-ink-soft hover:text-ink hover:bg-shade",
  clay: "bg-card text-clay border-clay hover:bg-clay-wash",
};

/** The classes of a button, for links that look like one. One `main` a screen. */
export function buttonClasses(look: ButtonLook = "plain", size: "small" | "usual" | "large" = "usual"): string {
  return clsx(
    "inline-flex shrink-0 items-center justify-center gap-2 rounded-card border font-semibold whitespace-nowrap disabled:opacity-50",
    size === "small" && "h-7 px-2 text-[13px]",
    size === "usual" && "h-9 px-3.5",
    size === "large" && "min-h-12 px-6 text-lg",
    looks[look],
  );
}

export function Button({
  look = "plain",
  size = "usual",
  className,
  ...rest
}: ComponentProps<"button"> & { look?: ButtonLook; size?: "small" | "usual" | "large" }) {
  return <button type="button" className={clsx(buttonClasses(look, size), className)} {...rest} />;
}
