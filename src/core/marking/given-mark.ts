import type { Levels } from "./rubric";

/** One thing a marker did with one answer, as it is on record: nothing of it is ever changed, the next one stands instead. */
export interface MarkEntry {
  id: number;
  student: number;
  /** Which try, from 1. */
  number: number;
  question: string;
  by: { id: number; name: string };
  at: Date;
  /** "settled": from now on the mark of `for` counts. */
  kind: "marked" | "withdrawn" | "settled";
  for: number | null;
  /** Null: only words so far. */
  marks: number | null;
  outOf: number;
  rubric: number | null;
  levels: Levels | null;
  comment: string;
}

/** A mark that stands. */
export type GivenMark = MarkEntry & { marks: number };

/** What stands for one answer. */
export interface StandingMarks {
  student: number;
  number: number;
  question: string;
  /** What each marker gave or said last, the one who was first before the others. */
  all: MarkEntry[];
  /** The mark that counts; null: there is none. */
  counts: GivenMark | null;
}

/** Whether an entry gives a mark, and does not only say something. `isMark({ marks: null })` gives `false`. */
export const isMark = (entry: MarkEntry): entry is GivenMark => entry.marks !== null;

/**
 * What stands of everything markers did, answer by answer. The mark that counts is that of the marker it was settled on, else of
 * the one who marked first.
 * `standingMarks([{ id: 1, student: 7, number: 1, question: "q", by: { id: 3 }, kind: "marked", marks: 2 }])[0].counts.marks` gives `2`.
 */
export function standingMarks(entries: readonly MarkEntry[]): StandingMarks[] {
  const answers = new Map<string, MarkEntry[]>();
  for (const entry of entries.toSorted((one, other) => one.id - other.id)) {
    const key = `${entry.student} ${entry.number} ${entry.question}`;
    answers.set(key, [...(answers.get(key) ?? []), entry]);
  }
  return [...answers.values()].map((all) => {
    const { student, number, question } = all[0]!;
    const last = new Map<number, MarkEntry>();
    let settled: number | null = null;
    for (const entry of all) {
      if (entry.kind === "settled") settled = entry.for;
      // Who takes a mark back and marks again later comes after those who marked meanwhile.
      else if (entry.kind === "withdrawn") last.delete(entry.by.id);
      else last.set(entry.by.id, entry);
    }
    const stands = [...last.values()];
    const marks = stands.filter(isMark);
    const counts = marks.find(({ by }) => by.id === settled) ?? marks[0] ?? null;
    return { student, number, question, all: stands, counts };
  });
}

/** What a marker is shown of an answer. */
export interface SeenMarks extends StandingMarks {
  /** Who else has marked it, where she is not shown what they gave. */
  hidden: string[];
}

/**
 * What a marker sees of the others' marks: of an answer she has not marked herself, only that they are there. Two who mark the same
 * work are only worth comparing when neither knew what the other gave.
 * `seenBy([{ all: [{ by: { id: 3, name: "Ada" }, marks: 2 }] }], 4)[0].hidden` gives `["Ada"]`.
 */
export const seenBy = (standing: readonly StandingMarks[], marker: number): SeenMarks[] =>
  standing.map((one) => {
    if (one.all.some((entry) => entry.by.id === marker && isMark(entry))) return { ...one, hidden: [] };
    const [own, others] = [true, false].map((hers) => one.all.filter(({ by }) => (by.id === marker) === hers));
    return { ...one, all: own!, counts: null, hidden: others!.filter(isMark).map(({ by }) => by.name) };
  });
