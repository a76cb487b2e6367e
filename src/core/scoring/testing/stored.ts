import type { Question } from "../../resource/question";
import { mark } from "../mark";
import { readResponse } from "../read-response";
import { sayResponse } from "../say";

/** Answers as they lie in the database, where anything may lie: read, then marked or said, as the server does it. */
export const markStored = (question: Question, stored: unknown, language?: string) =>
  mark(question, readResponse(question, stored), language);

export const sayStored = (question: Question, stored: unknown, languages: readonly string[]) =>
  sayResponse(question, readResponse(question, stored), languages);
