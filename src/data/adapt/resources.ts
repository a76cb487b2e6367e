import type { Facts } from "@/core/resource/facts";
import type { Document } from "@/core/resource/document";
import { parseDocument } from "@/core/resource/schema/document";
import { one, type Queryable } from "../engine/db";

export interface Resource {
  id: number;
  owner: number;
  ownerName: string;
  ownerSchool: string | null;
  head: number | null;
  headNumber: number | null;
  revised: Date | null;
  archived: boolean;
  /** Where it was adapted from. The title is the source's of that revision. */
  source: { resource: number; revision: number; number: number; author: string } | null;
  shelves: ("staffroom" | "district" | "commons")[];
}

export interface Revision {
  id: number;
  resource: number;
  number: number;
  document: Document;
  author: number;
  created: Date;
}

export async function resourceById(db: Queryable, id: number): Promise<Resource | undefined> {
  const rows = await db.query<Resource>(
    `select r.id, r.owner_id owner, p.given_name || ' ' || p.family_name "ownerName", s.name "ownerSchool",
            r.head_revision_id head, h.number "headNumber", h.created revised, r.archived is not null archived,
            (select jsonb_build_object('resource', v.resource_id, 'revision', v.id, 'number', v.number,
                                       'author', a.given_name || ' ' || a.family_name)
               from revision v join resource o on o.id = v.resource_id join person a on a.id = coalesce(o.made_by_id, o.owner_id)
              where v.id = r.source_revision_id) source,
            coalesce((select array_agg(e.shelf order by e.shelf) from shelf_entry e where e.resource_id = r.id), '{}') shelves
       from resource r join person p on p.id = coalesce(r.made_by_id, r.owner_id) left join school s on s.id = p.school_id
       left join revision h on h.id = r.head_revision_id
      where r.id = $1`,
    [id],
  );
  return rows[0];
}

/** What was computed from a resource's newest revision when it was published. */
export async function factsOfHead(db: Queryable, resource: number): Promise<Facts> {
  const { facts } = await one<{ facts: Facts }>(db, "select facts from resource_facts where resource_id = $1", [
    resource,
  ]);
  return facts;
}

/** What is published of these, and whose it is; what is not published is not among them. */
export async function headsOf(
  db: Queryable,
  ids: readonly number[],
): Promise<
  { id: number; revision: number; owner: number; ownerName: string; ownerSchool: string | null; facts: Facts }[]
> {
  return db.query(
    `select r.id, r.head_revision_id revision, r.owner_id owner, p.given_name || ' ' || p.family_name "ownerName",
            s.name "ownerSchool", f.facts
       from resource r join resource_facts f on f.resource_id = r.id join person p on p.id = coalesce(r.made_by_id, r.owner_id)
       left join school s on s.id = p.school_id
      where r.id = any($1::int[]) and r.head_revision_id is not null`,
    [ids],
  );
}

/** Her own things that are published and not put away, the latest first. */
export const ownPublished = (
  db: Queryable,
  owner: number,
  most: number,
): Promise<{ id: number; title: string; minutes: number }[]> =>
  db.query(
    `select r.id, f.facts ->> 'title' title, (f.facts ->> 'minutes')::int minutes
       from resource r join resource_facts f on f.resource_id = r.id join revision h on h.id = r.head_revision_id
      where r.owner_id = $1 and r.archived is null order by h.created desc, r.id desc limit $2`,
    [owner, most],
  );

/** @throws DocumentError when what is stored cannot be read by this version */
export async function revisionById(db: Queryable, id: number): Promise<Revision | undefined> {
  const rows = await db.query<Revision>(
    "select id, resource_id resource, number, document, author_id author, created from revision where id = $1",
    [id],
  );
  return rows[0] && { ...rows[0], document: parseDocument(rows[0].document) };
}

/** Every revision of a resource, the newest first, without its document. */
export function revisionsOf(db: Queryable, resource: number): Promise<Omit<Revision, "document">[]> {
  return db.query(
    "select id, resource_id resource, number, author_id author, created from revision where resource_id = $1 order by number desc",
    [resource],
  );
}

/** Says that a version goes on from a later revision of its source than before. */
export async function followSource(db: Queryable, resource: number, revision: number): Promise<void> {
  await db.query("update resource set source_revision_id = $2 where id = $1", [resource, revision]);
}

/** Whether every one of these is a person's own. */
export async function ownsAll(db: Queryable, person: number, resources: readonly number[]): Promise<boolean> {
  const asked = [...new Set(resources)];
  const rows = await db.query("select 1 from resource where owner_id = $1 and id = any($2::int[])", [person, asked]);
  return rows.length === asked.length;
}

/** Which of these are hers. */
export async function ownedAmong(db: Queryable, person: number, resources: readonly number[]): Promise<number[]> {
  const rows = await db.query<{ id: number }>("select id from resource where owner_id = $1 and id = any($2::int[])", [
    person,
    resources,
  ]);
  return rows.map(({ id }) => id);
}

export async function addResource(
  db: Queryable,
  resource: { district: number; owner: number; source: number | null; created: Date },
): Promise<number> {
  const { id } = await one<{ id: number }>(
    db,
    "insert into resource (district_id, owner_id, source_revision_id, created) values ($1, $2, $3, $4) returning id",
    [resource.district, resource.owner, resource.source, resource.created],
  );
  return id;
}

/** Adds a revision and makes it the head. The row of the resource is locked, so two publishers get two numbers. */
export async function addRevision(
  tx: Queryable,
  revision: { resource: number; document: Document; hash: string; author: number; created: Date },
): Promise<{ id: number; number: number }> {
  await tx.query("select 1 from resource where id = $1 for update", [revision.resource]);
  const added = await one<{ id: number; number: number }>(
    tx,
    `insert into revision (resource_id, number, document, document_hash, author_id, created)
     select $1, coalesce(max(number), 0) + 1, $2::jsonb, $3, $4, $5 from revision where resource_id = $1
     returning id, number`,
    [revision.resource, JSON.stringify(revision.document), revision.hash, revision.author, revision.created],
  );
  await tx.query("update resource set head_revision_id = $2 where id = $1", [revision.resource, added.id]);
  return added;
}

/** Makes an earlier revision the head again. False: the head is another by now. */
export async function setHead(tx: Queryable, resource: number, from: number, to: number): Promise<boolean> {
  const rows = await tx.query(
    "update resource set head_revision_id = $3 where id = $1 and head_revision_id = $2 returning id",
    [resource, from, to],
  );
  return rows.length > 0;
}

export async function setArchived(db: Queryable, resource: number, at: Date | null): Promise<void> {
  await db.query("update resource set archived = $2 where id = $1", [resource, at]);
}

/** What a resource was adapted from, as it is called now; undefined: it is nobody's version. */
export async function originalOf(db: Queryable, resource: number): Promise<{ id: number; title: string } | undefined> {
  const rows = await db.query<{ id: number; title: string }>(
    `select v.resource_id id, f.facts ->> 'title' title
       from resource r join revision v on v.id = r.source_revision_id join resource_facts f on f.resource_id = v.resource_id
      where r.id = $1 and v.resource_id <> r.id`,
    [resource],
  );
  return rows[0];
}

/** Who has a version of a resource: people of a school by name, of all others how many. */
export async function adaptersOf(
  db: Queryable,
  resource: number,
  school: number | null,
): Promise<{ names: string[]; others: number }> {
  const rows = await db.query<{ name: string; here: boolean }>(
    `select distinct on (p.id) p.given_name || ' ' || p.family_name as name, coalesce(p.school_id = $2::int, false) here
       from resource r join revision v on v.id = r.source_revision_id join resource o on o.id = v.resource_id
       join person p on p.id = r.owner_id
      where v.resource_id = $1 and r.archived is null and r.owner_id <> o.owner_id order by p.id`,
    [resource, school],
  );
  return {
    names: rows
      .filter(({ here }) => here)
      .map(({ name }) => name)
      .sort((one, other) => one.localeCompare(other)),
    others: rows.filter(({ here }) => !here).length,
  };
}

/** An adaptation of this resource the person already has, newest first. */
export async function adaptationsBy(db: Queryable, person: number, resource: number): Promise<number[]> {
  const rows = await db.query<{ id: number }>(
    `select r.id from resource r join revision v on v.id = r.source_revision_id
      where r.owner_id = $1 and v.resource_id = $2 and r.archived is null order by r.id desc`,
    [person, resource],
  );
  return rows.map((row) => row.id);
}

export interface Draft {
  document: Document;
  base: number | null;
  saved: Date;
}

export async function draftOf(db: Queryable, resource: number): Promise<Draft | undefined> {
  const rows = await db.query<Draft>(
    "select document, base_revision_id base, saved from draft where resource_id = $1",
    [resource],
  );
  return rows[0] && { ...rows[0], document: parseDocument(rows[0].document) };
}

/** How often a resource was saved; goes on counting when it is published, and never comes to a number again. */
export async function editsOf(db: Queryable, resource: number): Promise<number> {
  return (await one<{ edits: number }>(db, "select edits from resource where id = $1", [resource])).edits;
}

/**
 * Saves a draft if nobody saved anything since `seen` (0 for a new resource). Returns the new number of edits, or null when
 * somebody did: nothing is overwritten then.
 */
export async function saveDraft(
  db: Queryable,
  draft: { resource: number; document: Document; base: number | null; seen: number; by: number; at: Date },
): Promise<number | null> {
  const rows = await db.query<{ edits: number }>(
    `with counted as (update resource set edits = edits + 1 where id = $1 and edits = $4 returning edits),
          saved as (
            insert into draft (resource_id, document, base_revision_id, saved_by, saved)
            select $1, $2::jsonb, $3, $5, $6 from counted
            on conflict (resource_id) do update
              set document = excluded.document, saved_by = excluded.saved_by, saved = excluded.saved)
     select edits from counted`,
    [draft.resource, JSON.stringify(draft.document), draft.base, draft.seen, draft.by, draft.at],
  );
  return rows[0]?.edits ?? null;
}

/** Ends the draft; counted like a save, so that windows that have not heard are told. Returns the new number of edits. */
export async function dropDraft(tx: Queryable, resource: number): Promise<number> {
  await tx.query("delete from draft where resource_id = $1", [resource]);
  const { edits } = await one<{ edits: number }>(
    tx,
    "update resource set edits = edits + 1 where id = $1 returning edits",
    [resource],
  );
  return edits;
}
