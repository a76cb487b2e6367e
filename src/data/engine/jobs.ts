import type { Queryable } from "./db";

/**
 * Takes a job that is due, for one process of all those on the database; null: it is not due, or another has it. Until `until` it is
 * nobody else's, and after that anybody's: a process that was killed keeps no job. What is due later than `latest` was put there by a clock that
 * was wrong, and is due now.
 * @returns when it was due, or now if it never was
 */
export async function takeJob(
  db: Queryable,
  name: string,
  { now, until, latest }: { now: Date; until: Date; latest: Date },
): Promise<Date | null> {
  const [taken] = await db.query<{ due: Date }>(
    `with before as (select due from job where name = $1)
     insert into job (name, due) values ($1, $3)
     on conflict (name) do update set due = excluded.due where job.due <= $2 or job.due > $4
     returning coalesce((select due from before), $2) due`,
    [name, now, until, latest],
  );
  return taken?.due ?? null;
}

/** It has been done, and is due again then. */
export async function putJobBack(db: Queryable, name: string, due: Date): Promise<void> {
  await db.query("update job set due = $2 where name = $1", [name, due]);
}
