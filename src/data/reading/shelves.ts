import type { Facts } from "@/core/resource/facts";
import type { ReadingGoal } from "@/core/reading/minutes";
import type { Queryable } from "../engine/db";

/** A class's shelf of readings. */
export interface ReadingShelf {
  class: number;
  className: string;
  openedBy: number;
  opened: Date;
  pocket: number | null;
  /** As core/reading/filling writes it. */
  blank: string;
  goal: ReadingGoal;
}

/** A reading on a shelf; `finished`: how many of the class have come to its end. */
export interface ShelfReading {
  class: number;
  resource: number;
  revision: number;
  top: boolean;
  facts: Facts;
  finished: number;
}

const columns = `h.class_id class, c.name "className", h.opened_by "openedBy", h.opened, h.pocket_id pocket, h.blank,
  jsonb_build_object('minutes', h.goal_minutes, 'per', h.goal_per) goal
  from reading_shelf h join class c on c.id = h.class_id`;

/** The shelf of a class; undefined where none is open. */
export async function shelfOf(db: Queryable, classId: number): Promise<ReadingShelf | undefined> {
  const rows = await db.query<ReadingShelf>(`select ${columns} where h.class_id = $1 and h.closed is null`, [classId]);
  return rows[0];
}

/** The open shelves of the classes a child is in. */
export const shelvesFor = (db: Queryable, student: number): Promise<ReadingShelf[]> =>
  db.query<ReadingShelf>(
    `select ${columns} join enrolled n on n.class_id = h.class_id and n.student_id = $1
      where h.closed is null and c.archived is null order by h.class_id`,
    [student],
  );

/** What stands on these shelves, what the teacher put at the top first. What was put away since is not there. */
export const readingsOn = (db: Queryable, classes: readonly number[]): Promise<ShelfReading[]> =>
  db.query<ShelfReading>(
    `select s.class_id class, s.resource_id resource, s.revision_id revision, s.top, f.facts,
            (select count(*) from reading g join enrolled n on n.student_id = g.student_id and n.class_id = s.class_id
              where g.resource_id = s.resource_id and g.finished is not null) finished
       from shelf_reading s join resource_facts f on f.resource_id = s.resource_id
      where s.class_id = any($1::int[]) order by s.top desc, s.position`,
    [classes],
  );

/** The revision of a reading that stands on an open shelf of a class the child is in; undefined: it stands on none. */
export async function revisionFor(db: Queryable, student: number, resource: number): Promise<number | undefined> {
  const rows = await db.query<{ revision: number }>(
    `select s.revision_id revision
       from shelf_reading s join reading_shelf h on h.class_id = s.class_id and h.closed is null
       join enrolled n on n.class_id = s.class_id and n.student_id = $1 join class c on c.id = s.class_id
      where s.resource_id = $2 and c.archived is null order by s.class_id limit 1`,
    [student, resource],
  );
  return rows[0]?.revision;
}

/** Opens a class's shelf, or fills it anew; what was at the top and still stands there stays at the top. */
export async function openShelf(
  tx: Queryable,
  shelf: {
    class: number;
    by: number;
    at: Date;
    pocket: number | null;
    blank: string;
    goal: ReadingGoal;
    readings: readonly { resource: number; revision: number }[];
  },
): Promise<void> {
  await tx.query(
    `insert into reading_shelf (class_id, opened_by, opened, pocket_id, blank, goal_minutes, goal_per)
     values ($1, $2, $3, $4, $5, $6, $7)
     on conflict (class_id) do update set opened_by = excluded.opened_by, opened = excluded.opened, closed = null,
       pocket_id = excluded.pocket_id, blank = excluded.blank, goal_minutes = excluded.goal_minutes, goal_per = excluded.goal_per`,
    [shelf.class, shelf.by, shelf.at, shelf.pocket, shelf.blank, shelf.goal.minutes, shelf.goal.per],
  );
  await tx.query("delete from shelf_reading where class_id = $1 and resource_id <> all($2::int[])", [
    shelf.class,
    shelf.readings.map(({ resource }) => resource),
  ]);
  await tx.query(
    `insert into shelf_reading (class_id, resource_id, revision_id, position)
     select $1, r.resource, r.revision, r.nth
       from jsonb_to_recordset($2::jsonb) as r(resource int, revision int, nth smallint)
     on conflict (class_id, resource_id) do update set revision_id = excluded.revision_id, position = excluded.position`,
    [shelf.class, JSON.stringify(shelf.readings.map((reading, nth) => ({ ...reading, nth })))],
  );
}

/** Closes a shelf, or, with null, opens it again as it was. What children have read stays theirs. */
export async function setShelfClosed(db: Queryable, classId: number, at: Date | null): Promise<void> {
  await db.query("update reading_shelf set closed = $2 where class_id = $1", [classId, at]);
}

/** Puts a reading at the top of a shelf, or no longer. False where it does not stand there. */
export async function setTop(db: Queryable, classId: number, resource: number, top: boolean): Promise<boolean> {
  const rows = await db.query(
    "update shelf_reading set top = $3 where class_id = $1 and resource_id = $2 returning 1",
    [classId, resource, top],
  );
  return rows.length > 0;
}
