"use client";
import { ArrowRight } from "lucide-react";
import type { Blank, Need } from "@/core/find/need";
import { formatBlank, formatCount, type Names } from "@/core/find/format";
import type { TrailStep } from "@/data/find/counts";

/** How the results became few: each number goes back to where it was said. */
export function Trail({
  trail,
  need,
  locale,
  names,
  onBack,
}: {
  names: Names;
  trail: readonly TrailStep[];
  need: Need;
  locale: string;
  onBack: (kept: Blank[]) => void;
}) {
  return (
    <ol className="flex flex-wrap items-center gap-x-2 text-[13px] text-ink-soft" aria-label="How it was narrowed">
      {trail.map((step, at) => {
        const last = at === trail.length - 1;
        const words = step.blank ? formatBlank(need, step.blank, names) : "in all";
        const number = (
          <span className={`numbers font-semibold ${last ? "text-green" : "text-ink"}`}>
            {formatCount(step.left, locale)}
          </span>
        );
        return (
          <li key={step.blank ?? "all"} className="flex items-center gap-2">
            {at > 0 && <ArrowRight size={12} aria-hidden />}
            {last ? (
              <span aria-live="polite" className="flex max-w-[min(30rem,calc(100vw-3rem))] min-w-0 gap-1">
                {number}{" "}
                <span className="truncate" title={words}>
                  {words}
                </span>
              </span>
            ) : (
              <button
                type="button"
                className="flex max-w-[20rem] gap-1 border-b border-line-strong hover:text-ink"
                title={`Back to: ${words}`}
                onClick={() => onBack(trail.slice(0, at + 1).flatMap((one) => (one.blank ? [one.blank] : [])))}
              >
                {number} <span className="truncate">{words}</span>
              </button>
            )}
          </li>
        );
      })}
    </ol>
  );
}
