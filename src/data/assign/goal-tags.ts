import type { Queryable } from "../engine/db";
import { hers } from "./assignments";

/** The goal tags a teacher has used and not ended, the latest first. */
export async function goalTagsOf(db: Queryable, madeBy: number): Promise<string[]> {
  const rows = await db.query<{ tag: string }>(
    `select g.tag from assignment_goal g join assignment a on a.id = g.assignment_id
      where a.made_by = $1 and not exists (select 1 from ended_goal e where e.person_id = $1 and e.tag = g.tag)
      group by g.tag order by max(a.id) desc limit 60`,
    [madeBy],
  );
  return rows.map(({ tag }) => tag);
}

export interface UsedGoal {
  tag: string;
  /** Pieces of work tracked under it. */
  works: number;
  ended: boolean;
}

/** The goal tags of all work a teacher works with, but those of a child's own goals, by name. */
export const goalsUsed = (db: Queryable, teacher: number, now: Date): Promise<UsedGoal[]> =>
  db.query(
    `select g.tag, count(*)::int works,
            exists (select 1 from ended_goal e where e.person_id = $1 and e.tag = g.tag) ended
       from assignment_goal g join assignment a on a.id = g.assignment_id join class c on c.id = a.class_id
      where a.called_back is null and ${hers}
        and not exists (select 1 from student_goal o where o.goal || ' (' || o.year || ')' = g.tag)
      group by g.tag order by lower(g.tag), g.tag`,
    [teacher, now],
  );

/**
 * Tracks everything a teacher has under one tag under another instead. Returns the work concerned: what was `renamed`, and what was
 * `merged` because it was under both.
 */
export async function renameGoal(
  tx: Queryable,
  of: { teacher: number; now: Date; from: string; to: string },
): Promise<{ renamed: number[]; merged: number[] }> {
  const rows = await tx.query<{ id: number; both: boolean }>(
    `select a.id, exists (select 1 from assignment_goal o where o.assignment_id = a.id and o.tag = $4) "both"
       from assignment_goal g join assignment a on a.id = g.assignment_id join class c on c.id = a.class_id
      where g.tag = $3 and ${hers} order by a.id for update of g`,
    [of.teacher, of.now, of.from, of.to],
  );
  const [renamed, merged] = [false, true].map((both) => rows.filter((row) => row.both === both).map(({ id }) => id));
  await tx.query("update assignment_goal set tag = $3 where tag = $2 and assignment_id = any($1::int[])", [
    renamed,
    of.from,
    of.to,
  ]);
  await tx.query("delete from assignment_goal where tag = $2 and assignment_id = any($1::int[])", [merged, of.from]);
  return { renamed: renamed!, merged: merged! };
}

/** Takes a renaming back, for work that is still under the new tag. */
export async function renameGoalBack(
  tx: Queryable,
  of: { from: string; to: string; renamed: readonly number[]; merged: readonly number[] },
): Promise<void> {
  await tx.query("update assignment_goal set tag = $2 where tag = $3 and assignment_id = any($1::int[])", [
    of.renamed,
    of.from,
    of.to,
  ]);
  await tx.query(
    `insert into assignment_goal (assignment_id, tag)
     select assignment_id, $2 from assignment_goal where tag = $3 and assignment_id = any($1::int[]) on conflict do nothing`,
    [of.merged, of.from, of.to],
  );
}

export async function setEnded(
  tx: Queryable,
  of: { teacher: number; tag: string; at: Date; ended: boolean },
): Promise<void> {
  if (of.ended)
    await tx.query("insert into ended_goal (person_id, tag, at) values ($1, $2, $3) on conflict do nothing", [
      of.teacher,
      of.tag,
      of.at,
    ]);
  else await tx.query("delete from ended_goal where person_id = $1 and tag = $2", [of.teacher, of.tag]);
}
