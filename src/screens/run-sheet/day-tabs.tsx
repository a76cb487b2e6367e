"use client";
import { clsx } from "clsx";
import { minutesOf } from "@/core/run-sheet/lesson-time";
import type { RunSheet } from "@/core/run-sheet/schema";

/** The lessons, each with its minutes against the period. */
export function DayTabs({ sheet, at, onDay }: { sheet: RunSheet; at: number; onDay: (at: number) => void }) {
  return (
    <div role="tablist" aria-label="Lessons" className="flex min-w-0 flex-1 gap-1 overflow-x-auto">
      {sheet.days.map((day, nth) => {
        const minutes = minutesOf(day);
        const over = minutes - sheet.period;
        return (
          <button
            key={day.id}
            type="button"
            role="tab"
            aria-selected={nth === at}
            onClick={() => onDay(nth)}
            className={clsx(
              "w-52 shrink-0 rounded-t-card border-t-3 px-3 py-2 text-left text-[13px]",
              nth === at ? "border-ink bg-card" : "border-transparent hover:bg-card/60",
            )}
          >
            <span className="flex justify-between gap-2">
              <strong>Day {nth + 1}</strong>
              <span className={clsx("numbers", over > 0 && "font-semibold text-clay")}>
                {minutes} of {sheet.period}
                {over > 0 && `, ${over} over`}
              </span>
            </span>
            <span aria-hidden className="mt-1 block h-1 overflow-hidden rounded-full bg-line">
              <span
                className={clsx("block h-full", over > 0 ? "bg-clay" : "bg-green")}
                style={{ width: `${Math.min(100, (100 * minutes) / sheet.period)}%` }}
              />
            </span>
          </button>
        );
      })}
    </div>
  );
}
