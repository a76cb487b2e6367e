import { readComfort, type Comfort } from "@/core/student/comfort";
import type { Queryable } from "../engine/db";

export async function comfortOf(db: Queryable, student: number): Promise<Comfort> {
  const [row] = await db.query<{ comfort: unknown }>("select comfort from person where id = $1", [student]);
  return readComfort(row?.comfort);
}

export async function setComfort(db: Queryable, student: number, comfort: Comfort): Promise<void> {
  await db.query("update person set comfort = $2::jsonb where id = $1", [student, JSON.stringify(comfort)]);
}
