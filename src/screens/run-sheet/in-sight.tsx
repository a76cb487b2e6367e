"use client";
import { inLanguage } from "@/core/content/language";
import { formatAnswer } from "@/core/question/format";
import { questionsOf, type Step } from "@/core/resource/document";
import { studentStep } from "@/core/resource/student-view";
import { Rich } from "../step/rich";
import { StepView } from "../step/step-view";

/** The step the script is at, as students see it; below it the answers and what stands there for the teacher. */
export function InSight({
  step,
  nth,
  of,
  languages,
}: {
  step: Step | null;
  nth: number;
  of: number;
  languages: readonly string[];
}) {
  if (!step) return <p className="text-[13px] text-ink-soft">This part belongs to no step of the resource.</p>;
  const questions = questionsOf(step);
  return (
    <>
      <h2 className="flex items-baseline gap-2 text-[13px] font-semibold">
        As students see it{" "}
        <span className="font-normal text-ink-soft">
          step {nth} of {of}
        </span>
      </h2>
      <div className="@container mt-2 rounded-card border border-line bg-card p-4 font-child text-[16px]" inert>
        {step.audience === "teacher" ? (
          <p className="text-[14px] text-ink-soft">Students do not see this step.</p>
        ) : (
          <StepView
            step={studentStep(step)}
            languages={languages}
            values={{}}
            marks={{}}
            onChange={() => undefined}
            readOnly
          />
        )}
      </div>
      {questions.length > 0 && (
        <section aria-label="Answers" className="mt-3 flex gap-3 text-[13px]">
          <h3 className="w-16 shrink-0 font-semibold">Answers</h3>
          <ol className="min-w-0 flex-1">
            {questions.map((question) => (
              <li key={question.id} className="[overflow-wrap:anywhere]">
                {formatAnswer(question, languages)}{" "}
                <span className="numbers text-ink-soft">
                  {question.marks === 1 ? "1 mark" : `${question.marks} marks`}
                </span>
              </li>
            ))}
          </ol>
        </section>
      )}
      {inLanguage(step.teacherNotes, languages) && (
        <section aria-label="For me" className="mt-2 flex gap-3 text-[13px]">
          <h3 className="w-16 shrink-0 font-semibold">For me</h3>
          <Rich text={inLanguage(step.teacherNotes, languages)} className="min-w-0 flex-1" />
        </section>
      )}
    </>
  );
}
