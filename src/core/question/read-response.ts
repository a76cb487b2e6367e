import type { Question, ResponseValue } from "./question";
import { responseSchemas } from "./schema";

/**
 * What was stored as the answer to a question; undefined for none, and for one that is not of the question's shape,
 * because the question was changed since.
 * `readResponse(question, 12)` gives `undefined`.
 */
export const readResponse = (question: Question, stored: unknown): ResponseValue | undefined =>
  responseSchemas[question.type].safeParse(stored).data;
