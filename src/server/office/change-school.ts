import type { Db, Queryable } from "@/data/engine/db";
import { canonical } from "@/core/resource/changes";
import { addEvent } from "@/data/engine/events";
import { secretsOf, setSecrets, type Secret } from "@/data/office/rosters";
import { putRowsBack, rowsThatDiffer, schoolRows, type RowChange } from "@/data/office/school-rows";
import { takeBackChild } from "@/data/office/moving";
import { ActionError } from "../web/act";
import type { PlanState } from "../plan/move-work";

/** Rows of a school that one act changed, and who may put them back: its office, or the teacher of a class. */
export interface SchoolChange {
  school: number;
  class: number | null;
  rows: RowChange;
  /** A child who went to another school with it. */
  sent?: { student: number; to: number };
}

/** Changes what a school's calendar, classes or roster say, in one act that can be undone; returns the event's number. */
export async function changeSchool<Value>(
  db: Db,
  made: { by: number; at: Date; what: string; school: number; class?: number; sent?: SchoolChange["sent"] },
  change: (tx: Queryable) => Promise<Value>,
): Promise<{ event: number; value: Value }> {
  return db.transaction(async (tx) => {
    // Two at once would each take the other's rows for their own.
    await tx.query("select 1 from school where id = $1 for update", [made.school]);
    const before = await schoolRows(tx, made.school);
    const value = await change(tx);
    const differ = rowsThatDiffer(before, await schoolRows(tx, made.school));
    // Her own row is not gone, it is another school's.
    const rows = made.sent ? differ.filter(({ table }) => table !== "person") : differ;
    const event = await addEvent<PlanState>(tx, {
      person: made.by,
      at: made.at,
      what: made.what,
      before: { places: [] },
      after: { places: [], schoolChange: { school: made.school, class: made.class ?? null, rows, sent: made.sent } },
    });
    return { event, value };
  });
}

/** @throws ActionError when one of the students has got another secret since */
export async function putCardsBack(tx: Queryable, before: readonly Secret[], after: readonly Secret[]): Promise<void> {
  const now = await secretsOf(
    tx,
    after.map(({ student }) => student),
  );
  if (canonical(now) !== canonical(after)) throw new ActionError("newerCards");
  await setSecrets(tx, before);
}

/** @throws ActionError when the rows were changed since, somebody whom the change brought has got work, or a child is at another school */
export async function putSchoolBack(tx: Queryable, { school, rows, sent }: SchoolChange): Promise<void> {
  if (sent && !(await takeBackChild(tx, { ...sent, from: school }))) throw new ActionError("otherSchoolHasChild");
  const why = await putRowsBack(tx, school, rows);
  if (why === "changed") throw new ActionError("someChanged");
  if (why === "elsewhere") throw new ActionError("childElsewhere");
  if (why === "used") throw new ActionError("broughtInUse");
}
