import type { Queryable } from "../engine/db";

/** A short note between the teacher and one child about one step. */
export interface StepNote {
  id: number;
  student: number;
  step: string;
  /** Whether the child wrote it; else a teacher. */
  mine: boolean;
  /** Who wrote it, as the other side calls them. */
  by: string;
  text: string;
  at: Date;
}

export const MOST_NOTES = 200;

const columns = `n.id, n.student_id student, n.step_id step, n.by_id = n.student_id mine,
  case when n.by_id = n.student_id then p.given_name else p.given_name || ' ' || p.family_name end by, n.text, n.at`;

/** The notes of an assignment, or of one child in it, in the order they were written. */
export const stepNotesOf = (db: Queryable, assignment: number, student: number | null = null): Promise<StepNote[]> =>
  db.query<StepNote>(
    `select ${columns} from step_note n join person p on p.id = n.by_id
      where n.assignment_id = $1 and ($2::int is null or n.student_id = $2) order by n.at, n.id`,
    [assignment, student],
  );

/** Writes one, and tells both sides. False where the school has switched notes off, the child has not this work, or there are too many. */
export async function addStepNote(
  db: Queryable,
  of: { assignment: number; student: number; step: string; by: number; text: string; at: Date },
): Promise<boolean> {
  const rows = await db.query(
    `with written as (
       insert into step_note (assignment_id, student_id, step_id, by_id, text, at)
       select a.id, r.student_id, $3, $4, $5, $6
         from assignment a join class c on c.id = a.class_id join school s on s.id = c.school_id
         join recipient r on r.assignment_id = a.id and r.student_id = $2
        where a.id = $1 and s.step_notes
          and (select count(*) from step_note n where n.assignment_id = a.id and n.student_id = $2) < ${MOST_NOTES}
       returning assignment_id, student_id)
     select pg_notify('note', assignment_id || ' ' || jsonb_build_object('student', student_id)) from written`,
    [of.assignment, of.student, of.step, of.by, of.text, of.at],
  );
  return rows.length > 0;
}

/** Whether a school lets teachers and children write notes. */
export async function notesAllowed(db: Queryable, school: number): Promise<boolean> {
  const [row] = await db.query<{ allowed: boolean }>("select step_notes allowed from school where id = $1", [school]);
  return row?.allowed ?? false;
}

/** The same, by an assignment of one of its classes. */
export async function notesAllowedWith(db: Queryable, assignment: number): Promise<boolean> {
  const [row] = await db.query<{ allowed: boolean }>(
    `select s.step_notes allowed from assignment a join class c on c.id = a.class_id join school s on s.id = c.school_id
      where a.id = $1`,
    [assignment],
  );
  return row?.allowed ?? false;
}

export async function allowNotes(tx: Queryable, school: number, allowed: boolean): Promise<void> {
  await tx.query("update school set step_notes = $2 where id = $1", [school, allowed]);
}
