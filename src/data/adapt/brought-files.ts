import type { Document } from "@/core/resource/document";
import { parseDocument } from "@/core/resource/schema/document";
import type { Queryable } from "../engine/db";

/** What a resource was made of: a file that was brought in, as it was then, and as it is in a newer reading. */
export interface BroughtFile {
  name: string;
  /** What became of each page, a digit each. */
  choices: string;
  document: Document;
  newer: Document | null;
}

export async function noteBroughtFile(
  tx: Queryable,
  resource: number,
  file: { name: string; choices: string; document: Document; at: Date },
): Promise<void> {
  await tx.query(
    "insert into brought_file (resource_id, name, choices, document, at) values ($1, $2, $3, $4::jsonb, $5)",
    [resource, file.name, file.choices, JSON.stringify(file.document), file.at],
  );
}

export async function broughtFileOf(db: Queryable, resource: number): Promise<BroughtFile | undefined> {
  const [row] = await db.query<{ name: string; choices: string; document: unknown; newer: unknown }>(
    "select name, choices, document, newer from brought_file where resource_id = $1",
    [resource],
  );
  return row && { ...row, document: parseDocument(row.document), newer: row.newer ? parseDocument(row.newer) : null };
}

/** A resource of hers that a file of this name became. */
export interface BroughtBefore {
  resource: number;
  title: string;
  choices: string;
  at: Date;
}

const MOST_BEFORE = 5;

/** What became of a file of this name before, the newest first; hers, and not put away. */
export const broughtBefore = (db: Queryable, owner: number, name: string): Promise<BroughtBefore[]> =>
  db.query<BroughtBefore>(
    `select b.resource_id resource, b.choices, b.at, coalesce(d.document, v.document, b.document) -> 'title' ->>
            (coalesce(d.document, v.document, b.document) -> 'languages' ->> 0) title
       from brought_file b join resource r on r.id = b.resource_id
       left join draft d on d.resource_id = r.id left join revision v on v.id = r.head_revision_id
      where r.owner_id = $1 and r.archived is null and lower(b.name) = lower($2)
      order by b.at desc limit ${MOST_BEFORE}`,
    [owner, name],
  );

/** The file was brought in again: what it is now. */
export async function setNewerReading(
  tx: Queryable,
  resource: number,
  file: { document: Document; choices: string; at: Date },
): Promise<void> {
  await tx.query("update brought_file set newer = $2::jsonb, newer_at = $3, choices = $4 where resource_id = $1", [
    ...[resource, JSON.stringify(file.document), file.at, file.choices],
  ]);
}

/** She has looked at what changed: from now on that reading counts. False: there is none. */
export async function goOnFromReading(db: Queryable, resource: number): Promise<boolean> {
  const rows = await db.query(
    `update brought_file set document = newer, at = newer_at, newer = null, newer_at = null
      where resource_id = $1 and newer is not null returning id`,
    [resource],
  );
  return rows.length > 0;
}
