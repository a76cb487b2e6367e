import type { Queryable } from "../engine/db";

/**
 * One use more (or less) of each of these, as often as it is in the list. What Find orders by stays as it is until
 * `refreshPopularity`: an assignment must not make everybody's counts be worked out anew.
 */
export async function countUses(tx: Queryable, resources: readonly number[], by: 1 | -1): Promise<void> {
  await tx.query(
    `insert into resource_uses as u (resource_id, uses)
     select resource, $2::int * count(*)::int from unnest($1::int[]) as n(resource) group by resource order by resource
     on conflict (resource_id) do update set uses = greatest(0, u.uses + excluded.uses)`,
    [resources, by],
  );
}

/** Lets Find order by the uses of today. Returns how many resources had others. To be called once a day. */
export async function refreshPopularity(db: Queryable): Promise<number> {
  const changed = await db.query(
    `update search_entry e set uses = u.uses from resource_uses u
      where u.resource_id = e.resource_id and e.uses <> u.uses returning e.resource_id`,
  );
  return changed.length;
}

/** What these classes were assigned and still have, with every version of it. */
export async function assignedTo(db: Queryable, classes: readonly number[]): Promise<number[]> {
  const rows = await db.query<{ id: number }>(
    `with assigned as (select distinct resource_id id from assignment where class_id = any($1::int[]) and called_back is null)
     select id from assigned
     union
     select kin.resource_id from assigned join search_entry e on e.resource_id = assigned.id and e.family <> 0
       join search_entry kin on kin.family = e.family
     order by id`,
    [classes],
  );
  return rows.map(({ id }) => id);
}
