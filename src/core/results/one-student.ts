import { formatResponse } from "../question/format";
import { mark, type Mark } from "../question/mark";
import type { Question, ResponseValue } from "../question/question";
import { readResponse } from "../question/read-response";
import { allQuestions, titleOf } from "../resource/document";
import { corrected } from "./correction";
import { keptTry, looksLikeItself, markTry, minutesWorked, type Cell, type Keep, type StudentWork } from "./table";

/** An answer as it was given at one moment. */
export interface GivenAnswer {
  at: Date;
  /** In words; "" for one that was taken away again. */
  said: string;
  mark: Mark;
  /** She let it be checked. */
  checked: boolean;
  /** Came too late, and whether it counts all the same. */
  late: boolean;
  counts: boolean;
}

export interface AnswerHistory {
  question: Question;
  /** Its number in the work, from 1. */
  nth: number;
  step: string;
  cell: Cell;
  /** What was drawn, photographed or spoken, as it was last. */
  made: ResponseValue | null;
  /** In the order they were given. */
  given: GivenAnswer[];
}

export interface TryHistory {
  number: number;
  startedAt: Date;
  handedInAt: Date | null;
  minutes: number;
  marks: number;
  outOf: number;
  /** It is the try that counts. */
  kept: boolean;
  answers: AnswerHistory[];
}

/** What came next within this many milliseconds is the same answer, still being written. */
const ON_ITS_WAY_MS = 10_000;

/** Of answers kept while they were being written, what each came to; what was checked stays. */
const settled = (given: readonly GivenAnswer[]): GivenAnswer[] =>
  given.filter(({ said, checked, at }, nth) => {
    const next = given[nth + 1];
    return !next || checked || (said !== next.said && next.at.getTime() - at.getTime() > ON_ITS_WAY_MS);
  });

/**
 * Everything one child did in one piece of work: every try, every answer as it was given, the time on each. The first try first.
 * `historyOf(works[0], "best").length` gives `1`.
 */
export function historyOf(work: StudentWork, keep: Keep): TryHistory[] {
  const { document, tries, corrections } = work;
  const { languages } = document;
  const kept = keptTry(document, tries, keep, corrections);
  return tries.map((one): TryHistory => {
    const marked = markTry(document, one, corrections);
    const answers = allQuestions(document).map(({ step, question }, at): AnswerHistory => {
      const mine = one.responses.filter((response) => response.question === question.id);
      const given = mine.map((response): GivenAnswer => {
        const value = readResponse(question, response.value);
        const said = formatResponse(question, value, languages);
        return {
          ...{ at: response.at, said, checked: response.checked },
          mark: corrected(mark(question, value, languages[0]), said, corrections?.[question.id]),
          late: response.cameLate ?? response.late,
          counts: !response.late,
        };
      });
      const last = mine.findLast(({ late }) => !late);
      return {
        ...{ question, nth: at + 1, step: titleOf({ title: step.title, languages }) },
        cell: marked.cells[question.id]!,
        made: looksLikeItself.has(question.type) ? (readResponse(question, last?.value) ?? null) : null,
        given: settled(given),
      };
    });
    const { number, startedAt, handedInAt } = one;
    return {
      ...{ number, startedAt, handedInAt, answers, marks: marked.marks, kept: one === kept },
      minutes: minutesWorked(one),
      outOf: marked.outOf,
    };
  });
}
