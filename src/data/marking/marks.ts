import { standingMarks, type MarkEntry } from "@/core/marking/given-mark";
import type { Queryable } from "../engine/db";

/** Everything markers did with one piece of work, or with one student's of it. */
export const markEntries = (db: Queryable, assignment: number, student: number | null = null): Promise<MarkEntry[]> =>
  db.query(
    `select m.id::int id, r.student_id student, t.number, m.question_id question, m.at, m.kind, m.for_id "for",
            jsonb_build_object('id', p.id, 'name', p.given_name || ' ' || p.family_name) "by",
            m.marks::float8 marks, m.out_of::float8 "outOf", m.rubric_id rubric, m.levels, m.comment
       from recipient r join attempt t on t.recipient_id = r.id join mark_entry m on m.attempt_id = t.id
       join person p on p.id = m.by_id
      where r.assignment_id = $1 and ($2::int is null or r.student_id = $2) order by m.id`,
    [assignment, student],
  );

/** Of these pieces of work, those in which something of a student's was marked by a rubric. */
export async function markedByRubric(
  db: Queryable,
  student: number,
  assignments: readonly number[],
): Promise<number[]> {
  const rows = await db.query<{ id: number }>(
    `select distinct r.assignment_id id from recipient r join attempt t on t.recipient_id = r.id
       join mark_entry m on m.attempt_id = t.id
      where r.student_id = $1 and r.assignment_id = any($2::int[]) and m.rubric_id is not null order by 1`,
    [student, assignments],
  );
  return rows.map(({ id }) => id);
}

/** Marks people gave that count, by question, of each student's tries: "11 1" is the first of student 11. */
export async function countingMarks(
  db: Queryable,
  assignment: number,
): Promise<Map<string, Record<string, { marks: number; outOf: number }>>> {
  const found = new Map<string, Record<string, { marks: number; outOf: number }>>();
  for (const { student, number, question, counts } of standingMarks(await markEntries(db, assignment))) {
    if (!counts) continue;
    const key = `${student} ${number}`;
    const { marks, outOf } = counts;
    found.set(key, { ...found.get(key), [question]: { marks, outOf } });
  }
  return found;
}

export type NewMark = Pick<
  MarkEntry,
  "question" | "kind" | "for" | "marks" | "outOf" | "rubric" | "levels" | "comment"
> & {
  attempt: number;
  by: number;
  at: Date;
};

export async function addMark(tx: Queryable, of: NewMark): Promise<void> {
  await tx.query(
    `insert into mark_entry (attempt_id, question_id, by_id, at, kind, for_id, marks, out_of, rubric_id, levels, comment)
     values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11)`,
    [
      ...[of.attempt, of.question, of.by, of.at, of.kind, of.for, of.marks, of.outOf, of.rubric],
      ...[of.levels && JSON.stringify(of.levels), of.comment],
    ],
  );
}

/** A try that can be marked: its id and the revision it was done with; undefined: there is none, or it was not handed in. */
export async function triedWork(
  db: Queryable,
  of: { assignment: number; student: number; number: number },
): Promise<{ attempt: number; revision: number } | undefined> {
  const rows = await db.query<{ attempt: number; revision: number }>(
    `select t.id attempt, r.revision_id revision from attempt t join recipient r on r.id = t.recipient_id
      where r.assignment_id = $1 and r.student_id = $2 and t.number = $3 and t.handed_in is not null`,
    [of.assignment, of.student, of.number],
  );
  return rows[0];
}
