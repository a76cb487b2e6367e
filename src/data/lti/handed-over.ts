import type { Queryable } from "../engine/db";

/** What an item was when it went over: compared with what is there now, and with what it is here now. */
export interface SentItem {
  title: string;
  /** ISO 8601; null: no date. */
  opens: string | null;
  due: string | null;
  /** A hash of its page, its questions and its files. */
  content: string;
  /** A hash of its page as the course gave it back when it had taken it; null: it does not say. */
  page?: string | null;
}

export interface HandedOver {
  item: string;
  assignment: number | null;
  lineItemUrl: string | null;
  sent: SentItem;
  sentAt: Date;
}

export const handedOver = (db: Queryable, course: number): Promise<HandedOver[]> =>
  db.query<HandedOver>(
    `select item, assignment_id assignment, line_item_url "lineItemUrl", sent, sent_at "sentAt" from handed_over
      where course_id = $1 order by item`,
    [course],
  );

export async function noteHandedOver(
  db: Queryable,
  course: number,
  item: Omit<HandedOver, "sentAt"> & { by: number; at: Date },
): Promise<void> {
  await db.query(
    `insert into handed_over (course_id, item, assignment_id, line_item_url, sent, sent_at, by_id)
     values ($1, $2, $3, $4, $5::jsonb, $6, $7)
     on conflict (course_id, item) do update set assignment_id = excluded.assignment_id, sent = excluded.sent,
       line_item_url = coalesce(excluded.line_item_url, handed_over.line_item_url), sent_at = excluded.sent_at, by_id = excluded.by_id`,
    [course, item.item, item.assignment, item.lineItemUrl, JSON.stringify(item.sent), item.at, item.by],
  );
}

/** What the course gives back of the pages it has just taken. */
export async function notePages(
  db: Queryable,
  course: number,
  pages: ReadonlyMap<string, string | null>,
): Promise<void> {
  await db.query(
    `update handed_over h set sent = h.sent || jsonb_build_object('page', t.page)
       from unnest($2::text[], $3::text[]) t(item, page) where h.course_id = $1 and h.item = t.item`,
    [course, [...pages.keys()], [...pages.values()]],
  );
}

export async function setLineItem(db: Queryable, course: number, item: string, url: string): Promise<void> {
  await db.query("update handed_over set line_item_url = $3 where course_id = $1 and item = $2", [course, item, url]);
}

/** Courses to which marks go, with the work that was handed over to them. */
export const coursesWithWork = (db: Queryable): Promise<{ course: number; system: number; works: number[] }[]> =>
  db.query(
    `select c.id course, c.system_id system, array_agg(h.assignment_id order by h.assignment_id) works
       from handed_over h join other_course c on c.id = h.course_id join assignment a on a.id = h.assignment_id
      where c.line_items_url is not null and a.called_back is null group by c.id order by c.id`,
  );

/** A mark that is not there as it is here; null: it is there, and should not be any more. */
export interface MarkToSend {
  assignment: number;
  item: string;
  lineItemUrl: string | null;
  student: number;
  gained: number | null;
  outOf: number | null;
  tries: number;
}

/** Marks of a course that are to go now: new ones, those that changed, and those that are gone. Outcomes must have been judged. */
export const marksToSend = (db: Queryable, course: number, now: Date): Promise<MarkToSend[]> =>
  db.query<MarkToSend>(
    `with counts as (
       select h.assignment_id, o.student_id, o.gained, o.out_of
         from handed_over h join assignment a on a.id = h.assignment_id
         join outcome o on o.assignment_id = a.id and o.framework = '' and o.code = '' and o.out_of > 0
        where h.course_id = $1 and a.called_back is null
          and not exists (select 1 from excused e where e.assignment_id = a.id and e.student_id = o.student_id)),
     sent as (select * from mark_sent where course_id = $1)
     select h.assignment_id assignment, h.item, h.line_item_url "lineItemUrl", d.student, d.gained::float8 gained,
            d.out_of::float8 "outOf", d.tries
       from (select coalesce(c.assignment_id, s.assignment_id) assignment, coalesce(c.student_id, s.student_id) student,
                    c.gained, c.out_of, coalesce(s.tries, 0) tries
               from counts c full join sent s on s.assignment_id = c.assignment_id and s.student_id = c.student_id
              where (c.gained is distinct from s.gained or c.out_of is distinct from s.out_of)
                and (s.next_try is null or s.next_try <= $2 or s.next_try > $2::timestamptz + interval '1 day')) d
       join handed_over h on h.course_id = $1 and h.assignment_id = d.assignment
      order by d.assignment, d.student`,
    [course, now],
  );

/** It went: what stands there now. */
export async function noteMarkSent(
  db: Queryable,
  course: number,
  mark: { assignment: number; student: number; gained: number | null; outOf: number | null; at: Date },
): Promise<void> {
  await db.query(
    `insert into mark_sent (course_id, assignment_id, student_id, gained, out_of, sent_at) values ($1, $2, $3, $4, $5, $6)
     on conflict (course_id, assignment_id, student_id) do update set gained = excluded.gained, out_of = excluded.out_of,
       sent_at = excluded.sent_at, tries = 0, next_try = null, problem = null`,
    [course, mark.assignment, mark.student, mark.gained, mark.outOf, mark.at],
  );
}

/** It did not go; it is tried again later. What stands there is what went last. */
export async function noteMarkFailed(
  db: Queryable,
  course: number,
  mark: { assignment: number; student: number; nextTry: Date; problem: string },
): Promise<void> {
  await db.query(
    `insert into mark_sent (course_id, assignment_id, student_id, tries, next_try, problem) values ($1, $2, $3, 1, $4, $5)
     on conflict (course_id, assignment_id, student_id) do update set tries = mark_sent.tries + 1, next_try = excluded.next_try,
       problem = excluded.problem`,
    [course, mark.assignment, mark.student, mark.nextTry, mark.problem],
  );
}

/** How many marks wait to go to a course, and why the last did not. */
export async function waitingMarks(db: Queryable, course: number): Promise<{ count: number; problem: string | null }> {
  const [row] = await db.query<{ count: number; problem: string | null }>(
    "select count(*)::int count, max(problem) problem from mark_sent where course_id = $1 and problem is not null",
    [course],
  );
  return row ?? { count: 0, problem: null };
}
