import { forTheseFrom } from "@/core/assign/for-these";
import { assignmentById } from "@/data/assign/assignments";
import { studentsOf } from "@/data/classes/classes";
import type { Db } from "@/data/engine/db";
import { permit } from "../web/permissions";
import type { Visitor } from "../web/session";

/** Children something is looked for, in words. */
export interface WhoFor {
  /** Given names. */
  names: string[];
  /** The work whose result it is about. */
  after: { id: number; title: string } | null;
}

/** Who an address says it is for; null where it says nobody, or nobody of hers. */
export async function whoFor(
  db: Db,
  visitor: Visitor,
  parameters: Record<string, string | string[] | undefined>,
  now: Date,
): Promise<WhoFor | null> {
  const these = forTheseFrom({ get: (name) => [parameters[name]].flat()[0] ?? null });
  if (!these || !(await permit(db, visitor, "see class", { class: these.class }, now))) return null;
  const names = (await studentsOf(db, these.class))
    .filter(({ id }) => these.students.includes(id))
    .map(({ givenName }) => givenName);
  if (names.length === 0) return null;
  const { follows } = these;
  const hers = follows !== null && (await permit(db, visitor, "see results", { assignment: follows }, now));
  const work = hers ? await assignmentById(db, follows) : undefined;
  return { names, after: work ? { id: work.id, title: work.title } : null };
}
