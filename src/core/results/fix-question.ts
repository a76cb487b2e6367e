import type { Question } from "../question/question";
import type { Document, Step } from "../resource/document";
import type { Correction } from "./correction";

/** The same question with an answer more that is right, itself where it is right already; null: this kind of question cannot say it. */
function accepting(question: Question, said: string): Question | null {
  const is = (text: string) => text.trim().toLowerCase() === said.trim().toLowerCase();
  switch (question.type) {
    case "shortText":
      return question.accepted.some(({ text, share }) => share === 1 && is(text))
        ? question
        : { ...question, accepted: [...question.accepted.filter(({ text }) => !is(text)), { text: said, share: 1 }] };
    case "gaps": {
      // Of several gaps nobody can tell which was meant.
      const [gap, ...others] = question.gaps;
      if (!gap || others.length > 0) return null;
      if (gap.accepted.some(is)) return question;
      return { ...question, gaps: [{ ...gap, accepted: [...gap.accepted, said] }] };
    }
    default:
      return null;
  }
}

/** The same question as it was corrected; null: its kind cannot say it. */
const asCorrected = (question: Question, correction: Exclude<Correction, { kind: "void" }>): Question | null =>
  correction.kind === "accept"
    ? accepting(question, correction.said)
    : question.marks === correction.marks
      ? question
      : { ...question, marks: correction.marks };

/**
 * A document with a question as it was corrected after the fact, for the next time it is assigned. Left out, the question is gone from
 * its step. The document itself where it says so already.
 * `fixedDocument(lesson, "q", { kind: "void" }).steps[1].blocks` gives `[]`.
 * @returns null where it cannot be done: the question is not there, stops a film, or its kind allows no second right answer
 */
export function fixedDocument(document: Document, question: string, correction: Correction): Document | null {
  const step = document.steps.find(({ blocks }) =>
    blocks.some((block) => block.type === "question" && block.question.id === question),
  );
  const block = step?.blocks.find((one) => one.type === "question" && one.question.id === question);
  if (!step || block?.type !== "question") return null;
  const changed = correction.kind === "void" ? undefined : asCorrected(block.question, correction);
  if (changed === null) return null;
  if (changed === block.question) return document;
  const blocks: Step["blocks"] = step.blocks.flatMap((one) =>
    one !== block ? [one] : changed ? [{ ...block, question: changed }] : [],
  );
  return { ...document, steps: document.steps.map((one) => (one === step ? { ...step, blocks } : one)) };
}
