import type { ResultRow } from "./table";

/** What the table of students is sorted by: the name first, each question by its id. */
export type SortBy =
  | { column: "name" }
  | { column: "state" }
  | { column: "marks" }
  | { column: "minutes" }
  | { column: "question"; question: string };

const places = { "not begun": 0, working: 1, "handed in": 2 } as const;

/** What stands in the column; null stays at the end whichever way it is sorted. */
function valueOf(row: ResultRow, by: SortBy): number | string | null {
  if (by.column === "name") return row.student.name;
  if (by.column === "state") return places[row.state];
  if (row.state === "not begun") return null;
  if (by.column === "marks") return row.outOf === 0 ? null : row.marks / row.outOf;
  if (by.column === "minutes") return row.minutes;
  const mark = row.cells[by.question]?.mark;
  return !mark || mark.marks === null || mark.outOf === 0 ? null : mark.marks / mark.outOf;
}

/**
 * The rows in another order; who is level stays by name. `down`: the highest first.
 * `sortedRows(table.rows, { column: "marks" }, true).map(({ student }) => student.name)` gives `["Bo", "Ana"]`.
 */
export function sortedRows(rows: readonly ResultRow[], by: SortBy, down: boolean): ResultRow[] {
  const byName = (one: ResultRow, other: ResultRow) => (one.student.name < other.student.name ? -1 : 1);
  return rows.toSorted((one, other) => {
    const [a, b] = [valueOf(one, by), valueOf(other, by)];
    if (a === null || b === null) return a === b ? byName(one, other) : a === null ? 1 : -1;
    return a === b ? byName(one, other) : (a < b ? -1 : 1) * (down ? -1 : 1);
  });
}

/** What a class or a group gained on average, of those who have begun. */
export interface Average {
  students: number;
  /** 0 to 1 of the marks there were; null where there were none. */
  share: number | null;
  minutes: number;
}

/** Of those who have begun; the share is of those whose work has marks. `averageOf([])` gives `{ students: 0, share: null, minutes: 0 }`. */
export function averageOf(rows: readonly ResultRow[]): Average {
  const begun = rows.filter(({ state }) => state !== "not begun");
  const marked = begun.filter(({ outOf }) => outOf > 0);
  const sum = (values: readonly number[]) => values.reduce((all, one) => all + one, 0);
  return {
    students: begun.length,
    share: marked.length === 0 ? null : sum(marked.map(({ marks, outOf }) => marks / outOf)) / marked.length,
    minutes: begun.length === 0 ? 0 : sum(begun.map(({ minutes }) => minutes)) / begun.length,
  };
}
