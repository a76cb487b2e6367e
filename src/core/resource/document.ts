import { inLanguage } from "../content/language";
import type { Question } from "../question/question";
import type { Document, Step } from "./schema/document";

export type { Credit, Document, GradeSpan, Kind, Licence, Recording, Step, Subject } from "./schema/document";

/** `titleOf(lesson)` gives `"Tides"`. */
export function titleOf(document: Pick<Document, "title" | "languages">): string {
  return inLanguage(document.title, document.languages) || "Untitled";
}

/** The questions of a step in order; those a film stops for come with the film. `questionsOf(lesson.steps[1]).length` gives `1`. */
export function questionsOf(step: Pick<Step, "blocks">): Question[] {
  return step.blocks.flatMap((block) =>
    block.type === "question"
      ? [block.question]
      : block.type === "film"
        ? block.stops.toSorted((a, b) => a.at - b.at).flatMap(({ question }) => question ?? [])
        : [],
  );
}

/**
 * A step with each question put through `change`, those a film stops for too.
 * `withQuestions(lesson.steps[1], (one) => ({ ...one, marks: 3 })).blocks[0].question.marks` gives `3`.
 */
export const withQuestions = (step: Step, change: (question: Question) => Question): Step => ({
  ...step,
  blocks: step.blocks.map((block) =>
    block.type === "question"
      ? { ...block, question: change(block.question) }
      : block.type === "film"
        ? {
            ...block,
            stops: block.stops.map((stop) => (stop.question ? { ...stop, question: change(stop.question) } : stop)),
          }
        : block,
  ),
});

/**
 * The questions students answer, in order, with the step each belongs to.
 * `allQuestions(lesson).map(({ step }) => step.id)` gives `["ask"]`.
 */
export function allQuestions(document: Document): { step: Step; question: Question }[] {
  return document.steps
    .filter((step) => step.audience !== "teacher")
    .flatMap((step) => questionsOf(step).map((question) => ({ step, question })));
}
