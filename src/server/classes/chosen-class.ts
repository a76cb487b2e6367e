import { cookies } from "next/headers";
import { classesOf, type Class } from "@/data/classes/classes";
import type { Db } from "@/data/engine/db";
import type { Visitor } from "../web/session";

/** Her classes, and the one in the top bar: the one she chose last, or else her first. */
export async function chosenClass(
  db: Db,
  visitor: Visitor,
  now: Date,
): Promise<{ classes: Class[]; current: Class | null }> {
  const classes = await classesOf(db, visitor.id, now);
  const chosen = Number((await cookies()).get("class")?.value);
  return { classes, current: classes.find((group) => group.id === chosen) ?? classes[0] ?? null };
}
