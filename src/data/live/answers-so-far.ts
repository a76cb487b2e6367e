import type { Queryable } from "../engine/db";

/** One answer of somebody's last try. */
export interface AnswerSoFar {
  student: number;
  question: string;
  value: unknown;
  /** When it came, by the server's clock. */
  at: Date;
}

/** What was answered in everybody's last try, in the order it was written; nothing that came too late. */
export const answersSoFar = (db: Queryable, assignment: number): Promise<AnswerSoFar[]> =>
  db.query<AnswerSoFar>(
    `select r.student_id student, e.question_id question, e.value, e.given at
       from recipient r
       join attempt t on t.recipient_id = r.id
        and t.number = (select max(number) from attempt l where l.recipient_id = r.id)
       join response e on e.attempt_id = t.id
       left join late_answer_counted c on c.response_id = e.id
      where r.assignment_id = $1 and (not e.late or c.response_id is not null)
      order by coalesce(e.written, e.given), e.id`,
    [assignment],
  );

/** Who has handed the last try in. */
export async function handedInOf(db: Queryable, assignment: number): Promise<number[]> {
  const rows = await db.query<{ student: number }>(
    `select r.student_id student from recipient r join attempt t on t.recipient_id = r.id
      where r.assignment_id = $1 and t.handed_in is not null
        and t.number = (select max(number) from attempt l where l.recipient_id = r.id)`,
    [assignment],
  );
  return rows.map(({ student }) => student);
}

/** What each student answers to one question now, without who it was; also to one asked on the spot in a lesson. */
export async function chosenSoFar(
  db: Queryable,
  of: { assignment: number; lesson: number; question: string },
): Promise<unknown[]> {
  const rows = await db.query<{ value: unknown }>(
    `select distinct on (r.id) e.value
       from recipient r
       join attempt t on t.recipient_id = r.id
        and t.number = (select max(number) from attempt l where l.recipient_id = r.id)
       join response e on e.attempt_id = t.id and e.question_id = $2 and not e.late
      where r.assignment_id = $1
      order by r.id, coalesce(e.written, e.given) desc, e.id desc`,
    [of.assignment, of.question],
  );
  const quick = await db.query<{ value: unknown }>(
    "select value from quick_answer where lesson_id = $1 and question_id = $2 order by student_id",
    [of.lesson, of.question],
  );
  return [...rows, ...quick].map(({ value }) => value);
}
