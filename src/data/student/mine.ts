import { badgeNumber } from "@/core/student/badge";
import type { Queryable } from "../engine/db";

/** The picture a child is known by, as a number. */
export async function badgeOf(db: Queryable, student: number): Promise<number> {
  const [row] = await db.query<{ badge: number | null }>("select badge from person where id = $1", [student]);
  return badgeNumber(student, row?.badge ?? null);
}

export async function setBadge(db: Queryable, student: number, badge: number): Promise<void> {
  await db.query("update person set badge = $2 where id = $1", [student, badge]);
}

/** Which of her assignments a child has chosen as hers to keep, the newest first. */
export async function mineOf(db: Queryable, student: number): Promise<number[]> {
  const rows = await db.query<{ assignment: number }>(
    `select r.assignment_id assignment from mine m join recipient r on r.id = m.recipient_id
      where m.student_id = $1 order by m.chosen desc, r.id`,
    [student],
  );
  return rows.map(({ assignment }) => assignment);
}

export async function setMine(
  db: Queryable,
  of: { student: number; recipient: number; chosen: boolean; at: Date },
): Promise<void> {
  if (of.chosen)
    await db.query("insert into mine (student_id, recipient_id, chosen) values ($1, $2, $3) on conflict do nothing", [
      of.student,
      of.recipient,
      of.at,
    ]);
  else await db.query("delete from mine where student_id = $1 and recipient_id = $2", [of.student, of.recipient]);
}
