import type { Document } from "@/core/resource/document";
import { parseDocument } from "@/core/resource/schema/document";
import { storedFiles } from "@/core/resource/stored-files";
import type { Queryable } from "./db";

/** A revision as it was read and checked, and the files of its own that it needs. */
export interface ReadRevision {
  id: number;
  document: Document;
  files: readonly string[];
}

const MOST_KEPT = 200;
const kept = new Map<string, Omit<ReadRevision, "id">>();

/** By the hash of what a revision holds: a revision never changes, so it is read and checked once while it is among the last two hundred. */
async function readAll(
  db: Queryable,
  revisions: readonly { id: number; hash: string }[],
): Promise<Map<number, ReadRevision>> {
  const missing = revisions.filter(({ hash }) => !kept.has(hash)).map(({ id }) => id);
  const rows =
    missing.length === 0
      ? []
      : await db.query<{ id: number; document: unknown }>(
          "select id, document from revision where id = any($1::int[])",
          [missing],
        );
  const stored = new Map(rows.map(({ id, document }) => [id, document]));
  const read = new Map<number, ReadRevision>();
  for (const { id, hash } of revisions) {
    const document = kept.get(hash)?.document ?? parseDocument(stored.get(id));
    const one = kept.get(hash) ?? { document, files: storedFiles(document) };
    kept.delete(hash);
    kept.set(hash, one);
    if (kept.size > MOST_KEPT) kept.delete(kept.keys().next().value!);
    read.set(id, { id, ...one });
  }
  return read;
}

/** What is published of these resources now, by resource; what is not published is not among them. */
export async function publishedOf(db: Queryable, resources: readonly number[]): Promise<Map<number, ReadRevision>> {
  const heads = await db.query<{ resource: number; id: number; hash: string }>(
    `select r.id resource, v.id, v.document_hash hash from resource r join revision v on v.id = r.head_revision_id
      where r.id = any($1::int[])`,
    [resources],
  );
  const read = await readAll(db, heads);
  return new Map(heads.map(({ resource, id }) => [resource, read.get(id)!]));
}

/** One revision; undefined: there is none. */
export async function readRevision(db: Queryable, revision: number): Promise<ReadRevision | undefined> {
  const rows = await db.query<{ id: number; hash: string }>(
    "select id, document_hash hash from revision where id = $1",
    [revision],
  );
  return (await readAll(db, rows)).get(revision);
}
