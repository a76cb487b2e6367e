import { withoutAnswers } from "../question/without-answers";
import { withQuestions, type Document, type Step } from "./document";

/**
 * What of a document may leave the server for a student: no answers, no teacher's steps or notes. The same shape as the document, so
 * that one renderer serves students, previews and the light table; what is taken out is empty, not missing.
 * `studentStep(lesson.steps[1]).blocks[0].question.accepted` gives `[]`.
 */
export function studentStep(step: Step): Step {
  return withQuestions({ ...step, teacherNotes: undefined }, withoutAnswers);
}

/** What students are sent: no notes, no steps and no answers of the teacher's. `studentDocument(lesson).steps.length` gives `2`. */
export function studentDocument(document: Document): Document {
  return {
    ...document,
    teacherNotes: undefined,
    runSheet: undefined,
    steps: document.steps.filter((step) => step.audience !== "teacher").map(studentStep),
  };
}
