import { kindOf } from "./kinds";
import type { Question, ResponseValue } from "./question";

/** Responses and right answers as a person would write them down: for results, CSV and the light table. */

/** One line of text; "" for no answer. `formatResponse(question, "twice", ["en"])` gives `"twice"`. */
export const formatResponse = (
  question: Question,
  value: ResponseValue | undefined,
  languages: readonly string[],
): string => (value === undefined ? "" : kindOf(question).formatResponse(question as never, value as never, languages));

/** The right answer; for questions a person reads, what that means. `formatAnswer(question, ["en"])` gives `"twice"`. */
export const formatAnswer = (question: Question, languages: readonly string[]): string =>
  kindOf(question).formatAnswer(question as never, languages);
