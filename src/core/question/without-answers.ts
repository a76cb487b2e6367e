import { kindOf } from "./kinds";
import type { Question } from "./question";

/**
 * The same question as it may leave the server for a student: what is taken out is empty, not missing.
 * `withoutAnswers(question).accepted` gives `[]`.
 */
export const withoutAnswers = (question: Question): Question =>
  kindOf(question).withoutAnswers({ ...question, feedback: undefined, toCheck: undefined } as never);

/** A question whose time has not begun: that there is one, and nothing of what it asks. `veiled(question).prompt` gives `{}`. */
export const veiled = ({ id, marks, partial, checked, seconds }: Question): Question => ({
  id,
  marks,
  partial,
  checked,
  seconds,
  type: "longText",
  lines: 1,
  prompt: {},
});
