import type { Voice } from "@/core/review/voice";
import type { Queryable } from "../engine/db";

/** A piece as it is kept. What was answered is read from the try it belongs to. */
export interface KeptPiece {
  id: number;
  student: number;
  assignment: number;
  attempt: number;
  revision: number;
  steps: string[] | null;
  part: string | null;
  /** Null: all of the try. */
  question: string | null;
  year: number;
  handedIn: Date;
  why: string;
  voice: Voice | null;
  byChild: boolean;
}

/** Work that was called back is gone from it, and so is what stays between a child and the teacher. */
const stands = `p.taken_out is null and a.called_back is null and t.handed_in is not null
  and not coalesce((a.sharing ->> 'putAway')::boolean, false)`;

/** What a child has in the portfolio, the first put in first; only some of it where `ids` says which. */
export const piecesOf = (db: Queryable, student: number, ids: readonly number[] | null = null): Promise<KeptPiece[]> =>
  db.query(
    `select p.id, p.student_id student, a.id assignment, t.id attempt, r.revision_id revision, a.step_ids steps, a.part,
            p.question_id question, c.year, t.handed_in "handedIn", p.why, p.why_voice voice, p.put_in_by = p.student_id "byChild"
       from portfolio_piece p join attempt t on t.id = p.attempt_id join recipient r on r.id = t.recipient_id
       join assignment a on a.id = r.assignment_id join class c on c.id = a.class_id
      where p.student_id = $1 and ($2::int[] is null or p.id = any($2::int[])) and ${stands} order by p.put_in, p.id`,
    [student, ids],
  );

/** The assignments a child has put all of into it, the newest first. */
export async function mineOf(db: Queryable, student: number): Promise<number[]> {
  const rows = await db.query<{ assignment: number }>(
    `select r.assignment_id assignment from portfolio_piece p join attempt t on t.id = p.attempt_id
       join recipient r on r.id = t.recipient_id
      where p.student_id = $1 and p.question_id is null and p.taken_out is null order by p.put_in desc, p.id`,
    [student],
  );
  return rows.map(({ assignment }) => assignment);
}

/** What somebody may put in: the last try a child handed in of work that still stands. */
export async function tryToPutIn(
  db: Queryable,
  of: { student: number; assignment: number },
): Promise<{ attempt: number; revision: number; steps: string[] | null } | undefined> {
  const [row] = await db.query<{ attempt: number; revision: number; steps: string[] | null }>(
    `select t.id attempt, r.revision_id revision, a.step_ids steps
       from attempt t join recipient r on r.id = t.recipient_id join assignment a on a.id = r.assignment_id
      where r.student_id = $1 and a.id = $2 and t.handed_in is not null and a.called_back is null
        and not coalesce((a.sharing ->> 'putAway')::boolean, false)
      order by t.number desc limit 1`,
    [of.student, of.assignment],
  );
  return row;
}

/** Puts it in and says which piece it is; what is in already stays as it is. */
export async function putIn(
  db: Queryable,
  of: { student: number; attempt: number; question: string | null; by: number; at: Date },
): Promise<{ piece: number; already: boolean }> {
  // Writing it again gives the row that is there, also to the second of two who are as fast as each other.
  const [row] = await db.query<{ piece: number; already: boolean }>(
    `insert into portfolio_piece as p (student_id, attempt_id, question_id, put_in_by, put_in) values ($1, $2, $3, $4, $5)
     on conflict (attempt_id, coalesce(question_id, '')) where taken_out is null do update set put_in = p.put_in
     returning id piece, xmax <> 0 already`,
    [of.student, of.attempt, of.question, of.by, of.at],
  );
  return row!;
}

/** Takes a piece of a child's out, or (`null`) puts it back with what the child said about it. False: there is none. */
export async function setTakenOut(
  db: Queryable,
  of: { student: number; piece: number; at: Date | null },
): Promise<boolean> {
  const rows = await db.query(
    `update portfolio_piece p set taken_out = $3
      where id = $2 and student_id = $1 and (taken_out is null) = ($3::timestamptz is not null)
        and ($3::timestamptz is not null or not exists (select 1 from portfolio_piece o
              where o.attempt_id = p.attempt_id and o.question_id is not distinct from p.question_id and o.taken_out is null))
      returning id`,
    [of.student, of.piece, of.at],
  );
  return rows.length > 0;
}

/** Takes all pieces that are the whole of an assignment out. */
export async function takeOutWhole(
  db: Queryable,
  of: { student: number; assignment: number; at: Date },
): Promise<void> {
  await db.query(
    `update portfolio_piece p set taken_out = $3 from attempt t join recipient r on r.id = t.recipient_id
      where t.id = p.attempt_id and p.student_id = $1 and r.assignment_id = $2 and p.question_id is null and p.taken_out is null`,
    [of.student, of.assignment, of.at],
  );
}

/** Keeps why a child put it in. False: it is not there. */
export async function setWhy(
  db: Queryable,
  of: { student: number; piece: number; why: string; voice: Voice | null },
): Promise<boolean> {
  const rows = await db.query(
    `update portfolio_piece set why = $3, why_voice = $4 where id = $2 and student_id = $1 and taken_out is null returning id`,
    [of.student, of.piece, of.why, of.voice && JSON.stringify(of.voice)],
  );
  return rows.length > 0;
}

/** The names of all who were ever in a class with a child, and the child's own. */
export async function namesAround(db: Queryable, student: number): Promise<{ others: string[]; own: string[] }> {
  const rows = await db.query<{ id: number; name: string }>(
    `select distinct p.id, p.given_name || ' ' || p.family_name name from enrolment m
       join enrolment e on e.class_id = m.class_id join person p on p.id = e.student_id where m.student_id = $1
      union select id, given_name || ' ' || family_name from person where id = $1`,
    [student],
  );
  const of = (mine: boolean) => rows.filter(({ id }) => (id === student) === mine).map(({ name }) => name);
  return { others: of(false), own: of(true) };
}
