import type { Document } from "@/core/resource/document";
import { storedFiles } from "@/core/resource/stored-files";
import { howFar, type Reason, type SharedShelf } from "@/core/sharing/how-far";
import type { Queryable } from "@/data/engine/db";
import { fileOwners, taughtBy } from "@/data/share/sharing";

/**
 * What keeps documents of one author off each shelf, no matter who puts them there and whatever the school's rule: a licence, somebody's
 * voice, a child's name or work. In the order of the documents; no reasons where one may stand.
 */
export async function standing(
  db: Queryable,
  by: number,
  documents: readonly Document[],
): Promise<Record<SharedShelf, Reason[]>[]> {
  const [students, files] = await Promise.all([
    taughtBy(db, by),
    fileOwners(db, [...new Set(documents.flatMap(storedFiles))]),
  ]);
  return documents.map((document) => {
    const answers = howFar({
      ...{ document, by, students, files, published: true, school: "", curator: true, on: [], offered: [] },
      rules: { district: "everyone", commons: "everyone" },
    });
    return Object.fromEntries(answers.map(({ shelf, reasons }) => [shelf, reasons])) as Record<SharedShelf, Reason[]>;
  });
}
