import type { Db } from "@/data/engine/db";
import { deleteChild, deleteUnshown, leftChildren, noteDeleted } from "@/data/keep/delete-child";
import { removeOldFile } from "../files/files";
import { log } from "../web/log";

/**
 * Deletes a child of a school and her files, and notes that it was done. `by`: the person in the office who did it; null: the school's rule.
 * @returns how many rows and files went; null where somebody else has deleted her at this moment
 */
export async function deleteChildOf(
  db: Db,
  { school, student, by, now }: { school: number; student: number; by: number | null; now: Date },
): Promise<{ rows: number; files: number } | null> {
  const gone = await db.transaction(async (tx) => {
    const found = await tx.query(
      "select 1 from person where id = $1 and school_id = $2 and kind = 'student' for update",
      [student, school],
    );
    if (found.length === 0) return null;
    const deleted = await deleteChild(tx, student, by);
    await noteDeleted(tx, { school, by, at: now, rows: deleted.rows, files: deleted.made.length });
    return deleted;
  });
  if (!gone) return null;
  const files = await deleteUnshown(db, gone.made);
  for (const sha256 of files) await removeOldFile(sha256, new Date());
  return { rows: gone.rows, files: files.length };
}

/** Deletes the children who left longer ago than their school keeps what it has of them. Returns how many. */
export async function deleteThoseWhoLeft(db: Db, now: Date): Promise<number> {
  let count = 0;
  for (const child of await leftChildren(db, now)) {
    if (child.goes === null || child.goes > now) continue;
    const gone = await deleteChildOf(db, { school: child.school, student: child.id, by: null, now });
    if (!gone) continue;
    count += 1;
    log.info(
      { school: child.school, rows: gone.rows, files: gone.files },
      "a child's records were deleted by the school's rule",
    );
  }
  return count;
}
