import { standardsOf } from "../resource/aligned";
import type { Document } from "../resource/document";
import { FEWEST_STUDENTS, wilson } from "./statistics";
import type { ResultTable } from "./table";

/** What one child gained in what asks about a standard. */
export interface ChildsShare {
  student: { id: number; name: string };
  gained: number;
  outOf: number;
}

export interface StandardResult {
  code: string;
  /** Which questions ask about it, by their numbers from 1. */
  questions: number[];
  /** 0 to 1 of the marks; null below five children. */
  share: number | null;
  between: [number, number] | null;
  /** Who handed in and has something to gain in it, the weakest first. */
  children: ChildsShare[];
}

/**
 * A piece of work by the standards its questions ask about. What a person still reads counts nowhere.
 * `byStandard(table, { standards: [] })` gives `[]`.
 */
export function byStandard(table: ResultTable, document: Pick<Document, "standards">): StandardResult[] {
  const rows = table.rows.filter(({ state }) => state === "handed in");
  const codesOf = table.questions.map(({ question }) => standardsOf(document, question).map(({ code }) => code));
  return [...new Set(codesOf.flat())].map((code): StandardResult => {
    const asked = table.questions.filter((_, at) => codesOf[at]!.includes(code));
    const children = rows
      .map(({ student, cells }): ChildsShare => {
        const marks = asked.flatMap(({ id }) => {
          const mark = cells[id]?.mark;
          return mark && mark.marks !== null && mark.outOf > 0 ? [mark] : [];
        });
        return {
          student,
          gained: marks.reduce((sum, mark) => sum + mark.marks!, 0),
          outOf: marks.reduce((sum, { outOf }) => sum + outOf, 0),
        };
      })
      .filter(({ outOf }) => outOf > 0)
      .toSorted(
        (one, other) =>
          one.gained / one.outOf - other.gained / other.outOf || (one.student.name < other.student.name ? -1 : 1),
      );
    const outOf = children.reduce((sum, child) => sum + child.outOf, 0);
    const enough = children.length >= FEWEST_STUDENTS;
    const share = enough ? children.reduce((sum, { gained }) => sum + gained, 0) / outOf : null;
    return {
      ...{ code, share, children },
      questions: table.questions.flatMap((entry, at) => (asked.includes(entry) ? [at + 1] : [])),
      between: share === null ? null : wilson(share * children.length, children.length),
    };
  });
}
