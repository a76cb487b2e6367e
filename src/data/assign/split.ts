import { one, type Queryable } from "../engine/db";
import type { Place } from "./places";

/** The revision most students of an assignment have, which of its steps were given, and on which days; null: all. */
export async function stepsOf(
  db: Queryable,
  assignment: number,
): Promise<{ revision: number; steps: string[] | null; openDays: string[] | null }> {
  return one(
    db,
    `select r.revision_id revision, a.step_ids steps, a.open_days "openDays" from assignment a left join recipient r on r.assignment_id = a.id
      where a.id = $1 group by r.revision_id, a.step_ids, a.open_days order by count(*) desc limit 1`,
    [assignment],
  );
}

/** The steps of each part of what an assignment is a part of, in order; null: it is no part, or some of it is gone. */
export async function partsOfWork(db: Queryable, assignment: number): Promise<string[][] | null> {
  const rows = await db.query<{ steps: string[]; part: string }>(
    `select b.step_ids steps, b.part from assignment a
       join assignment b on b.class_id = a.class_id and b.resource_id = a.resource_id and b.made_by = a.made_by
        and split_part(b.part, ' of ', 2) = split_part(a.part, ' of ', 2)
      where a.id = $1 and a.part is not null and b.step_ids is not null and b.called_back is null order by b.part, b.id desc`,
    [assignment],
  );
  const first = new Map<string, string[]>();
  for (const { part, steps } of rows) if (!first.has(part)) first.set(part, steps);
  const wanted = Number(rows[0]?.part.split(" of ")[1] ?? 0);
  const parts = Array.from({ length: wanted }, (_, at) => first.get(`${at + 1} of ${wanted}`));
  return wanted > 1 && parts.every((part) => part !== undefined) ? (parts as string[][]) : null;
}

/** What an assignment gave before it was cut into parts. */
export interface PartWas {
  steps: string[] | null;
  minutes: number | null;
  part: string | null;
  openDays?: string[] | null;
}

/** A part of an assignment: its steps, when it is given, and to whom otherwise. */
export interface Part {
  steps: readonly string[];
  minutes: number;
  part: string;
  place: Place;
  /** The days of the whole that lie in this part's time; null: any. */
  openDays: readonly string[] | null;
  /** Students with other times than the class. */
  own: readonly { student: number; due: Date; closes: Date | null }[];
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
  // What waited for the last part waits for the whole again.
  await tx.query("update assignment set after_id = $1 where after_id = any($2::int[]) and id <> all($2::int[])", [
    assignment,
    added,
  ]);
  await tx.query("delete from assignment where id = any($1::int[])", [added]);
  await tx.query(
    "update assignment set step_ids = $2::text[], minutes = $3, part = $4, open_days = $5::date[] where id = $1",
    [assignment, was.steps, was.minutes, was.part, was.openDays ?? null],
  );
  return true;
}

/**
 * Cuts an assignment into parts: it becomes the first, and each other part goes to the same students with the same
 * settings. Call only when nobody has begun. Returns what it was and the ids of the parts added.
 */
export async function splitAssignment(
  tx: Queryable,
  assignment: number,
  parts: readonly Part[],
  by: number,
  now: Date,
): Promise<{ was: PartWas; added: number[] }> {
  const [first, ...others] = parts;
  const was = await one<PartWas>(
    tx,
    'select step_ids steps, minutes, part, open_days "openDays" from assignment where id = $1',
    [assignment],
  );
  // Parts follow each other where the whole had an order; without one, their own is by when they are given.
  const { ordered } = await one<{ ordered: boolean }>(
    tx,
    `select after_id is not null or exists (select 1 from assignment f where f.after_id = a.id) ordered
       from assignment a where a.id = $1`,
    [assignment],
  );
  await tx.query(
    `update assignment set step_ids = $2::text[], minutes = $3, part = $4, due = $5, closes = $6, open_days = $7::date[]
      where id = $1`,
    [assignment, first!.steps, first!.minutes, first!.part, first!.place.due, first!.place.closes, first!.openDays],
  );
  await setOwn(tx, assignment, first!.own);
  const ids: number[] = [];
  for (const [at, { steps, minutes, part, place, openDays, own }] of others.entries()) {
    const { id } = await one<{ id: number }>(
      tx,
      `insert into assignment (class_id, resource_id, made_by, made, opens, due, closes, tries, keep, checking,
                               meeting_date, meeting_period, step_ids, part, minutes, position, step_work, open_days, after_id, sharing)
       select class_id, resource_id, $2, $3, $4, $5, $6, tries, keep, checking, $7, $8, $9::text[], $10, $11, position + $12, step_work,
              $13::date[], $14, sharing
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
        openDays,
        ordered ? (ids.at(-1) ?? assignment) : null,
      ],
    );
    await tx.query(
      `insert into recipient (assignment_id, student_id, revision_id, time_factor)
       select $2, student_id, revision_id, time_factor from recipient where assignment_id = $1`,
      [assignment, id],
    );
    await setOwn(tx, id, own);
    await tx.query(
      "insert into assignment_goal (assignment_id, tag) select $2, tag from assignment_goal where assignment_id = $1",
      [assignment, id],
    );
    ids.push(id);
  }
  // What waited for the whole waits for its last part.
  await tx.query("update assignment set after_id = $2 where after_id = $1 and id <> all($3::int[])", [
    assignment,
    ids.at(-1) ?? assignment,
    ids,
  ]);
  return { was, added: ids };
}

/** Students' own times of an assignment; all others have the class's. */
async function setOwn(tx: Queryable, assignment: number, own: Part["own"]): Promise<void> {
  await tx.query("update recipient set own_due = null, own_closes = null where assignment_id = $1", [assignment]);
  await tx.query(
    `update recipient r set own_due = o.due, own_closes = o.closes
       from jsonb_to_recordset($2::jsonb) as o(student int, due timestamptz, closes timestamptz)
      where r.assignment_id = $1 and r.student_id = o.student`,
    [assignment, JSON.stringify(own)],
  );
}
