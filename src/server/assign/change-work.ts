import { canonical } from "@/core/resource/changes";
import type { Db, Queryable } from "@/data/engine/db";
import { addEvent } from "@/data/engine/events";
import { announceWork } from "@/data/student/work";
import { setWork, workAsItIs, type WorkWas } from "@/data/assign/work-rules";
import { ActionError } from "../web/act";
import type { PlanState } from "../plan/move-work";

const asTheyAre = async (tx: Queryable, ids: readonly number[]): Promise<WorkWas[]> => {
  const works = [];
  for (const id of [...ids].sort((one, other) => one - other)) works.push(await workAsItIs(tx, id));
  return works;
};

/** Changes work that has gone out, in one act that can be undone; returns the event's number and what the change returned. */
export async function changeWork<Value>(
  db: Db,
  made: { by: number; at: Date; what: string },
  assignments: readonly number[],
  change: (tx: Queryable) => Promise<Value>,
): Promise<{ event: number; value: Value }> {
  return db.transaction(async (tx) => {
    // Two changes at once would each think they know what was before.
    await tx.query("select 1 from assignment where id = any($1::int[]) order by id for update", [assignments]);
    const before = await asTheyAre(tx, assignments);
    const value = await change(tx);
    for (const id of assignments) await announceWork(tx, id);
    const event = await addEvent<PlanState>(tx, {
      person: made.by,
      at: made.at,
      what: made.what,
      before: { places: [], works: before },
      after: { places: [], works: await asTheyAre(tx, assignments) },
    });
    return { event, value };
  });
}

/**
 * Puts work back as it was before a change.
 * @throws ActionError when it has been changed since, or somebody who would lose it has begun
 */
export async function putWorkBack(tx: Queryable, before: readonly WorkWas[], after: readonly WorkWas[]): Promise<void> {
  const ids = after.map(({ id }) => id);
  const now: unknown = JSON.parse(JSON.stringify(await asTheyAre(tx, ids)));
  if (canonical(now) !== canonical(after)) throw new ActionError("changedSince");
  for (const work of before) if (!(await setWork(tx, work))) throw new ActionError("loserHasBegun");
}
