import type { CheckingTime } from "@/core/question/question";
import type { Sharing } from "@/core/review/sharing";
import type { StepWork } from "@/core/resource/work";
import type { Keep } from "@/core/results/table";
import { one, type Queryable } from "../engine/db";
import { OFTEN } from "../engine/often";
import { workStamp } from "./answers";

/** One student's share of an assignment, as the student meets it. */
export interface OwnAssignment {
  recipient: number;
  assignment: number;
  class: number;
  className: string;
  teacher: string;
  revision: number;
  title: string;
  /** Hers, where she has other times than the class. */
  opens: Date;
  due: Date;
  closes: Date | null;
  /** Dates on which it is open, where not on every day. */
  openDays: string[] | null;
  /** What has to be handed in before this opens for her; null: nothing, or it is. */
  waitsFor: string | null;
  sharing: Sharing | null;
  /** Questions of hers that came back to be corrected. */
  sentBack: number;
  steps: string[] | null;
  part: string | null;
  stepWork: StepWork | null;
  factor: number;
  tries: number | null;
  keep: Keep;
  checking: CheckingTime;
  /** Tries begun; the last may still be open. */
  begun: number;
  lastHandedIn: Date | null;
  /** When the last try was begun. */
  lastBegun: Date | null;
  working: boolean;
  /** See workStamp in ./answers.ts. */
  stamp: string;
}

const assigned = `${workStamp} stamp,
  r.id recipient, a.id assignment, a.class_id class, c.name "className", p.given_name || ' ' || p.family_name teacher, r.revision_id revision,
  coalesce(v.document -> 'title' ->> (v.document -> 'languages' ->> 0), '') title,
  a.opens, coalesce(r.own_due, a.due) due, coalesce(r.own_closes, a.closes) closes,
  a.open_days "openDays", a.step_ids steps, a.part, a.step_work "stepWork", r.time_factor::float8 factor, a.tries,
  (select coalesce(bv.document -> 'title' ->> (bv.document -> 'languages' ->> 0), '') from recipient b
     join assignment ba on ba.id = b.assignment_id join revision bv on bv.id = b.revision_id
    where b.assignment_id = a.after_id and b.student_id = r.student_id and ba.called_back is null
      and not exists (select 1 from attempt t where t.recipient_id = b.id and t.handed_in is not null)) "waitsFor", a.keep, a.checking, a.sharing,
  (select count(*) from piece p where p.recipient_id = r.id and p.state = 'sent back' and not exists (
     select 1 from piece n where n.recipient_id = r.id and n.question_id = p.question_id and n.number > p.number)) "sentBack",
  (select count(*) from attempt t where t.recipient_id = r.id) begun,
  (select max(t.handed_in) from attempt t where t.recipient_id = r.id) "lastHandedIn",
  (select max(t.started) from attempt t where t.recipient_id = r.id) "lastBegun",
  exists (select 1 from attempt t where t.recipient_id = r.id and t.handed_in is null) working
  from recipient r join assignment a on a.id = r.assignment_id join class c on c.id = a.class_id
  join person p on p.id = a.made_by join revision v on v.id = r.revision_id`;

/** Closed, or handed in for good, before $3. What came back is never earlier work, and neither is what a lesson runs with. */
const earlier = `coalesce(
    coalesce(r.own_closes, a.closes) < $3
    or (select max(d) from unnest(a.open_days) d) < $3::date
    or (select bool_and(coalesce(t.handed_in < $3, false)) from attempt t where t.recipient_id = r.id), false)
  and not exists (select 1 from piece p where p.recipient_id = r.id and p.state = 'sent back')
  and not exists (select 1 from lesson l where l.assignment_id = a.id and l.ended is null)`;

const hers = `r.student_id = $1 and a.called_back is null and ($2::int is null or a.class_id = $2)`;

/**
 * What a student has been given and not called back; `onlyClass` for one who came in by that class's code; `since`: without what was
 * closed, or handed in for good, before then.
 */
export async function ownAssignments(
  db: Queryable,
  student: number,
  onlyClass: number | null,
  since = new Date(0),
): Promise<OwnAssignment[]> {
  return db.query<OwnAssignment>(
    `${OFTEN} select ${assigned} where ${hers} and not (${earlier})
      order by coalesce(r.own_due, a.due), a.position, a.id`,
    [student, onlyClass, since],
  );
}

/** How many pieces of work that leaves out. */
export const countEarlier = async (
  db: Queryable,
  student: number,
  onlyClass: number | null,
  since: Date,
): Promise<number> =>
  (
    await one<{ count: number }>(
      db,
      `${OFTEN} select count(*) count from recipient r join assignment a on a.id = r.assignment_id where ${hers} and ${earlier}`,
      [student, onlyClass, since],
    )
  ).count;

export async function ownAssignment(
  db: Queryable,
  student: number,
  assignment: number,
  onlyClass: number | null,
): Promise<OwnAssignment | undefined> {
  const rows = await db.query<OwnAssignment>(
    `${OFTEN} select ${assigned} where r.student_id = $1 and a.id = $3 and a.called_back is null and ($2::int is null or a.class_id = $2)`,
    [student, onlyClass, assignment],
  );
  return rows[0];
}

/** Whether a student has an assignment that was not called back; `onlyClass` as above. */
export async function hasAssignment(
  db: Queryable,
  student: number,
  assignment: number,
  onlyClass: number | null,
): Promise<boolean> {
  const rows = await db.query(
    `${OFTEN} select 1 from recipient r join assignment a on a.id = r.assignment_id
      where r.student_id = $1 and a.id = $3 and a.called_back is null and ($2::int is null or a.class_id = $2)`,
    [student, onlyClass, assignment],
  );
  return rows.length > 0;
}

/** When it was due for the last of those who have it. */
export async function dueForAll(db: Queryable, assignment: number): Promise<Date> {
  const { due } = await one<{ due: Date }>(
    db,
    `select greatest(a.due, (select max(r.own_due) from recipient r where r.assignment_id = a.id)) due
       from assignment a where a.id = $1`,
    [assignment],
  );
  return due;
}

/** Which of these somebody has begun, in the order given. */
export async function begunAmong(db: Queryable, assignments: readonly number[]): Promise<number[]> {
  const rows = await db.query<{ id: number }>(
    `select a.id from unnest($1::int[]) with ordinality a(id, nth)
      where exists (select 1 from recipient r join attempt t on t.recipient_id = r.id where r.assignment_id = a.id)
      order by nth`,
    [assignments],
  );
  return rows.map(({ id }) => id);
}

export interface Attempt {
  id: number;
  number: number;
  started: Date;
  handedIn: Date | null;
}

export async function attemptsOf(db: Queryable, recipient: number): Promise<Attempt[]> {
  return db.query<Attempt>(
    'select id, number, started, handed_in "handedIn" from attempt where recipient_id = $1 order by number',
    [recipient],
  );
}

/** The id of a student's try at an assignment, by its number. */
export async function attemptOf(
  db: Queryable,
  assignment: number,
  student: number,
  number: number,
): Promise<number | undefined> {
  const rows = await db.query<{ id: number }>(
    `select t.id from attempt t join recipient r on r.id = t.recipient_id
      where r.assignment_id = $1 and r.student_id = $2 and t.number = $3`,
    [assignment, student, number],
  );
  return rows[0]?.id;
}

/**
 * The open try, begun now if there is none and another is allowed; undefined when all tries are used. `number`: the try that is
 * meant, where that is known: one that was handed in begins no other.
 */
export async function openAttempt(
  tx: Queryable,
  of: { recipient: number; tries: number | null },
  now: Date,
  number: number | null = null,
): Promise<Attempt | undefined> {
  await tx.query("select 1 from recipient where id = $1 for update", [of.recipient]);
  const all = await attemptsOf(tx, of.recipient);
  const last = all.at(-1);
  if (last && !last.handedIn) return last;
  if (last && number !== null && number <= last.number) return undefined;
  if (of.tries !== null && all.length >= of.tries) return undefined;
  return one<Attempt>(
    tx,
    'insert into attempt (recipient_id, number, started) values ($1, $2, $3) returning id, number, started, handed_in "handedIn"',
    [of.recipient, all.length + 1, now],
  );
}

/** When questions that have a time were opened in a try. */
export async function questionsBegun(db: Queryable, attempt: number): Promise<Map<string, Date>> {
  const rows = await db.query<{ question: string; begun: Date }>(
    "select question_id question, begun from question_begun where attempt_id = $1",
    [attempt],
  );
  return new Map(rows.map(({ question, begun }) => [question, begun]));
}

/** Opens a question, once: opened again, it has its first moment. */
export async function beginQuestion(tx: Queryable, attempt: number, question: string, now: Date): Promise<Date> {
  await tx.query(
    "insert into question_begun (attempt_id, question_id, begun) values ($1, $2, $3) on conflict do nothing",
    [attempt, question, now],
  );
  const { begun } = await one<{ begun: Date }>(
    tx,
    "select begun from question_begun where attempt_id = $1 and question_id = $2",
    [attempt, question],
  );
  return begun;
}

export async function handIn(db: Queryable, attempt: number, now: Date): Promise<void> {
  await db.query("update attempt set handed_in = $2 where id = $1 and handed_in is null", [attempt, now]);
}

export interface SentResponse {
  key: string;
  step: string;
  question: string;
  value: unknown;
  checked: boolean;
  /** Came when the question's time was over, or the work was closed. */
  late: boolean;
  /** When the student wrote it; when it came, where it is not known. */
  written?: Date;
}

/**
 * Adds responses to an open try. One that was sent before (same key) is not added again. Returns false when the try has
 * been handed in: nothing is added then, but where something of it is `corrected`.
 */
export async function addResponses(
  tx: Queryable,
  attempt: number,
  responses: readonly SentResponse[],
  now: Date,
  corrected = false,
): Promise<boolean> {
  const open = await tx.query("select 1 from attempt where id = $1 and (handed_in is null or $2) for update", [
    attempt,
    corrected,
  ]);
  if (open.length === 0) return false;
  await tx.query(
    `insert into response (attempt_id, step_id, question_id, value, checked, late, given, written, client_key)
     select $1, g.step, g.question, g.value, g.checked, g.late, $3, g.written, g.key
       from jsonb_to_recordset($2::jsonb)
            as g(key text, step text, question text, value jsonb, checked boolean, late boolean, written timestamptz)
     on conflict (attempt_id, client_key) do nothing`,
    [attempt, JSON.stringify(responses), now],
  );
  return true;
}

/** When answers of a try were written, by their keys; those that have not come are not there. */
export async function writtenOf(tx: Queryable, attempt: number, keys: readonly string[]): Promise<Map<string, Date>> {
  if (keys.length === 0) return new Map();
  const rows = await tx.query<{ key: string; at: Date }>(
    "select client_key key, coalesce(written, given) at from response where attempt_id = $1 and client_key = any($2::text[])",
    [attempt, keys],
  );
  return new Map(rows.map(({ key, at }) => [key, at]));
}

export interface StoredResponse {
  id: number;
  attempt: number;
  step: string;
  question: string;
  value: unknown;
  checked: boolean;
  /** Came too late and does not count: the teacher has not said that it does. */
  late: boolean;
  /** Came too late, whether it counts or not. */
  cameLate: boolean;
  at: Date;
  key: string;
}

/** All that was answered in a try, in the order the student wrote it, whichever device sent it first. */
export async function responsesOf(db: Queryable, attempts: readonly number[]): Promise<StoredResponse[]> {
  return db.query<StoredResponse>(
    `select r.id, r.attempt_id attempt, r.step_id step, r.question_id question, r.value, r.checked,
            r.late and c.response_id is null late, r.late "cameLate", coalesce(r.written, r.given) at, r.client_key key
       from response r left join late_answer_counted c on c.response_id = r.id
      where r.attempt_id = any($1::int[]) order by coalesce(r.written, r.given), r.id`,
    [attempts],
  );
}

/**
 * Of each try the last answer to each question: the last that counts, and the last that came late. What was written before it stays
 * where it is: of an hour's work that is a hundred times as much.
 */
export async function lastResponsesOf(db: Queryable, attempts: readonly number[]): Promise<StoredResponse[]> {
  return db.query<StoredResponse>(
    `${OFTEN} select r.id, r.attempt_id attempt, r.step_id step, r.question_id question, r.value, r.checked,
            r.late and c.response_id is null late, r.late "cameLate", coalesce(r.written, r.given) at, r.client_key key
       from response r left join late_answer_counted c on c.response_id = r.id
      where r.id in (
        select distinct on (l.attempt_id, l.question_id, l.late, k.response_id is null) l.id
          from response l left join late_answer_counted k on k.response_id = l.id
         where l.attempt_id = any($1::int[])
         order by l.attempt_id, l.question_id, l.late, k.response_id is null, coalesce(l.written, l.given) desc, l.id desc)
      order by coalesce(r.written, r.given), r.id`,
    [attempts],
  );
}

/** Lets answers of a try that came late count, or no longer; those to one question. Returns how many there are. */
export async function countLate(
  tx: Queryable,
  of: { attempt: number; question: string; by: number; at: Date; counts: boolean },
): Promise<number> {
  const rows = of.counts
    ? await tx.query(
        `insert into late_answer_counted (response_id, by_id, at)
         select id, $3, $4 from response where attempt_id = $1 and question_id = $2 and late
         on conflict do nothing returning response_id`,
        [of.attempt, of.question, of.by, of.at],
      )
    : await tx.query(
        `delete from late_answer_counted c using response r
          where r.id = c.response_id and r.attempt_id = $1 and r.question_id = $2 returning c.response_id`,
        [of.attempt, of.question],
      );
  return rows.length;
}

/** Tells everyone who watches an assignment what was answered: see answersNotice. */
export async function announceAnswers(db: Queryable, notice: string): Promise<void> {
  await db.query("select pg_notify('answers', $1)", [notice]);
}

/**
 * Tells everyone who watches this assignment that something of it has changed: what is shown is to be read again. Where only one
 * `student` is concerned, the screens of the other children are left alone.
 */
export async function announceWork(db: Queryable, assignment: number, student: number | null = null): Promise<void> {
  const notice = student === null ? String(assignment) : `${assignment} ${JSON.stringify({ student })}`;
  await db.query("select pg_notify('work', $1)", [notice]);
}
