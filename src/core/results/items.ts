import { formatAnswer, formatResponse } from "../question/format";
import { readByPerson } from "../question/mark";
import type { Question } from "../question/question";
import {
  FEWEST_STUDENTS,
  mean,
  middleHalf,
  pointBiserial,
  strongerAndWeaker,
  testStatistics,
  wilson,
  type TestStatistics,
} from "./statistics";
import type { ResultRow, ResultTable } from "./table";

/** One answer that was given, and by whom. */
export interface ChosenAnswer {
  /** In words; "" for none. */
  said: string;
  right: boolean;
  students: { id: number; name: string }[];
  /** How many of the stronger and of the weaker gave it; null where the two are not compared. */
  stronger: number | null;
  weaker: number | null;
}

/** What is to be noticed about a question. */
export type Finding =
  | { kind: "nearly all right" }
  | { kind: "nearly all wrong" }
  | { kind: "best chose another"; said: string; stronger: number; of: number }
  | { kind: "two may be right"; said: string; stronger: number; of: number; weaker: number; ofWeaker: number }
  | { kind: "the wrong way" }
  | { kind: "tells little" }
  | { kind: "nobody chose"; said: string[] }
  | { kind: "most left it blank"; blank: number }
  | { kind: "took long"; times: number };

/** How a question did its work. Figures are null where there are too few children, or nothing to tell apart. */
export interface Item {
  id: string;
  /** Its number, from 1. */
  nth: number;
  question: Question;
  label: string;
  /** Left out by the teacher: it counts for nobody. */
  voided: boolean;
  /** Children who handed in and have the question. */
  asked: number;
  right: number;
  blank: number;
  /** Marks gained of those there were, 0 to 1. */
  difficulty: number | null;
  /** Where the share of right answers truly lies, 95 times in 100. */
  between: [number, number] | null;
  /** With the rest of the work (corrected point-biserial), -1 to 1. */
  tellsApart: number | null;
  /** Marks gained by the stronger and by the weaker 27 in 100, each 0 to 1. */
  groups: { stronger: number; weaker: number } | null;
  seconds: { median: number; from: number; to: number } | null;
  answers: ChosenAnswer[];
  findings: Finding[];
}

export interface Analysis {
  /** Children who have handed in. */
  students: number;
  items: Item[];
  /** How many marks there are. */
  outOf: number;
  /** Of all questions that have marks; null for fewer than five children. */
  test: TestStatistics | null;
  /** How many there are in the groups that are compared. */
  compared: { stronger: number; weaker: number } | null;
}

/** Common practice, here and below: at these shares a question tells nothing more about who has understood. */
const NEARLY = 0.95;
const NEARLY_NONE = 0.1;
const MOST_BLANK = 0.5;
/** A wrong answer that this many of the strongest give, and more of them than of the weakest, may be right as well. */
const MAY_BE_RIGHT = 0.3;
const TIMES_AS_LONG = 3;
/** Below this a question tells the stronger and the weaker hardly apart (Ebel 1965). */
const TELLS_LITTLE = 0.2;
/** Longer lists are of answers typed freely: those given most are shown. */
const MOST_ANSWERS = 8;

/** The options of a question in words, so that one nobody chose is there as well; empty where answers are free. */
function optionsOf(question: Question, languages: readonly string[]): string[] {
  if (question.type !== "choice" && question.type !== "poll") return [];
  return question.options.map(({ id }) => formatResponse(question, id, languages));
}

function answersTo(
  question: Question,
  rows: readonly ResultRow[],
  groups: { stronger: ReadonlySet<number>; weaker: ReadonlySet<number> } | null,
): ChosenAnswer[] {
  const languages = Object.keys(question.prompt);
  const key = question.type === "choice" ? formatAnswer(question, languages) : null;
  const found = new Map<string, ChosenAnswer>();
  const entry = (said: string, right: boolean): ChosenAnswer => {
    const there = found.get(said);
    if (there) return there;
    const count = groups ? 0 : null;
    const fresh: ChosenAnswer = { said, right, students: [], stronger: count, weaker: count };
    found.set(said, fresh);
    return fresh;
  };
  const options = optionsOf(question, languages);
  for (const said of options) entry(said, said === key);
  for (const { student, cells } of rows) {
    const cell = cells[question.id];
    if (!cell) continue;
    const one = entry(cell.said, cell.mark.verdict === "right");
    one.students.push(student);
    if (groups?.stronger.has(student.id)) one.stronger! += 1;
    if (groups?.weaker.has(student.id)) one.weaker! += 1;
  }
  for (const one of found.values()) one.students.sort((a, b) => (a.name < b.name ? -1 : 1));
  const all = [...found.values()];
  if (options.length > 0) return all;
  return all
    .sort((one, other) => other.students.length - one.students.length || (one.said < other.said ? -1 : 1))
    .slice(0, MOST_ANSWERS);
}

function findingsOf(item: Omit<Item, "findings">, compared: Analysis["compared"], usual: number | null): Finding[] {
  const found: Finding[] = [];
  const { asked, blank, difficulty, answers, seconds, groups } = item;
  if (difficulty === null) return [];
  const wrong = answers.filter(({ said, right }) => !right && said !== "");
  const key = answers.filter(({ right }) => right).reduce((sum, one) => sum + (one.stronger ?? 0), 0);
  if (compared && groups) {
    const best = wrong.reduce<ChosenAnswer | null>(
      (most, one) => (one.stronger! > (most?.stronger ?? 0) ? one : most),
      null,
    );
    const [of, ofWeaker] = [compared.stronger, compared.weaker];
    if (best && best.stronger! > key && best.stronger! > 1)
      found.push({ kind: "best chose another", said: best.said, stronger: best.stronger!, of });
    else if (
      best &&
      best.stronger! > 1 &&
      best.stronger! / of >= MAY_BE_RIGHT &&
      best.stronger! / of > best.weaker! / ofWeaker
    )
      found.push({
        ...{ kind: "two may be right", said: best.said, stronger: best.stronger!, of },
        ...{ weaker: best.weaker!, ofWeaker },
      });
    else if (item.tellsApart !== null && item.tellsApart < 0 && groups.stronger < groups.weaker)
      found.push({ kind: "the wrong way" });
  }
  if (blank / asked >= MOST_BLANK) found.push({ kind: "most left it blank", blank });
  else if (difficulty >= NEARLY) found.push({ kind: "nearly all right" });
  else if (difficulty <= NEARLY_NONE) found.push({ kind: "nearly all wrong" });
  const never = wrong.filter(({ students }) => students.length === 0).map(({ said }) => said);
  if (never.length > 0 && asked >= 20) found.push({ kind: "nobody chose", said: never });
  if (seconds && usual !== null && usual > 0 && seconds.median >= TIMES_AS_LONG * usual)
    found.push({ kind: "took long", times: Math.round(seconds.median / usual) });
  if (found.length === 0 && item.tellsApart !== null && item.tellsApart < TELLS_LITTLE)
    found.push({ kind: "tells little" });
  return found;
}

/**
 * Whether the questions of a piece of work were any good, from what was handed in. Nothing depends on the order of children.
 *
 *     analyse(resultTable(works, "last")).items[4].findings // [{ kind: "best chose another", said: "at 6:35", … }]
 */
export function analyse(table: ResultTable): Analysis {
  const rows = table.rows.filter(({ state }) => state === "handed in");
  const enough = rows.length >= FEWEST_STUDENTS;
  const counted = table.questions.filter(({ id }) => rows.some(({ cells }) => (cells[id]?.mark.outOf ?? 0) > 0));
  const marked = counted.filter(({ id }) =>
    rows.every(({ cells }) => cells[id] === undefined || cells[id].mark.marks !== null),
  );
  const scores = rows.map(({ cells }) => marked.map(({ id }) => cells[id]?.mark.marks ?? 0));
  const totals = scores.map((row) => row.reduce((sum, one) => sum + one, 0));
  const groups = enough ? strongerAndWeaker(totals) : null;
  const ids = groups && {
    stronger: new Set(groups.stronger.map((at) => rows[at]!.student.id)),
    weaker: new Set(groups.weaker.map((at) => rows[at]!.student.id)),
  };
  const compared = ids && { stronger: ids.stronger.size, weaker: ids.weaker.size };
  const items = table.questions.map((entry, at): Omit<Item, "findings"> => {
    const { id, question, label } = entry;
    const have = rows.filter(({ cells }) => cells[id] !== undefined);
    const cells = have.map((row) => row.cells[id]!);
    const column = marked.indexOf(entry);
    const share = (of: typeof have) => mean(of.map(({ cells: own }) => own[id]!.mark.marks! / own[id]!.mark.outOf));
    const right = cells.filter(({ mark }) => mark.verdict === "right").length;
    const figures = have.length >= FEWEST_STUDENTS && column >= 0;
    const of = (which: ReadonlySet<number>) => have.filter(({ student }) => which.has(student.id));
    const split = figures && ids ? { stronger: of(ids.stronger), weaker: of(ids.weaker) } : null;
    return {
      ...{ id, nth: at + 1, question, label, asked: have.length, right },
      voided: cells.length > 0 && !readByPerson(question.type) && cells.every(({ mark }) => mark.outOf === 0),
      blank: cells.filter(({ mark }) => mark.verdict === "blank").length,
      difficulty: figures ? share(have) : null,
      between: figures ? wilson(right, have.length) : null,
      tellsApart: figures && marked.length > 1 ? pointBiserial(scores, column, true, totals) : null,
      groups:
        split && split.stronger.length > 0 && split.weaker.length > 0
          ? { stronger: share(split.stronger), weaker: share(split.weaker) }
          : null,
      seconds: enough ? middleHalf(cells.flatMap(({ seconds }) => (seconds === null ? [] : [seconds]))) : null,
      answers: answersTo(question, have, figures ? ids : null),
    };
  });
  const usual = middleHalf(items.flatMap(({ seconds }) => (seconds ? [seconds.median] : [])))?.median ?? null;
  return {
    students: rows.length,
    outOf: marked.reduce((sum, { id }) => sum + Math.max(0, ...rows.map(({ cells }) => cells[id]?.mark.outOf ?? 0)), 0),
    items: items.map((item) => ({ ...item, findings: enough ? findingsOf(item, compared, usual) : [] })),
    test: enough && marked.length > 0 ? testStatistics(scores) : null,
    compared,
  };
}
