import type { Question } from "../question";
import { mark } from "../mark";
import { readResponse } from "../read-response";
import { formatResponse } from "../format";

/** Answers as they lie in the database, where anything may lie: read, then marked or said, as the server does it. */
export const markStored = (question: Question, stored: unknown, language?: string) =>
  mark(question, readResponse(question, stored), language);

export const formatStored = (question: Question, stored: unknown, languages: readonly string[]) =>
  formatResponse(question, readResponse(question, stored), languages);
