"use client";
import { stepTitle } from "@/core/resource/changes";
import { questionsOf, type Step } from "@/core/resource/document";
import type { Question } from "@/core/question/question";
import { useTranslations } from "use-intl";

/** The last page before handing in: what is still empty, each with a way back to it. */
export function BeforeHandIn({
  steps,
  languages,
  answered,
  busy,
  onGo,
  onHandIn,
}: {
  steps: readonly Step[];
  languages: readonly string[];
  answered: (question: Question) => boolean;
  busy: boolean;
  onGo: (at: number) => void;
  onHandIn: () => void;
}) {
  const t = useTranslations("work");
  const common = useTranslations("common");
  const blanks = steps.flatMap(questionsOf).filter((question) => !answered(question)).length;
  return (
    <div className="grid gap-4 rounded-card border-2 border-line bg-card p-7">
      <h2 className="text-2xl font-bold">{blanks === 0 ? t("allDone") : t("stillEmpty", { count: blanks })}</h2>
      {blanks > 0 && (
        <ul className="grid gap-2">
          {steps.map(
            (one, nth) =>
              questionsOf(one).some((question) => !answered(question)) && (
                <li key={one.id}>
                  <button
                    type="button"
                    onClick={() => onGo(nth)}
                    className="min-h-12 text-left underline underline-offset-4"
                  >
                    {t("backTo", { title: stepTitle(one, languages) })}
                  </button>
                </li>
              ),
          )}
        </ul>
      )}
      <button
        type="button"
        disabled={busy}
        onClick={onHandIn}
        className="min-h-14 rounded-card bg-green px-6 text-lg font-bold text-on-green disabled:opacity-50"
      >
        {busy ? common("moment") : t("handIn")}
      </button>
    </div>
  );
}
