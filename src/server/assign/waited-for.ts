import type { LookedAt } from "@/core/assign/finding";
import { assignmentById } from "@/data/assign/assignments";
import type { Db } from "@/data/engine/db";
import { recipientsOf } from "@/data/assign/recipients";

/** The work that is waited for, as the last look sees it. */
export async function waitedFor(db: Db, after: number | null): Promise<LookedAt["waitsFor"]> {
  const work = after === null ? undefined : await assignmentById(db, after);
  if (!work || work.calledBack) return null;
  const students = (await recipientsOf(db, work.id)).map(({ student }) => student);
  return { class: work.class, title: work.title, due: work.due, students };
}
