import type { ResultRow, ResultTable } from "./table";

/** What one child gained of the marks there were, 0 to 1, the first time and this time. */
export interface ComparedRow {
  student: { id: number; name: string };
  before: number;
  now: number;
}

export interface Comparison {
  /** How many questions both have; 0: none, and the whole is compared with the whole. */
  shared: number;
  /** Children who handed in both, in the order of the new table. */
  rows: ComparedRow[];
  better: number;
  worse: number;
}

/** A difference smaller than this is none: sums of shares are not exact. */
const NONE = 1e-9;

function shareOf({ cells }: ResultRow, questions: ReadonlySet<string> | null): number | null {
  const marks = Object.entries(cells).flatMap(([id, { mark }]) =>
    (questions === null || questions.has(id)) && mark.marks !== null && mark.outOf > 0 ? [mark] : [],
  );
  const of = marks.reduce((sum, { outOf }) => sum + outOf, 0);
  return of === 0 ? null : marks.reduce((sum, mark) => sum + mark.marks!, 0) / of;
}

/**
 * A result beside the earlier one it came after: by the questions both have, or, where they have none in common, by the share of
 * all marks. Only who handed in both is compared; nothing depends on the order of children or questions.
 * `compareResults(table, table).better` gives `0`.
 */
export function compareResults(before: ResultTable, now: ResultTable): Comparison {
  const ids = new Set(before.questions.map(({ id }) => id));
  const shared = now.questions.filter(
    ({ id }) => ids.has(id) && now.rows.some(({ cells }) => (cells[id]?.mark.outOf ?? 0) > 0),
  );
  const questions = shared.length > 0 ? new Set(shared.map(({ id }) => id)) : null;
  const first = new Map(before.rows.map((row) => [row.student.id, row]));
  const rows = now.rows.flatMap((row): ComparedRow[] => {
    const earlier = first.get(row.student.id);
    if (row.state !== "handed in" || earlier?.state !== "handed in") return [];
    const [was, is] = [shareOf(earlier, questions), shareOf(row, questions)];
    return was === null || is === null ? [] : [{ student: row.student, before: was, now: is }];
  });
  return {
    shared: shared.length,
    rows,
    better: rows.filter((row) => row.now > row.before + NONE).length,
    worse: rows.filter((row) => row.now < row.before - NONE).length,
  };
}
