import { sortedRows } from "./sort-rows";
import type { ResultTable } from "./table";

const saysState = { "not begun": "not begun", working: "at work", "handed in": "handed in" } as const;

/**
 * The table as rows of plain cells, the heading first: one student a row; for each question what was answered and the
 * marks (empty while a person has to read it). What came when a question's time was over stands in brackets.
 * `resultRows(table).map(([student]) => student)` gives `["Student", "Ana", "Bo"]`.
 */
export function resultRows(table: ResultTable): (string | number)[][] {
  const questions = table.questions.map((entry, at) => `${at + 1}. ${entry.label}`);
  const heading = [
    "Student",
    "State",
    "Try",
    "Marks",
    "Out of",
    "To read",
    "Blank",
    "Minutes",
    ...questions.flatMap((name) => [name, `${name}: marks`]),
  ];
  const rows = table.rows.map((row) => [
    row.student.name,
    saysState[row.state],
    row.tryNumber ?? "",
    row.state === "not begun" ? "" : row.marks,
    row.outOf,
    row.toRead,
    row.blanks,
    row.minutes,
    ...table.questions.flatMap((entry) => {
      const cell = row.cells[entry.id];
      if (!cell) return ["", ""];
      const late = cell.late && `(when the time was over${cell.lateCounts ? ", counted" : ""}: ${cell.late})`;
      return [[cell.said, late].filter(Boolean).join(" "), cell.mark.marks ?? ""];
    }),
  ]);
  return [heading, ...rows];
}

/**
 * The same table with numbers for names. The best come first: in the order of the class a number would be as good as a name.
 * `withoutNames(table).rows.map(({ student }) => student.id)` gives `[2, 1]`.
 */
export const withoutNames = (table: ResultTable): ResultTable => ({
  ...table,
  rows: sortedRows(table.rows, { column: "marks" }, true).map((row, at) => ({
    ...row,
    student: { ...row.student, name: `Student ${at + 1}` },
  })),
});
