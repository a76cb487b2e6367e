"use client";
import { clsx } from "clsx";
import { stepTitle } from "@/core/resource/changes";
import type { Step } from "@/core/resource/document";

/** The steps as a row of strokes to press: where one is, and which are done. */
export function StepDots({
  steps,
  at,
  done,
  onPick,
  languages,
}: {
  steps: readonly Step[];
  at: number;
  done: (step: Step) => boolean;
  onPick: (at: number) => void;
  languages: readonly string[];
}) {
  return (
    <ol className="flex gap-1.5" aria-label="Steps">
      {steps.map((step, nth) => (
        <li key={step.id} className="flex-1">
          <button
            type="button"
            aria-current={nth === at ? "step" : undefined}
            aria-label={`Step ${nth + 1}: ${stepTitle(step, languages)}${done(step) ? ", done" : ""}`}
            onClick={() => onPick(nth)}
            className="flex h-12 w-full items-center"
          >
            <span
              className={clsx("h-2.5 w-full rounded-full", nth === at ? "bg-ink" : done(step) ? "bg-green" : "bg-line")}
            />
          </button>
        </li>
      ))}
    </ol>
  );
}
