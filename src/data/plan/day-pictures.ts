import { DayParts, type DayPart } from "@/core/day-pictures/day-pictures";
import type { Queryable } from "../engine/db";

/** A day of a class in pictures as it was kept; undefined: none was. */
export async function keptDay(db: Queryable, classId: number, day: string): Promise<DayPart[] | undefined> {
  const [row] = await db.query<{ parts: unknown }>("select parts from day_pictures where class_id = $1 and day = $2", [
    classId,
    day,
  ]);
  return row && DayParts.parse(row.parts);
}

export async function keepDay(
  db: Queryable,
  of: { class: number; day: string; parts: readonly DayPart[]; by: number; at: Date },
): Promise<void> {
  await db.query(
    `insert into day_pictures (class_id, day, parts, by_id, at) values ($1, $2, $3, $4, $5)
     on conflict (class_id, day) do update set parts = excluded.parts, by_id = excluded.by_id, at = excluded.at`,
    [of.class, of.day, JSON.stringify(of.parts), of.by, of.at],
  );
}
