import { parseDocument, type Document } from "@/core/resource/schema/document";
import type { Queryable } from "../engine/db";

/** What is somebody's own, with its revisions: without the documents, which are read one by one. */
export interface OwnResource {
  id: number;
  archived: boolean;
  source: { revision: number; title: string; author: string } | null;
  revisions: { id: number; number: number; created: Date }[];
  draft: Date | null;
}

/** Everything somebody owns, in the order it was made. */
export const ownResources = (db: Queryable, person: number): Promise<OwnResource[]> =>
  db.query<OwnResource>(
    `select r.id, r.archived is not null archived, d.saved draft,
            (select jsonb_build_object('revision', v.id, 'title', coalesce(v.document -> 'title' ->> (v.document -> 'languages' ->> 0), ''),
                                       'author', p.given_name || ' ' || p.family_name)
               from revision v join resource o on o.id = v.resource_id join person p on p.id = coalesce(o.made_by_id, o.owner_id)
              where v.id = r.source_revision_id) source,
            coalesce((select jsonb_agg(jsonb_build_object('id', v.id, 'number', v.number, 'created', v.created) order by v.number)
                        from revision v where v.resource_id = r.id), '[]') revisions
       from resource r left join draft d on d.resource_id = r.id
      where r.owner_id = $1 order by r.id`,
    [person],
  );

/** Which of these documents somebody has as the newest revision of something, by their hashes. */
export async function headsWithHash(db: Queryable, person: number, hashes: readonly string[]): Promise<Set<string>> {
  const rows = await db.query<{ hash: string }>(
    `select v.document_hash hash from resource r join revision v on v.id = r.head_revision_id
      where r.owner_id = $1 and v.document_hash = any($2::text[])`,
    [person, hashes],
  );
  return new Set(rows.map(({ hash }) => hash));
}

/** What somebody has begun and published nothing of. */
export async function unpublishedDrafts(db: Queryable, person: number): Promise<Document[]> {
  const rows = await db.query<{ document: unknown }>(
    `select d.document from draft d join resource r on r.id = d.resource_id
      where r.owner_id = $1 and r.head_revision_id is null`,
    [person],
  );
  return rows.map(({ document }) => parseDocument(document));
}

/** Her own pockets with what of her own is in them, in its order. */
export const ownPocketsWith = (
  db: Queryable,
  person: number,
): Promise<{ id: number; name: string; within: number | null; resources: number[] }[]> =>
  db.query(
    `select k.id, k.name, k.parent_id "within",
            coalesce((select jsonb_agg(i.resource_id order by i.position, i.added) from pocket_item i
                        join resource r on r.id = i.resource_id where i.pocket_id = k.id and r.owner_id = $1), '[]') resources
       from pocket k where k.person_id = $1 order by k.position, k.id`,
    [person],
  );
