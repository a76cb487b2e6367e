import type { Queryable } from "../engine/db";

/** Whose calendar a secret address shows; undefined when it was ended, or she has left. */
export async function feedOf(db: Queryable, tokenHash: string): Promise<{ class: number; person: number } | undefined> {
  const rows = await db.query<{ class: number; person: number }>(
    `select f.class_id class, f.person_id person from calendar_feed f join person p on p.id = f.person_id and p.active
      where f.token_hash = $1`,
    [tokenHash],
  );
  return rows[0];
}

/** A new address for a teacher's calendar of a class; with null, none. The old one ends. */
export async function setFeed(
  tx: Queryable,
  of: { class: number; person: number },
  tokenHash: string | null,
  now: Date,
): Promise<void> {
  await tx.query("delete from calendar_feed where class_id = $1 and person_id = $2", [of.class, of.person]);
  if (tokenHash !== null)
    await tx.query("insert into calendar_feed (token_hash, class_id, person_id, made) values ($1, $2, $3, $4)", [
      tokenHash,
      of.class,
      of.person,
      now,
    ]);
}

export async function hasFeed(db: Queryable, of: { class: number; person: number }): Promise<boolean> {
  const rows = await db.query("select 1 from calendar_feed where class_id = $1 and person_id = $2", [
    of.class,
    of.person,
  ]);
  return rows.length > 0;
}
