import type { Queryable } from "../engine/db";
import { removeEnrolments } from "./rosters";

export interface NamedThing {
  id: number;
  name: string;
}

/** The other schools of a school's district. */
export const schoolsBeside = (db: Queryable, school: number): Promise<NamedThing[]> =>
  db.query<NamedThing>(
    `select s.id, s.name from school s join school own on own.district_id = s.district_id
      where own.id = $1 and s.id <> $1 order by s.name, s.id`,
    [school],
  );

/** The classes a child is in that go on. */
export const classesOfChild = (db: Queryable, student: number): Promise<NamedThing[]> =>
  db.query<NamedThing>(
    `select c.id, c.name from enrolment e join class c on c.id = e.class_id
      where e.student_id = $1 and c.archived is null order by c.name, c.id`,
    [student],
  );

/**
 * Takes a child back from the school it was sent to. Its classes are put back when the rest is undone.
 * @returns false where it is not there any more, or is in a class there
 */
export async function takeBackChild(
  tx: Queryable,
  sent: { student: number; from: number; to: number },
): Promise<boolean> {
  const back = await tx.query(
    `update person set school_id = $2 where id = $1 and school_id = $3 and not exists (
       select 1 from enrolment e join class c on c.id = e.class_id where e.student_id = $1 and c.school_id = $3) returning id`,
    [sent.student, sent.from, sent.to],
  );
  return back.length > 0;
}

/**
 * A child goes to another school of the district: out of all classes and signed out, with everything there is of the child. What the old school's
 * teachers have of the work they gave stays with them.
 */
export async function moveChild(tx: Queryable, { student, to }: { student: number; to: number }): Promise<void> {
  const left = await tx.query<{ class: number; student: number }>(
    "select class_id class, student_id student from enrolment where student_id = $1",
    [student],
  );
  await removeEnrolments(tx, left);
  await tx.query("delete from session where person_id = $1", [student]);
  await tx.query("update person set school_id = $2 where id = $1", [student, to]);
}
