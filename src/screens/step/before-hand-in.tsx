"use client";
import { stepTitle } from "@/core/resource/changes";
import { questionsOf, type Step } from "@/core/resource/document";
import type { Question } from "@/core/question/question";

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
  const blanks = steps.flatMap(questionsOf).filter((question) => !answered(question)).length;
  return (
    <div className="grid gap-4 rounded-card border-2 border-line bg-card p-7">
      <h2 className="text-2xl font-bold">
        {blanks === 0 ? "All done?" : `${blanks} ${blanks === 1 ? "question is" : "questions are"} still empty`}
      </h2>
      {blanks > 0 && (
        <ul className="grid gap-2">
          {steps.map(
            (one, nth) =>
              questionsOf(one).some((question) => !answered(question)) && (
                <li key={one.id}>
                  <button type="button" onClick={() => onGo(nth)} className="min-h-12 underline underline-offset-4">
                    Back to “{stepTitle(one, languages)}”
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
        {busy ? "One moment …" : "Hand it in"}
      </button>
    </div>
  );
}
