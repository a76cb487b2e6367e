"use client";
import { ArrowRight } from "lucide-react";
import { sayBlank, type Blank, type Need } from "@/core/find/need";
import type { TrailStep } from "@/data/search";

/** How the results became few: each number goes back to where it was said. */
export function Trail({
  trail,
  need,
  locale,
  onBack,
}: {
  trail: readonly TrailStep[];
  need: Need;
  locale: string;
  onBack: (kept: Blank[]) => void;
}) {
  return (
    <ol className="flex flex-wrap items-center gap-x-2 text-[13px] text-ink-soft" aria-label="How it was narrowed">
      {trail.map((step, at) => {
        const last = at === trail.length - 1;
        const words = step.blank ? sayBlank(need, step.blank) : "in all";
        const number = (
          <span className={`numbers font-semibold ${last ? "text-green" : "text-ink"}`}>
            {step.left.toLocaleString(locale)}
          </span>
        );
        return (
          <li key={step.blank ?? "all"} className="flex items-center gap-2">
            {at > 0 && <ArrowRight size={12} aria-hidden />}
            {last ? (
              <span aria-live="polite">
                {number} {words}
              </span>
            ) : (
              <button
                type="button"
                className="border-b border-line-strong hover:text-ink"
                title="Back to here"
                onClick={() => onBack(trail.slice(0, at + 1).flatMap((one) => (one.blank ? [one.blank] : [])))}
              >
                {number} {words}
              </button>
            )}
          </li>
        );
      })}
    </ol>
  );
}
