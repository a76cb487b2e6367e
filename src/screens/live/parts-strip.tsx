"use client";
import { clsx } from "clsx";
import { Check, Play } from "lucide-react";
import { minutesUsed, type LessonState } from "@/core/live/lesson";
import { titleOf, type Document } from "@/core/resource/document";

const minutes = (value: number) => Math.round(value);

/** The steps in a row: minutes used of minutes planned, which is done, which is on; a press goes there. */
export function PartsStrip({
  document,
  planned,
  state,
  at,
  now,
  onGo,
}: {
  document: Document;
  /** Minutes of each step. */
  planned: readonly number[];
  /** Null: nobody leads, and no time is counted. */
  state: LessonState | null;
  at: number;
  now: number | null;
  onGo: (at: number) => void;
}) {
  const used = state && now !== null ? minutesUsed(state, now) : new Map<string, number>();
  const all = planned.reduce((sum, one) => sum + one, 0);
  const spent = [...used.values()].reduce((sum, one) => sum + one, 0);
  const soFar = planned.slice(0, at).reduce((sum, one) => sum + one, 0);
  const behind = minutes(spent - soFar - planned[at]!);
  return (
    <section aria-label="Steps and minutes" className="grid gap-2">
      <p className="numbers flex items-baseline gap-2 text-[13px]">
        <strong>
          Step {at + 1} of {document.steps.length}
        </strong>
        <span className="text-ink-soft">minutes used of minutes planned</span>
        {state && (
          <span className="ml-auto">
            <strong>{minutes(spent)}</strong> of {all} min used
            {state.phase === "running" && behind > 0 && (
              <span className="font-semibold text-clay"> · {behind} min behind</span>
            )}
          </span>
        )}
      </p>
      <ol className="flex gap-2 overflow-x-auto pb-1">
        {document.steps.map((step, nth) => {
          const here = nth === at;
          const spentHere = used.get(step.id) ?? 0;
          const share = Math.min(1, spentHere / Math.max(1, planned[nth]!));
          const over = spentHere > planned[nth]! + 0.5;
          return (
            <li key={step.id} className="min-w-28 flex-1">
              <button
                type="button"
                aria-current={here ? "step" : undefined}
                onClick={() => onGo(nth)}
                className={clsx(
                  "grid w-full gap-1 rounded-card border px-2.5 py-1.5 text-left",
                  here ? "border-2 border-ink bg-card" : "border-line hover:border-line-strong",
                )}
              >
                <span className="flex items-center gap-1 text-[12px] text-ink-soft">
                  {here ? <Play size={12} aria-hidden /> : spentHere > 0 && <Check size={12} aria-hidden />}
                  {step.work === "alone"
                    ? "Alone"
                    : step.work === "class"
                      ? "Class"
                      : step.work === "pairs"
                        ? "Pairs"
                        : "Groups"}
                  <span className={clsx("numbers ml-auto", over && "font-semibold text-clay")}>
                    {spentHere >= 0.5 && `${minutes(spentHere)} of `}
                    {planned[nth]}
                  </span>
                </span>
                <span
                  className="truncate text-[13px] font-semibold"
                  title={titleOf({ ...document, title: step.title })}
                >
                  {titleOf({ ...document, title: step.title })}
                </span>
                <span className="block h-1 bg-line">
                  <span
                    className={clsx("block h-full", over ? "bg-clay" : "bg-green")}
                    style={{ width: `${share * 100}%` }}
                  />
                </span>
              </button>
            </li>
          );
        })}
      </ol>
    </section>
  );
}
