import type { Queryable } from "../engine/db";
import { OFTEN } from "../engine/often";

/** Where a student's screen is. */
export interface Place {
  student: number;
  step: string | null;
  since: Date | null;
  seen: Date | null;
  asked: Date | null;
}

/** Everybody's place in an assignment, with when each came to each step. */
export async function placesIn(
  db: Queryable,
  assignment: number,
): Promise<{ places: Place[]; visits: { student: number; step: string; came: Date }[] }> {
  const places = await db.query<Place>(
    "select student_id student, step_id step, since, seen, asked from place where assignment_id = $1",
    [assignment],
  );
  const visits = await db.query<{ student: number; step: string; came: Date }>(
    "select student_id student, step_id step, came from step_visit where assignment_id = $1",
    [assignment],
  );
  return { places, visits };
}

/**
 * Puts screens on a step, and says so. Who is there already keeps the moment she came. Null as step: they are only there. A student
 * who asked for help and goes on has got on.
 */
export async function putAt(
  db: Queryable,
  of: { assignment: number; students: readonly number[]; step: string | null; at: Date },
): Promise<void> {
  if (of.students.length === 0) return;
  await db.query(
    `${OFTEN} with put as (
       insert into place as p (assignment_id, student_id, step_id, since, seen)
       select $1, student, $3, case when $3::text is null then null else $4::timestamptz end, $4 from unnest($2::int[]) student
       on conflict (assignment_id, student_id) do update set
         seen = excluded.seen, step_id = coalesce(excluded.step_id, p.step_id),
         since = case when excluded.step_id is null or excluded.step_id = p.step_id then p.since else excluded.since end,
         asked = case when excluded.step_id is null or excluded.step_id = p.step_id then p.asked end),
     came as (
       insert into step_visit (assignment_id, student_id, step_id, came)
       select $1, student, $3, $4 from unnest($2::int[]) student where $3::text is not null
       on conflict do nothing)
     select pg_notify('place', $5)`,
    [of.assignment, of.students, of.step, of.at, placeNotice(of.assignment, { ...of, seen: true })],
  );
}

/** Whether a student asks for help now. */
export async function hasAsked(db: Queryable, assignment: number, student: number): Promise<boolean> {
  const rows = await db.query(
    "select 1 from place where assignment_id = $1 and student_id = $2 and asked is not null",
    [assignment, student],
  );
  return rows.length > 0;
}

/** Says whether a student asks for help. */
export async function setAsked(
  db: Queryable,
  of: { assignment: number; student: number; asked: boolean; at: Date },
): Promise<void> {
  await db.query(
    `with put as (
       insert into place as p (assignment_id, student_id, seen, asked) values ($1, $2, $4, case when $3 then $4::timestamptz end)
       on conflict (assignment_id, student_id) do update set asked = excluded.asked)
     select pg_notify('place', $5)`,
    [
      ...[of.assignment, of.student, of.asked, of.at],
      placeNotice(of.assignment, { students: [of.student], step: null, at: of.at, asked: of.asked }),
    ],
  );
}

/** These screens are still there. One statement for all a process holds. */
export async function stillThere(
  db: Queryable,
  screens: readonly { assignment: number; student: number }[],
  at: Date,
): Promise<void> {
  await db.query(
    `update place p set seen = $2 from jsonb_to_recordset($1::jsonb) as s(assignment int, student int)
      where p.assignment_id = s.assignment and p.student_id = s.student`,
    [JSON.stringify(screens), at],
  );
}

/** A screen has gone. */
export async function hasLeft(db: Queryable, of: { assignment: number; student: number; at: Date }): Promise<void> {
  await db.query(
    `with gone as (update place set seen = null where assignment_id = $1 and student_id = $2)
     select pg_notify('place', $3)`,
    [
      of.assignment,
      of.student,
      placeNotice(of.assignment, { students: [of.student], step: null, at: of.at, seen: false }),
    ],
  );
}

/** Who of those who have this work is there: their screens were heard of since. */
export async function thereSince(db: Queryable, assignment: number, since: Date): Promise<number[]> {
  const rows = await db.query<{ student: number }>(
    "select student_id student from place where assignment_id = $1 and seen >= $2",
    [assignment, since],
  );
  return rows.map(({ student }) => student);
}

function placeNotice(
  assignment: number,
  of: { students: readonly number[]; step: string | null; at: Date; seen?: boolean; asked?: boolean },
): string {
  const { students, step, at, seen, asked } = of;
  return `${assignment} ${JSON.stringify({ students, ...(step !== null && { step }), at: at.getTime(), seen, asked })}`;
}
