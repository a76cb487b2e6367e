import { inLanguage } from "@/core/content/language";
import { formatAnswer } from "@/core/question/format";
import { questionsOf, titleOf, type Document, type Step } from "@/core/resource/document";
import { Rich } from "../step/rich";

/** What the teacher wants to have in sight of a step: the answer, her notes, how they work, what is next. */
export function StepFacts({
  step,
  document,
  at,
  work,
}: {
  step: Step;
  document: Document;
  /** Its place among the steps, from 0. */
  at: number;
  work: string;
}) {
  const question = questionsOf(step)[0];
  const notes = inLanguage(step.teacherNotes, document.languages);
  const next = document.steps[at + 1];
  return (
    <dl className="grid grid-cols-[4.5rem_1fr] gap-x-3 gap-y-1 border-t border-line pt-2.5 text-[13px]">
      {question && (
        <>
          <dt className="font-semibold">Answer</dt>
          <dd>{formatAnswer(question, document.languages) || "read by you"}</dd>
        </>
      )}
      {notes && (
        <>
          <dt className="font-semibold">For you</dt>
          <dd>
            <Rich text={notes} />
          </dd>
        </>
      )}
      <dt className="font-semibold">They work</dt>
      <dd>{work}</dd>
      {next && (
        <>
          <dt className="font-semibold">Next</dt>
          <dd>{titleOf({ ...document, title: next.title })}</dd>
        </>
      )}
    </dl>
  );
}
