import type { Queryable } from "./db";

/**
 * Takes a job that is due, for one process of all those on the database; false: it is not due, or another has it. Until `until` it is
 * nobody else's, and after that anybody's: a process that was killed keeps no job.
 */
export async function takeJob(db: Queryable, name: string, now: Date, until: Date): Promise<boolean> {
  const taken = await db.query(
    `insert into job (name, due) values ($1, $3)
     on conflict (name) do update set due = excluded.due where job.due <= $2 returning name`,
    [name, now, until],
  );
  return taken.length > 0;
}

/** It has been done, and is due again then. */
export async function putJobBack(db: Queryable, name: string, due: Date): Promise<void> {
  await db.query("update job set due = $2 where name = $1", [name, due]);
}
