import { one, type Queryable } from "../engine/db";

export interface TryCount {
  points: number;
  until: Date;
}

// No count lasts a day: one that would was begun by a clock that was wrong.
const isOver = (until: string, now: string) =>
  `(${until} <= ${now} or ${until} > ${now}::timestamptz + interval '1 day')`;

/** Counts one more; a count that is over begins anew. */
export const countOneMore = (db: Queryable, keyHash: string, now: Date, until: Date): Promise<TryCount> =>
  one<TryCount>(
    db,
    `insert into try_count as t (key_hash, points, until) values ($1, 1, $3)
     on conflict (key_hash) do update set points = case when ${isOver("t.until", "$2")} then 1 else t.points + 1 end,
       until = case when ${isOver("t.until", "$2")} then excluded.until else t.until end
     returning points, until`,
    [keyHash, now, until],
  );

/** Takes one off again. */
export async function countOneLess(db: Queryable, keyHash: string): Promise<void> {
  await db.query("update try_count set points = greatest(points - 1, 0) where key_hash = $1", [keyHash]);
}

export async function countOf(db: Queryable, keyHash: string, now: Date): Promise<TryCount | null> {
  const rows = await db.query<TryCount>(
    `select points, until from try_count where key_hash = $1 and not ${isOver("until", "$2")}`,
    [keyHash, now],
  );
  return rows[0] ?? null;
}

export async function forgetCount(db: Queryable, keyHash: string): Promise<void> {
  await db.query("delete from try_count where key_hash = $1", [keyHash]);
}

export async function sweepCounts(db: Queryable, now: Date): Promise<void> {
  await db.query(`delete from try_count where ${isOver("until", "$1")}`, [now]);
}
