import { FEWEST_STUDENTS, wilson } from "./statistics";

/** One piece of work as evidence about one statement in one class. */
export interface Evidence {
  assignment: number;
  title: string;
  class: number;
  /** The statement's id. */
  standard: number;
  opens: Date;
  due: Date;
  /** What was gained in what asks about the statement, by how many children; null: nothing yet. */
  result: { gained: number; outOf: number; students: number } | null;
}

/** How far a class is with a statement. */
export type Level = "nothing" | "planned" | "taught" | "too few" | "under half" | "half or more" | "done";
export const levels = [
  "done",
  "half or more",
  "under half",
  "too few",
  "taught",
  "planned",
  "nothing",
] as const satisfies readonly Level[];

export interface CoverageCell {
  level: Level;
  /** How often it is planned, was taught and was assessed. */
  planned: number;
  taught: number;
  assessed: number;
  /** Of the last result: 0 to 1, and where the true share may lie, 95 times in 100. Null below five children. */
  share: number | null;
  between: [number, number] | null;
  /** How many handed in the last one. */
  students: number;
  /** What it was counted from, the latest first. */
  evidence: Evidence[];
}

/** From these shares of marks on a statement counts as half there, and as done. Common practice. */
const HALF = 0.5;
const DONE = 0.8;

const levelOf = (share: number): Level => (share >= DONE ? "done" : share >= HALF ? "half or more" : "under half");

/**
 * What is known of one statement in one class, from the evidence only; the last result says how well.
 * `cellOf([], new Date()).level` gives `"nothing"`.
 */
export function cellOf(evidence: readonly Evidence[], now: Date): CoverageCell {
  const latest = evidence.toSorted(
    (one, other) => other.opens.getTime() - one.opens.getTime() || other.assignment - one.assignment,
  );
  const begun = latest.filter(({ opens }) => opens <= now);
  const assessed = begun.filter(({ result }) => result !== null && result.students > 0 && result.outOf > 0);
  const planned = latest.length - begun.length;
  const last = assessed[0]?.result;
  const enough = last && last.students >= FEWEST_STUDENTS;
  const share = enough ? last.gained / last.outOf : null;
  return {
    ...{ planned, taught: begun.length, assessed: assessed.length, share, evidence: latest },
    between: enough ? wilson(share! * last.students, last.students) : null,
    students: last?.students ?? 0,
    level:
      share !== null
        ? levelOf(share)
        : last
          ? "too few"
          : begun.length > 0
            ? "taught"
            : planned > 0
              ? "planned"
              : "nothing",
  };
}

/** By class, then by statement; statements nothing is known of are left out. */
export type Coverage = Readonly<Record<number, Readonly<Record<number, CoverageCell>>>>;

/**
 * Evidence sorted into one cell for each class and statement.
 * `coverageOf([{ class: 7, standard: 3, opens: new Date(0), due: new Date(1), result: null }], new Date(2))[7][3].level` gives `"taught"`.
 */
export function coverageOf(evidence: readonly Evidence[], now: Date): Coverage {
  const sorted = new Map<string, Evidence[]>();
  for (const one of evidence) {
    const key = `${one.class} ${one.standard}`;
    const there = sorted.get(key);
    if (there) there.push(one);
    else sorted.set(key, [one]);
  }
  const found: Record<number, Record<number, CoverageCell>> = {};
  for (const some of sorted.values()) {
    const { class: group, standard } = some[0]!;
    (found[group] ??= {})[standard] = cellOf(some, now);
  }
  return found;
}

export const nothingKnown: CoverageCell = cellOf([], new Date(0));

/** What is left before the term ends, against the lessons left. */
export interface Room {
  lessons: number;
  /** Statements that are not done. */
  open: number;
  /** Whole lessons there are for each of them, and how many are over; null: none is open. */
  each: number | null;
  over: number;
}

/** `roomLeft(7, [{ level: "done" }, { level: "nothing" }, { level: "nothing" }])` gives `{ lessons: 7, open: 2, each: 3, over: 1 }`. */
export function roomLeft(lessons: number, cells: readonly Pick<CoverageCell, "level">[]): Room {
  const open = cells.filter(({ level }) => level !== "done").length;
  return open === 0
    ? { lessons, open, each: null, over: lessons }
    : { lessons, open, each: Math.floor(lessons / open), over: lessons % open };
}

/** How many statements of a branch stand at each level. `countLevels([{ level: "done" }, { level: "done" }]).done` gives `2`. */
export function countLevels(cells: readonly Pick<CoverageCell, "level">[]): Record<Level, number> {
  const counts = Object.fromEntries(levels.map((level) => [level, 0])) as Record<Level, number>;
  for (const { level } of cells) counts[level] += 1;
  return counts;
}
