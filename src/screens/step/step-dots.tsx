"use client";
import { clsx } from "clsx";
import { stepTitle } from "@/core/resource/changes";
import type { Step } from "@/core/resource/document";
import { useTranslations } from "use-intl";

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
  const t = useTranslations("work");
  return (
    <ol className="flex gap-1.5" aria-label={t("steps")}>
      {steps.map((step, nth) => (
        <li key={step.id} className="flex-1">
          <button
            type="button"
            aria-current={nth === at ? "step" : undefined}
            aria-label={t(done(step) ? "stepDone" : "step", { number: nth + 1, title: stepTitle(step, languages) })}
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
