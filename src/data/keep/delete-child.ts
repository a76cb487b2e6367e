import { withoutStudent, type LessonState } from "@/core/live/lesson";
import { namedFiles } from "../engine/sweep";
import { one, type Queryable } from "../engine/db";
import { eraseWriter } from "../live/done-together";
import { aboutChild } from "./about-child";

export interface Deleted {
  /** Rows about her, of every table. */
  rows: number;
  /** The pictures and recordings she made, by SHA-256: somebody else's now, until it is known who else shows them. */
  made: string[];
}

/** How much is stored about a child, in what a family would call it. */
export interface StoredOfChild {
  classes: number;
  works: number;
  answers: number;
  marks: number;
  notes: number;
  files: number;
  /** Pages she wrote together with others. */
  sharedPages: number;
}

export async function storedOfChild(db: Queryable, student: number): Promise<StoredOfChild> {
  return one<StoredOfChild>(
    db,
    `select (select count(*) from enrolment where student_id = $1)::int classes,
            (select count(*) from recipient where student_id = $1)::int works,
            (select count(*) from response p join attempt a on a.id = p.attempt_id join recipient r on r.id = a.recipient_id
              where r.student_id = $1)::int answers,
            (select count(*) from outcome where student_id = $1)::int marks,
            (select count(*) from student_note where student_id = $1)::int notes,
            (select count(*) from media where added_by = $1)::int files,
            (select count(distinct page_id) from shared_page_change where student_id = $1)::int "sharedPages"`,
    [student],
  );
}

/**
 * Deletes everything that is stored about a child. In a page she wrote together with others, theirs stays. What could be undone and speaks of her cannot be undone any more, and letters that name her go.
 *
 * Within a transaction; deleteUnshown comes after it. A picture of hers that somebody else shows, as in a lesson of her teacher's, stays and is
 * `heir`'s, or somebody's of the district.
 */
export async function deleteChild(tx: Queryable, student: number, heir: number | null): Promise<Deleted> {
  const rows = Object.values(await aboutChild(tx, student)).reduce((sum, some) => sum + some.length, 0);
  const { name, school, district } = await one<{ name: string; school: number | null; district: number }>(
    tx,
    "select given_name || ' ' || family_name as name, school_id school, district_id district from person where id = $1 for update",
    [student],
  );
  await eraseWriter(tx, student);
  // Where the others have another page of this step together, the number stays: it says nothing any more.
  await tx.query(
    `update shared_page p set members = array_remove(p.members, $1) where $1 = any(p.members) and not exists (
       select 1 from shared_page o where o.lesson_id = p.lesson_id and o.step_id = p.step_id
          and coalesce(o.members, '{}') = array_remove(p.members, $1))`,
    [student],
  );
  const led = await tx.query<{ id: number; state: LessonState }>(
    `select id, state from lesson where jsonb_path_exists(state, '$.work.*.groups[*][*] ? (@.student == $id)', jsonb_build_object('id', $1::int))
      order by id for update`,
    [student],
  );
  for (const { id, state } of led)
    await tx.query("update lesson set state = $2::jsonb where id = $1", [
      id,
      JSON.stringify(withoutStudent(state, student)),
    ]);
  const speaksOfHer = (state: string) =>
    `(jsonb_path_exists(e.${state}, '$.** ? (@ == $id)', jsonb_build_object('id', $1::int))
      or position('"' || $1::int || '"' in e.${state}::text) > 0 or position($3 in e.${state}::text) > 0)`;
  await tx.query(
    `delete from event e using person p where p.id = e.person_id and p.district_id = $2
        and (${speaksOfHer("before")} or ${speaksOfHer("after")})`,
    [student, district, name],
  );
  await tx.query("delete from outbox where school_id = $1 and (to_name = $2 or position($2 in subject || body) > 0)", [
    school,
    name,
  ]);
  const hers = await tx.query<{ sha256: string }>(
    `update media set added_by = coalesce($2, (select id from person where district_id = $3 and kind = 'adult' order by active desc, id limit 1))
      where added_by = $1 returning sha256`,
    [student, heir, district],
  );
  await tx.query("delete from person where id = $1 and kind = 'student'", [student]);
  return { rows, made: hers.map(({ sha256 }) => sha256) };
}

/**
 * Takes the rows of those of these files away that nobody shows, and returns them: their files may go. Everything that is written is read for it, so
 * it is not done while rows are locked.
 */
export async function deleteUnshown(db: Queryable, made: readonly string[]): Promise<string[]> {
  if (made.length === 0) return [];
  const named = await namedFiles(db);
  const gone = await db.query<{ sha256: string }>("delete from media where sha256 = any($1::text[]) returning sha256", [
    made.filter((sha256) => !named.has(sha256)),
  ]);
  return gone.map(({ sha256 }) => sha256);
}

/** Writes down that a child's records were deleted, without saying whose. `by`: null for the school's own rule. */
export async function noteDeleted(
  tx: Queryable,
  deleted: { school: number; by: number | null; at: Date; rows: number; files: number },
): Promise<void> {
  await tx.query("insert into child_deleted (school_id, by_id, at, rows, files) values ($1, $2, $3, $4, $5)", [
    deleted.school,
    deleted.by,
    deleted.at,
    deleted.rows,
    deleted.files,
  ]);
}

/** A child who is in no class any more, and since when. */
export interface LeftChild {
  id: number;
  school: number;
  name: string;
  left: Date;
  /** When she is deleted by the school's rule; null: the office does it. */
  goes: Date | null;
}

/**
 * Children of no class that goes on: since the last day of the last one, or since they were taken out of it. A child who never was in a class
 * has not left. Without a school: of those schools that have a rule.
 */
export const leftChildren = (db: Queryable, now: Date, school: number | null = null): Promise<LeftChild[]> =>
  db.query<LeftChild>(
    `select p.id, s.id school, p.given_name || ' ' || p.family_name as name, gone.at as left, gone.at + make_interval(months => s.keep_months) goes
       from person p join school s on s.id = p.school_id
       join lateral (
         select max(at) at from (
           select coalesce(e.to_date::timestamptz, c.archived) at from enrolment e join class c on c.id = e.class_id where e.student_id = p.id
           union all select l.at from left_class l where l.student_id = p.id) every_end
       ) gone on gone.at < $1
      where p.kind = 'student' and p.guest_of is null and case when $2::int is null then s.keep_months is not null else s.id = $2 end
        and not exists (select 1 from enrolment e join class c on c.id = e.class_id
                         where e.student_id = p.id and c.archived is null and (e.to_date is null or e.to_date >= $1::timestamptz::date))
      order by gone.at, p.id`,
    [now, school],
  );
