import { standardsOf } from "../resource/aligned";
import type { Document } from "../resource/document";
import { mustBeLookedAt } from "./format-item";
import type { Analysis, Item } from "./items";
import type { ResultTable } from "./table";

/** What children missed together. */
export type MissedWhat =
  { by: "answer"; nth: number; said: string } | { by: "question"; nth: number } | { by: "standard"; code: string };

/** Children who missed the same, and what would help. */
export interface Missed {
  what: MissedWhat;
  /** By name. */
  students: { id: number; name: string }[];
  /** Steps where it was asked, in order. */
  steps: string[];
  /** Codes of the standards it is about. */
  standards: string[];
}

/** Less than this share of the marks counts as missed: common practice. */
const MISSED = 0.5;
/** Nobody looks through more groups than this. */
const MOST_GROUPS = 12;
/** One child alone is no group. */
const FEWEST = 2;

const key = (students: Missed["students"]): string =>
  students
    .map(({ id }) => id)
    .sort((one, other) => one - other)
    .join(" ");

/** Who missed a whole standard needs most; the others come after. */
const last = ({ what }: Missed): number => (what.by === "standard" ? 0 : 1);

/** Which of the children who handed in gained less than half of the marks of these questions. */
function missing(rows: ResultTable["rows"], ids: readonly string[]): Missed["students"] {
  return rows.flatMap(({ student, cells }) => {
    const marks = ids.flatMap((id) => {
      const mark = cells[id]?.mark;
      return mark && mark.outOf > 0 && mark.marks !== null ? [{ got: mark.marks, of: mark.outOf }] : [];
    });
    const of = marks.reduce((sum, mark) => sum + mark.of, 0);
    return of > 0 && marks.reduce((sum, { got }) => sum + got, 0) / of < MISSED ? [student] : [];
  });
}

/**
 * Groups of children by what they missed: standards first, then questions and wrong answers, each the largest first. A question that has to be
 * looked at itself makes no group: it may be the question that is wrong. Where the same children missed the same in two ways, the
 * one that says most stays: the answer, then the standard, then the question.
 *
 *     missedTogether(table, analyse(table), document)[0] // { what: { by: "standard", code: "MA.5.M.2" }, students: [5], … }
 */
export function missedTogether(
  table: ResultTable,
  { items }: Pick<Analysis, "items">,
  document: Pick<Document, "standards">,
): Missed[] {
  const rows = table.rows
    .filter(({ state }) => state === "handed in")
    .toSorted((one, other) => (one.student.name < other.student.name ? -1 : 1));
  const sound = items.filter(({ voided, findings }) => !voided && !findings.some(mustBeLookedAt));
  const stepOf = new Map(table.questions.map(({ id, step }) => [id, step]));
  const codesOf = ({ question }: Item) => standardsOf(document, question).map(({ code }) => code);
  const about = (of: readonly Item[]): Pick<Missed, "steps" | "standards"> => ({
    steps: [...new Set(of.map(({ id }) => stepOf.get(id)!))],
    standards: [...new Set(of.flatMap(codesOf))],
  });
  const codes = [...new Set(sound.flatMap(codesOf))];
  const found: Missed[] = [
    ...sound.flatMap((item) => {
      const missed = new Set(missing(rows, [item.id]).map(({ id }) => id));
      return item.answers
        .filter(({ said, right }) => said !== "" && !right)
        .map(({ said, students }): Missed => {
          const common = students.filter(({ id }) => missed.has(id));
          return { what: { by: "answer", nth: item.nth, said }, students: common, ...about([item]) };
        });
    }),
    ...codes.flatMap((code): Missed[] => {
      const of = sound.filter((item) => codesOf(item).includes(code));
      if (of.length < 2) return [];
      const ids = of.map(({ id }) => id);
      return [{ what: { by: "standard", code }, students: missing(rows, ids), ...about(of), standards: [code] }];
    }),
    ...sound.map((item): Missed => ({
      ...{ what: { by: "question", nth: item.nth }, students: missing(rows, [item.id]) },
      ...about([item]),
    })),
  ];
  const seen = new Set<string>();
  return found
    .filter(({ students, steps }) => {
      if (students.length < FEWEST) return false;
      const same = `${key(students)} ${steps.join(" ")}`;
      if (seen.has(same)) return false;
      seen.add(same);
      return true;
    })
    .toSorted((one, other) => last(one) - last(other) || other.students.length - one.students.length)
    .slice(0, MOST_GROUPS);
}
