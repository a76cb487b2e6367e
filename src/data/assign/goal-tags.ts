import type { Queryable } from "../engine/db";

/** The goal tags a teacher has used, the latest first. */
export async function goalTagsOf(db: Queryable, madeBy: number): Promise<string[]> {
  const rows = await db.query<{ tag: string }>(
    `select g.tag from assignment_goal g join assignment a on a.id = g.assignment_id
      where a.made_by = $1 group by g.tag order by max(a.id) desc limit 60`,
    [madeBy],
  );
  return rows.map(({ tag }) => tag);
}
