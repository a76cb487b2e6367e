import type { Queryable } from "../engine/db";

/** Resources a class was given, each once, the newest first. */
export async function resourcesAssignedTo(db: Queryable, classId: number, most: number): Promise<number[]> {
  const rows = await db.query<{ resource: number }>(
    `select resource_id resource from assignment where class_id = $1 and called_back is null
      group by 1 order by max(opens) desc, 1 limit $2`,
    [classId, most],
  );
  return rows.map(({ resource }) => resource);
}
