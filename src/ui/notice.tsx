import { clsx } from "clsx";
import type { ReactNode } from "react";

const tones = { information: "border-slate", warning: "border-clay", mine: "border-brass", good: "border-green" };

/** A remark with a rule on its left. `warning` is announced when it appears. */
export function Notice({
  tone = "information",
  children,
  className,
}: {
  tone?: keyof typeof tones;
  children: ReactNode;
  className?: string;
}) {
  return (
    <div
      role={tone === "warning" ? "alert" : undefined}
      className={clsx("border-l-3 py-0.5 pl-3", tones[tone], className)}
    >
      {children}
    </div>
  );
}
