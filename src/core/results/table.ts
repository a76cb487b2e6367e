import { type QuestionType, type ResponseValue } from "../question/question";
import type { Document } from "../resource/document";
import { allQuestions, titleOf } from "../resource/document";
import type { Question } from "../question/question";
import { mark, personsMark, readByPerson, type Mark } from "../question/mark";
import { corrected, worth, type Corrections } from "./correction";
import { readResponse } from "../question/read-response";
import { formatResponse } from "../question/format";

/** What was kept about one student's one try. Responses are in the order they were given. */
export interface Try {
  number: number;
  startedAt: Date;
  handedInAt: Date | null;
  responses: {
    step: string;
    question: string;
    value: unknown;
    /** When it was written. */
    at: Date;
    checked: boolean;
    /** Came too late and does not count. */
    late: boolean;
    /** Came too late, whether the teacher lets it count or not. */
    cameLate?: boolean;
  }[];
  /**
   * When each of all answers was written, and to what, in this order: where `responses` has only the last to each question. Without it
   * `responses` are all there are.
   */
  trail?: readonly Written[] | undefined;
  /** Marks that people gave for answers only a person can mark, by question. */
  given?: Readonly<Record<string, Pick<Mark, "outOf"> & { marks: number }>> | undefined;
}

/** That something was answered, and when. */
export type Written = Pick<Try["responses"][number], "question" | "at" | "checked">;

/** What was written in a try in all, drafts too. */
const written = ({ responses, trail }: Pick<Try, "responses" | "trail">): readonly Written[] => trail ?? responses;

export interface StudentWork {
  student: { id: number; name: string };
  /** The revision this student works on, with answers. */
  document: Document;
  tries: Try[];
  /** What the teacher has changed about questions since. */
  corrections?: Corrections;
  /** How much more time she is allowed: 1.5 is half as long again. */
  factor?: number;
}

export type Keep = "best" | "last" | "first";

export interface Cell {
  mark: Mark;
  /** The answer in words. */
  said: string;
  /** The answer itself, where it is to be looked at or listened to and words say too little. */
  made: ResponseValue | null;
  /** How often it was checked or changed before it was right, or so far. */
  checks: number;
  /** Seconds until it was answered last, without pauses; null: it was not. */
  seconds: number | null;
  /** What was answered when its time was over, in words; it counts only where the teacher has said so. */
  late: string;
  lateCounts: boolean;
}

export interface ResultRow {
  student: { id: number; name: string };
  /** How much more time she is allowed than the others; 1: none. */
  factor: number;
  state: "not begun" | "working" | "handed in";
  /** Which try is shown, from 1; null when not begun. */
  tryNumber: number | null;
  tries: number;
  cells: Record<string, Cell>;
  marks: number;
  outOf: number;
  /** Answers a person still has to read. */
  toRead: number;
  blanks: number;
  /** Minutes between the first and the last answer, pauses of more than 5 minutes left out. */
  minutes: number;
  handedInAt: Date | null;
}

export interface ResultTable {
  questions: {
    id: string;
    step: string;
    label: string;
    question: Question;
    /** 0-1 of those who began; null if nobody. */ share: number | null;
  }[];
  rows: ResultRow[];
}

/** What is drawn, photographed or spoken is looked at or listened to: words say too little of it. */
export const looksLikeItself: ReadonlySet<QuestionType> = new Set(["sketch", "photo", "speech", "clip", "notePage"]);

const LONGEST_PAUSE_MINUTES = 5;

/**
 * The last response to each question that came in time; earlier ones stay in the record but do not count.
 * `lastResponses([{ question: "q", late: false, value: 1 }, { question: "q", late: false, value: 2 }]).get("q").value` gives `2`.
 */
export function lastResponses<Sent extends { question: string; late: boolean }>(
  responses: readonly Sent[],
): Map<string, Sent> {
  return new Map(responses.filter(({ late }) => !late).map((response) => [response.question, response]));
}

/** `minutesWorked({ startedAt: new Date("2026-12-01T09:00:00Z"), responses: [{ at: new Date("2026-12-01T09:04:00Z") }] })` gives `4`. */
export function minutesWorked(work: Pick<Try, "responses" | "trail" | "startedAt">): number {
  const moments = [work.startedAt, ...written(work).map((response) => response.at)]
    .map((at) => at.getTime())
    .sort((a, b) => a - b);
  let sum = 0;
  for (let at = 1; at < moments.length; at += 1) {
    const minutes = (moments[at]! - moments[at - 1]!) / 60_000;
    if (minutes <= LONGEST_PAUSE_MINUTES) sum += minutes;
  }
  return Math.round(sum * 10) / 10;
}

/**
 * Seconds spent on each question: from what was answered before it until its own answer, every time it was gone back to. Pauses of
 * more than 5 minutes count as nothing.
 * `[...secondsOn({ startedAt: new Date(0), responses: [{ question: "q", at: new Date(20_000) }] })]` gives `[["q", 20]]`.
 */
export function secondsOn(work: Pick<Try, "responses" | "trail" | "startedAt">): Map<string, number> {
  const seconds = new Map<string, number>();
  let before = work.startedAt.getTime();
  for (const { question, at } of [...written(work)].sort((one, other) => one.at.getTime() - other.at.getTime())) {
    const gap = (at.getTime() - before) / 1000;
    before = at.getTime();
    if (gap >= 0 && gap <= LONGEST_PAUSE_MINUTES * 60) seconds.set(question, (seconds.get(question) ?? 0) + gap);
  }
  return seconds;
}

/** The mark of one answer: by the rule, or by a person where only a person can say. */
function markOf(question: Question, value: ResponseValue | undefined, language: string, given: Try["given"]): Mark {
  const byPerson = readByPerson(question.type) ? given?.[question.id] : undefined;
  return byPerson ? personsMark(byPerson) : mark(question, value, language);
}

/** A try as it counts: every question with its mark. `markTry(lesson, works[1].tries[0]).marks` gives `1`. */
export function markTry(document: Document, work: Try, corrections: Corrections = {}) {
  const responses = lastResponses(work.responses);
  const late = new Map(
    work.responses.filter((one) => one.cameLate ?? one.late).map((response) => [response.question, response]),
  );
  const checks = new Map<string, number>();
  for (const { question, checked } of written(work)) if (checked) checks.set(question, (checks.get(question) ?? 0) + 1);
  const spent = secondsOn(work);
  const cells: Record<string, Cell> = {};
  for (const { question } of allQuestions(document)) {
    const value = readResponse(question, responses.get(question.id)?.value);
    const afterwards = late.get(question.id);
    const said = formatResponse(question, value, document.languages);
    cells[question.id] = {
      mark: corrected(markOf(question, value, document.languages[0]!, work.given), said, corrections[question.id]),
      said,
      made: looksLikeItself.has(question.type) ? (value ?? null) : null,
      checks: checks.get(question.id) ?? 0,
      seconds: spent.get(question.id) ?? null,
      late: afterwards ? formatResponse(question, readResponse(question, afterwards.value), document.languages) : "",
      lateCounts: afterwards !== undefined && !afterwards.late,
    };
  }
  const all = Object.values(cells);
  return {
    cells,
    marks: Math.round(all.reduce((sum, cell) => sum + (cell.mark.marks ?? 0), 0) * 100) / 100,
    outOf: allQuestions(document).reduce((sum, { question }) => {
      const { outOf: most, marks } = cells[question.id]!.mark;
      return sum + (readByPerson(question.type) && marks === null ? 0 : most);
    }, 0),
    toRead: all.filter((cell) => cell.mark.verdict === "to read").length,
    blanks: all.filter((cell) => cell.mark.verdict === "blank").length,
  };
}

/** The try that counts. Until one is handed in, the one being worked on. `keptTry(lesson, works[1].tries, "last").number` gives `1`. */
export function keptTry(
  document: Document,
  tries: readonly Try[],
  keep: Keep,
  corrections: Corrections = {},
): Try | undefined {
  const done = tries.filter((one) => one.handedInAt !== null);
  if (done.length === 0) return tries.at(-1);
  // Most have one: it need not be marked to be the best.
  if (done.length === 1) return done[0];
  const marksOf = (one: Try) => markTry(document, one, corrections).marks;
  if (keep === "first") return done[0];
  if (keep === "last") return done.at(-1);
  return done.reduce((best, one) => (marksOf(one) > marksOf(best) ? one : best));
}

function outOf(document: Document, corrections: Corrections = {}): number {
  return allQuestions(document).reduce(
    (sum, { question }) => sum + (readByPerson(question.type) ? 0 : worth(question.marks, corrections[question.id])),
    0,
  );
}

function rowOf(work: StudentWork, keep: Keep): ResultRow {
  const { student, document, tries, corrections } = work;
  const shown = keptTry(document, tries, keep, corrections);
  const base = { student, factor: work.factor ?? 1, tries: tries.length, outOf: outOf(document, corrections) };
  if (!shown) {
    return {
      ...base,
      state: "not begun",
      tryNumber: null,
      cells: {},
      marks: 0,
      toRead: 0,
      blanks: 0,
      minutes: 0,
      handedInAt: null,
    };
  }
  return {
    ...base,
    ...markTry(document, shown, corrections),
    state: tries.some((one) => one.handedInAt) ? "handed in" : "working",
    tryNumber: shown.number,
    minutes: minutesWorked(shown),
    handedInAt: shown.handedInAt,
  };
}

/**
 * Students by questions. Everything is recomputed from responses and revisions: nothing is stored that could disagree.
 * `resultTable(works, "best").rows.map(({ marks }) => marks)` gives `[0, 1]`.
 */
export function resultTable(works: readonly StudentWork[], keep: Keep): ResultTable {
  const rows = works.map((work) => rowOf(work, keep));
  const questions = new Map<string, ResultTable["questions"][number]>();
  for (const { document } of works) {
    for (const { step, question } of allQuestions(document)) {
      if (questions.has(question.id)) continue;
      const label = titleOf({ title: step.title, languages: document.languages });
      questions.set(question.id, { id: question.id, step: step.id, label, question, share: null });
    }
  }
  for (const entry of questions.values()) {
    const cells = rows
      .flatMap((row) => row.cells[entry.id] ?? [])
      .filter((cell) => cell.mark.marks !== null && cell.mark.outOf > 0);
    const answered = cells.filter((cell) => cell.mark.verdict !== "blank");
    if (answered.length > 0)
      entry.share = answered.reduce((sum, cell) => sum + cell.mark.marks! / cell.mark.outOf, 0) / answered.length;
  }
  return { questions: [...questions.values()], rows };
}
