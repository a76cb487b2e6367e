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
