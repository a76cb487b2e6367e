import { hers } from "../assign/assignments";
import type { Queryable } from "../engine/db";

/** What a child gained in a piece of work, in all of it (an empty code) or in what asks about one standard. */
export interface StudentOutcome {
  assignment: number;
  title: string;
  class: number;
  className: string;
  code: string;
  gained: number;
  outOf: number;
  minutes: number;
  at: Date;
  due: Date;
  goals: string[];
}

/** Work of a child that a teacher works with: it is judged before outcomes are read. */
export async function workOfStudent(db: Queryable, teacher: number, student: number, now: Date): Promise<number[]> {
  const rows = await db.query<{ id: number }>(
    `select a.id from recipient r join assignment a on a.id = r.assignment_id join class c on c.id = a.class_id
      where r.student_id = $3 and a.called_back is null and ${hers} order by a.id`,
    [teacher, now, student],
  );
  return rows.map(({ id }) => id);
}

/** Everything a child handed in of what a teacher works with, the first first. Goals are those the work is tracked under by now. */
export const outcomesOfStudent = (
  db: Queryable,
  teacher: number,
  student: number,
  now: Date,
): Promise<StudentOutcome[]> =>
  db.query(
    `select a.id assignment, f.facts ->> 'title' || coalesce(', ' || a.part, '') title, a.class_id class, c.name "className",
            o.code, o.gained::float8 gained, o.out_of::float8 "outOf", o.minutes::float8 minutes, o.handed_in at,
            coalesce(r.own_due, a.due) due, array(select g.tag from assignment_goal g where g.assignment_id = a.id order by g.tag) goals
       from outcome o join assignment a on a.id = o.assignment_id join class c on c.id = a.class_id
       join resource_facts f on f.resource_id = a.resource_id
       join recipient r on r.assignment_id = a.id and r.student_id = o.student_id
      where o.student_id = $3 and a.called_back is null and ${hers} order by o.handed_in, a.id, o.code`,
    [teacher, now, student],
  );

/** Says when a goal of a child counts as met; null: nothing is said. False: this child has no such goal. */
export async function setCriterion(
  db: Queryable,
  of: { student: number; goal: number; criterion: { share: number; times: number } | null },
): Promise<boolean> {
  const rows = await db.query(
    "update student_goal set share = $3, times = $4 where id = $2 and student_id = $1 returning id",
    [of.student, of.goal, of.criterion?.share ?? null, of.criterion?.times ?? null],
  );
  return rows.length > 0;
}
