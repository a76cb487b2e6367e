import { kindOf } from "./kinds";
import type { Question, QuestionType, ResponseValue } from "./question";

export type Verdict = "right" | "partly" | "wrong" | "blank" | "to read";

/** What one answer earned. The same question and the same response always give the same mark. */
export interface Mark {
  verdict: Verdict;
  /** Between 0 and `outOf`, rounded to hundredths. Null when a person must read it. */
  marks: number | null;
  outOf: number;
  /** For questions with parts: which were right, by the id of the part. */
  parts: Record<string, boolean>;
  /** What a person who marked it said: the levels in words, and a comment. Either may be empty. */
  person?: { levels: string; comment: string };
}

/** Whether only a person can say how good an answer is. `readByPerson("longText")` gives `true`. */
export const readByPerson = (type: QuestionType): boolean => kindOf({ type }).mark === undefined;

/** Whether a person gives marks for it: a vote has none. `markedByPerson("poll")` gives `false`. */
export const markedByPerson = (type: QuestionType): boolean => readByPerson(type) && type !== "poll";

/** Whether there is nothing in a response at all. `isBlankResponse("shortText", " ")` gives `true`. */
export function isBlankResponse(type: QuestionType, value: unknown): boolean {
  if (value === undefined || value === null || value === "") return true;
  if (Array.isArray(value)) return value.length === 0;
  const { isBlank } = kindOf({ type });
  if (isBlank) return isBlank(value as never);
  if (typeof value === "string") return value.trim() === "";
  if (typeof value === "number") return false;
  return Object.values(value as Record<string, string>).every((text) => text.trim() === "");
}

const hundredths = (value: number) => Math.round(value * 100) / 100;

/**
 * Marks one response (undefined: no answer). `language` decides the decimal sign.
 *
 *   mark(question, "high water").marks // 1
 * `mark(question, "Twice").verdict` gives `"right"`.
 */
export function mark(question: Question, value: ResponseValue | undefined, language = "en"): Mark {
  const outOf = question.marks;
  const { mark: marker } = kindOf(question);
  if (value === undefined || isBlankResponse(question.type, value))
    return { verdict: "blank", marks: marker ? 0 : null, outOf, parts: {} };
  if (!marker) return { verdict: "to read", marks: null, outOf, parts: {} };
  const { share, parts } = marker(question as never, value as never, language);
  const whole = share > 1 - 1e-9;
  const earned = question.partial === "all" && !whole ? 0 : share;
  const verdict = whole ? "right" : earned > 0 ? "partly" : "wrong";
  return { verdict, marks: hundredths(earned * outOf), outOf, parts };
}

/**
 * The mark of a person, for an answer only a person can mark; as long as there are only words, it is still to be read.
 * `personsMark({ marks: 1, outOf: 2 }).verdict` gives `"partly"`.
 */
export function personsMark(given: { marks: number | null; outOf: number }, person?: Mark["person"]): Mark {
  const { marks, outOf } = given;
  const verdict = marks === null ? "to read" : marks >= outOf ? "right" : marks > 0 ? "partly" : "wrong";
  return { verdict, marks, outOf, parts: {}, ...(person && { person }) };
}
