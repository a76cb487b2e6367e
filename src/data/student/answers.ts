import type { Queryable } from "../engine/db";
import { OFTEN } from "../engine/often";

/**
 * What must be as it was when somebody was allowed to answer, as one text: whose the work is, which revision, from when to when,
 * on which days, after what, and that it was not called back. Needs `r` of recipient and `a` of assignment.
 */
export const workStamp = `md5(row(r.id, r.student_id, r.revision_id, r.own_due, r.own_closes, r.time_factor, a.opens, a.due, a.closes,
  a.open_days, a.step_ids, a.after_id, a.checking, a.called_back)::text)`;

/** One answer of a request. */
export interface SentOne {
  key: string;
  step: string;
  question: string;
  value: unknown;
  /** Milliseconds since it was written, by the device's own clock. */
  age: number;
  /** Keys of answers to the same question that left the same page before. */
  after: readonly string[];
}

/** What one device sends at one moment, read and found right. */
export interface SentTogether {
  /** The hash of the token of the session: it must still be there. */
  session: string;
  student: number;
  recipient: number;
  /** See workStamp. */
  stamp: string;
  /** Which try, from 1; it must be open. */
  number: number;
  at: Date;
  items: readonly SentOne[];
  /** What those who watch the work are told, at most 7,900 bytes. */
  notice: string;
}

/** What was kept of a request: all of it. */
export interface KeptTogether {
  attempt: number;
  /** By question, what was written later elsewhere and counts. */
  newer: Record<string, unknown>;
}

/**
 * Keeps the answers of many students in one statement. For each request, in the order given: what came of it, or null where the
 * session, the work or the try is not as it was; nothing of that request is kept then. A key that was sent before is kept once.
 * There is at most one request for a try in it. The notices go out when all of it is kept.
 *
 *     const [kept] = await keepTogether(db, [{ session, student, recipient, stamp, number: 1, at, items, notice }]);
 */
export async function keepTogether(db: Queryable, sent: readonly SentTogether[]): Promise<(KeptTogether | null)[]> {
  const rows = await db.query<{ nth: number } & KeptTogether>(keepStatement, [
    JSON.stringify(sent.map((request, nth) => ({ ...request, nth }))),
  ]);
  const kept = new Map(rows.map(({ nth, attempt, newer }) => [nth, { attempt, newer }]));
  return sent.map((_, nth) => kept.get(nth) ?? null);
}

// The first answer begins the first try. Tries are locked in the order of their ids, so that two processes never wait for each other. What was given before is read as it was
// before this statement, so what stands later than an answer was written elsewhere.
const keepStatement = `${OFTEN}
  with sent as materialized (
    select * from jsonb_to_recordset($1::jsonb)
      as s(nth int, session text, student int, recipient int, stamp text, number int, at timestamptz, items jsonb, notice text)),
  permitted as materialized (
    select s.*
      from sent s
      join session i on i.token_hash = s.session and i.person_id = s.student and i.expires > s.at
      join person p on p.id = s.student and p.active
      join recipient r on r.id = s.recipient and r.student_id = s.student
      join assignment a on a.id = r.assignment_id and a.called_back is null
     where ${workStamp} = s.stamp),
  begun as (
    insert into attempt (recipient_id, number, started)
    select p.recipient, 1, p.at from permitted p
     where p.number = 1 and not exists (select 1 from attempt t where t.recipient_id = p.recipient)
     order by p.recipient
    on conflict (recipient_id, number) do nothing
    returning id, recipient_id, started),
  going_on as materialized (
    select t.id, t.recipient_id, t.started
      from permitted p join attempt t on t.recipient_id = p.recipient and t.number = p.number and t.handed_in is null
     order by t.id
       for update of t),
  allowed as materialized (
    select p.nth, p.at, p.items, p.notice, t.id attempt, t.started
      from permitted p
      join (select * from begun union all select * from going_on) t on t.recipient_id = p.recipient),
  answers as materialized (
    select w.nth, w.attempt, w.at, i.key, i.step, i.question, i.value,
           greatest(least(w.at, greatest(w.started, w.at - make_interval(secs => round(i.age) / 1000))),
                    (select max(coalesce(e.written, e.given)) + interval '1 millisecond' from response e
                      where e.attempt_id = w.attempt and e.client_key = any(i.after))) written
      from allowed w, jsonb_to_recordset(w.items) as i(key text, step text, question text, value jsonb, age float8, after text[])),
  added as (
    insert into response (attempt_id, step_id, question_id, value, checked, late, given, written, client_key)
    select attempt, step, question, value, false, false, at, written, key from answers
    on conflict (attempt_id, client_key) do nothing)
  select w.nth, w.attempt, pg_notify('answers', w.notice),
         coalesce((
           select jsonb_object_agg(n.question, l.value)
             from answers n, lateral (
               select e.client_key, e.value, coalesce(e.written, e.given) at
                 from response e left join late_answer_counted c on c.response_id = e.id
                where e.attempt_id = n.attempt and e.question_id = n.question and (not e.late or c.response_id is not null)
                order by coalesce(e.written, e.given) desc, e.id desc limit 1) l
            where n.nth = w.nth and l.at > n.written
              and not exists (select 1 from answers own where own.nth = w.nth and own.key = l.client_key)), '{}') newer
    from allowed w`;
