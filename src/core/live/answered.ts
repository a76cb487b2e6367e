import { formatResponse } from "../question/format";
import { mark, type Verdict } from "../question/mark";
import type { Question, ResponseValue } from "../question/question";

/** One answer as it arrives where a teacher watches. */
export interface Answered {
  question: string;
  verdict: Verdict;
  /** The answer in words, as far as there is room. */
  said: string;
  /** The answer itself, where it is short: for the chart of what was chosen. */
  value?: ResponseValue;
}

/** What is told when a student has answered. */
export interface AnswersNotice {
  student: number;
  /** Which try. */
  number: number;
  /** Milliseconds since 1970, by the server's clock. */
  at: number;
  answers: Answered[];
}

const LONGEST_SAID = 140;
const LONGEST_VALUE = 200;
/** What fits in a notice of PostgreSQL (8,000 bytes), with room for what stands before it. */
const LONGEST_NOTICE = 7_800;

/**
 * An answer as it is told. The mark is the one the table shows: the same question and answer always give the same.
 *
 *     answeredOf(question, "b", ["en"]) // { question: "q1", verdict: "right", said: "12 h 25 min", value: "b" }
 */
export function answeredOf(question: Question, value: ResponseValue, languages: readonly string[]): Answered {
  const said = formatResponse(question, value, languages);
  const short = JSON.stringify(value).length <= LONGEST_VALUE;
  return {
    question: question.id,
    verdict: mark(question, value, languages[0]).verdict,
    said: said.length > LONGEST_SAID ? `${said.slice(0, LONGEST_SAID - 1)}…` : said,
    ...(short && { value }),
  };
}

/**
 * The notice as text, the number of the assignment first; without what was answered where that is too long: the watcher reads again.
 * `answersNotice(7, null)` gives `"7 null"`.
 */
export function answersNotice(assignment: number, notice: AnswersNotice): string {
  const text = `${assignment} ${JSON.stringify(notice)}`;
  return new TextEncoder().encode(text).length <= LONGEST_NOTICE ? text : `${assignment} null`;
}
