import type { Db, Queryable } from "../engine/db";

/** A page of a step that a group works on; `members` null: the whole class. */
export interface SharedPage {
  id: number;
  lesson: number;
  step: string;
  members: number[] | null;
  begun: Date;
}

/** A change as it is kept: a Yjs update in base64. */
export interface KeptChange {
  id: number;
  student: number | null;
  at: Date;
  change: string;
  /** Of a child who was deleted: nothing of hers is in it, but others' letters stand between hers. */
  erased: boolean;
}

/** All changes of one page together, in bytes of base64; a lesson's page has some 100 KB. */
const MOST_BYTES = 2_000_000;

const columns = `s.id, s.lesson_id lesson, s.step_id step, s.members, s.begun`;

/** The page of a group for a step of a lesson; undefined: it was not begun. `members` in ascending order. */
async function sharedPageOf(
  db: Queryable,
  of: { lesson: number; step: string; members: readonly number[] | null },
): Promise<number | undefined> {
  const [there] = await db.query<{ id: number }>(
    `select id from shared_page
      where lesson_id = $1 and step_id = $2 and coalesce(members, '{}') = coalesce($3::int[], '{}')`,
    [of.lesson, of.step, of.members],
  );
  return there?.id;
}

/**
 * The page of a group for a step of a lesson, begun if it is not there. Where its members worked on a page together before, with
 * others or as the whole class, it begins as that one stands, with the record of who wrote what. The whole class begins with an empty one: what one
 * pair wrote is not put before all.
 */
export async function openSharedPage(
  db: Db,
  of: { lesson: number; step: string; members: readonly number[] | null; at: Date },
): Promise<number> {
  const members = of.members && [...of.members].sort((one, other) => one - other);
  // It is there at every letter but the first: a transaction would keep the database from everybody else.
  return (
    (await sharedPageOf(db, { ...of, members })) ?? db.transaction((tx) => beginSharedPage(tx, { ...of, members }))
  );
}

async function beginSharedPage(
  tx: Queryable,
  of: { lesson: number; step: string; members: readonly number[] | null; at: Date },
): Promise<number> {
  const { members } = of;
  const [begun] = await tx.query<{ id: number }>(
    `insert into shared_page (lesson_id, step_id, members, begun) values ($1, $2, $3::int[], $4)
     on conflict (lesson_id, step_id, coalesce(members, '{}')) do nothing returning id`,
    [of.lesson, of.step, members, of.at],
  );
  // Somebody else of the group was faster.
  if (!begun) return (await sharedPageOf(tx, of))!;
  await tx.query(
    `with origin as (
       select id, bytes from shared_page
        where lesson_id = $1 and step_id = $2 and id <> $4 and $3::int[] is not null and (members is null or members @> $3::int[])
        order by id desc limit 1
     ), copied as (
       insert into shared_page_change (page_id, student_id, at, clients, change, erased)
       select $4, c.student_id, c.at, c.clients, c.change, c.erased
         from shared_page_change c join origin on origin.id = c.page_id order by c.id
     )
     update shared_page set bytes = origin.bytes from origin where shared_page.id = $4`,
    [of.lesson, of.step, members, begun.id],
  );
  return begun.id;
}

/**
 * The changes of a page after one of them, in the order they came: they get their numbers one after another (see addChange). `rewritten`: how often what had
 * come before was made another, because a child who wrote was deleted.
 */
export async function changesAfter(
  db: Queryable,
  page: number,
  after: number,
): Promise<{ rewritten: number; changes: KeptChange[] }> {
  const rows = await db.query<KeptChange & { rewritten: number; id: number | null }>(
    `select s.rewritten, c.id, c.student_id student, c.at, c.change, c.erased
       from shared_page s left join shared_page_change c on c.page_id = s.id and c.id > $2 where s.id = $1 order by c.id`,
    [page, after],
  );
  return { rewritten: rows[0]?.rewritten ?? 0, changes: rows.filter(({ id }) => id !== null) };
}

/**
 * Keeps a change and tells everybody who follows the lesson. `told`: what they are told. False: the page is full, or a device
 * that wrote is another child's, and nothing was kept. The page's row is held while the change gets its number.
 */
export async function addChange(
  db: Queryable,
  of: { page: number; student: number | null; at: Date; clients: readonly number[]; change: string; told: string },
): Promise<boolean> {
  const rows = await db.query(
    `with room as (
       update shared_page set bytes = bytes + length($5) where id = $1 and bytes + length($5) <= $7 and not exists (
         select 1 from shared_page_change c
          where c.page_id = $1 and c.student_id is distinct from $2::int and c.clients && $4::bigint[])
       returning id
     ), kept as (
       insert into shared_page_change (page_id, student_id, at, clients, change)
       select id, $2::int, $3, $4::bigint[], $5 from room returning id
     )
     select pg_notify('page', $6) from kept`,
    [of.page, of.student, of.at, of.clients, of.change, of.told, MOST_BYTES],
  );
  return rows.length > 0;
}

/** The pages of a step of a lesson on which something was written. */
export const pagesOf = (db: Queryable, lesson: number, step: string): Promise<SharedPage[]> =>
  db.query(
    `select ${columns} from shared_page s where s.lesson_id = $1 and s.step_id = $2 and s.bytes > 0 order by s.id`,
    [lesson, step],
  );

/** A page, if it belongs to a lesson with this assignment. */
export async function pageIn(db: Queryable, assignment: number, page: number): Promise<SharedPage | undefined> {
  const [found] = await db.query<SharedPage>(
    `select ${columns} from shared_page s join lesson l on l.id = s.lesson_id where s.id = $2 and l.assignment_id = $1`,
    [assignment, page],
  );
  return found;
}

/** The steps of which a student shared a page, in the last lesson with an assignment or in any. */
export async function pagesSharedBy(
  db: Queryable,
  assignment: number,
  student: number,
  lessons: "last" | "any" = "last",
): Promise<string[]> {
  const rows = await db.query<{ step: string }>(
    `select distinct s.step_id step from shared_page s join lesson l on l.id = s.lesson_id
      where l.assignment_id = $1 and ($3 or l.id = (select max(id) from lesson where assignment_id = $1))
        and s.bytes > 0 and (s.members is null or $2 = any(s.members))`,
    [assignment, student, lessons === "any"],
  );
  return rows.map(({ step }) => step);
}
