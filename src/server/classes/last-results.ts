import { resultTable } from "@/core/results/table";
import { assignmentById } from "@/data/assign/assignments";
import { lastWorkOf } from "@/data/classes/groups";
import type { Queryable } from "@/data/engine/db";
import { workWithLastAnswers } from "@/data/results/work-of-class";

/** By student, the share of marks in the last piece of work that was due. */
export async function lastResultsOf(db: Queryable, classId: number, now: Date): Promise<Record<number, number>> {
  const last = await lastWorkOf(db, classId, now);
  if (last === null) return {};
  const assignment = (await assignmentById(db, last))!;
  const { rows } = resultTable(await workWithLastAnswers(db, last), assignment.keep);
  return Object.fromEntries(
    rows.flatMap((row) =>
      row.outOf > 0 && row.state !== "not begun" ? [[row.student.id, row.marks / row.outOf]] : [],
    ),
  );
}
