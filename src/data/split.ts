import { one, type Queryable } from "./db";
import type { Place } from "./assignments";

/** The revision most students of an assignment have, and which of its steps were given; null: all. */
export async function stepsOf(
  db: Queryable,
  assignment: number,
): Promise<{ revision: number; steps: string[] | null }> {
  return one(
    db,
    `select r.revision_id revision, a.step_ids steps from assignment a join recipient r on r.assignment_id = a.id
      where a.id = $1 group by r.revision_id, a.step_ids order by count(*) desc limit 1`,
    [assignment],
  );
}

/** What an assignment gave before it was cut into parts. */
export interface PartWas {
  steps: string[] | null;
  minutes: number | null;
  part: string | null;
}

/** Puts parts together again: the added ones go. False, and nothing is done, when somebody has begun one of them. */
export async function joinParts(
  tx: Queryable,
  assignment: number,
  was: PartWas,
  added: readonly number[],
): Promise<boolean> {
  const begun = await tx.query(
    "select 1 from recipient r join attempt t on t.recipient_id = r.id where r.assignment_id = any($1::int[]) limit 1",
    [[assignment, ...added]],
  );
  if (begun.length > 0) return false;
  await tx.query("delete from assignment where id = any($1::int[])", [added]);
  await tx.query("update assignment set step_ids = $2::text[], minutes = $3, part = $4 where id = $1", [
    assignment,
    was.steps,
    was.minutes,
    was.part,
  ]);
  return true;
}

/**
 * Cuts an assignment into parts: it becomes the first, and each other part goes to the same students with the same
 * settings. Call only when nobody has begun. Returns what it was and the ids of the parts added.
 */
export async function splitAssignment(
  tx: Queryable,
  assignment: number,
  parts: readonly { steps: readonly string[]; minutes: number; part: string; place: Place }[],
  by: number,
  now: Date,
): Promise<{ was: PartWas; added: number[] }> {
  const [first, ...others] = parts;
  const was = await one<PartWas>(tx, "select step_ids steps, minutes, part from assignment where id = $1", [
    assignment,
  ]);
  await tx.query("update assignment set step_ids = $2::text[], minutes = $3, part = $4, due = $5 where id = $1", [
    assignment,
    first!.steps,
    first!.minutes,
    first!.part,
    first!.place.due,
  ]);
  const ids: number[] = [];
  for (const [at, { steps, minutes, part, place }] of others.entries()) {
    const { id } = await one<{ id: number }>(
      tx,
      `insert into assignment (class_id, resource_id, made_by, made, opens, due, closes, tries, keep, checking,
                               meeting_date, meeting_period, step_ids, part, minutes, position, step_work)
       select class_id, resource_id, $2, $3, $4, $5, $6, tries, keep, checking, $7, $8, $9::text[], $10, $11, position + $12, step_work
         from assignment where id = $1 returning id`,
      [
        assignment,
        by,
        now,
        place.opens,
        place.due,
        place.closes,
        place.meeting?.date ?? null,
        place.meeting?.period ?? null,
        steps,
        part,
        minutes,
        at + 1,
      ],
    );
    await tx.query(
      `insert into recipient (assignment_id, student_id, revision_id, time_factor)
       select $2, student_id, revision_id, time_factor from recipient where assignment_id = $1`,
      [assignment, id],
    );
    await tx.query(
      "insert into assignment_goal (assignment_id, tag) select $2, tag from assignment_goal where assignment_id = $1",
      [assignment, id],
    );
    ids.push(id);
  }
  return { was, added: ids };
}
