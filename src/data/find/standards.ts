import type { FrameworkFile } from "@/formats/case/case";
import type { Document } from "@/core/resource/document";
import { one, type Queryable } from "../engine/db";
import { reached, readerParameters, type Reader } from "./reach";
import { forgetSearchCache, searchCache } from "../engine/search-cache";

export interface Standard {
  id: number;
  framework: number;
  parent: number | null;
  code: string;
  statement: string;
  gradeFrom: number | null;
  gradeTo: number | null;
}

export interface Framework {
  id: number;
  /** Its CASE identifier: what a document names it by. */
  uri: string;
  name: string;
  publisher: string;
  source: string;
}

/** A document names the framework its codes are of by its CASE identifier, or by its name: other frameworks use the same codes. */
const isNamed = (said: string) => `${said} in (f.uri, f.name)`;

/**
 * Takes a framework in, or brings it up to date: statements are found again by their identifier, so what is aligned to
 * them stays. What is no longer in the file is withdrawn, or removed when nothing is aligned to it. `unlinked`: relations
 * to statements of frameworks that are not here; taking the file in again once they are links them.
 */
export async function importFramework(
  tx: Queryable,
  file: FrameworkFile,
  of: { district: number | null; now: Date },
): Promise<{ framework: number; added: number; changed: number; withdrawn: number; unlinked: number }> {
  const { id } = await one<{ id: number }>(
    tx,
    `insert into framework as f (district_id, uri, name, publisher, source, imported) values ($1, $2, $3, $4, $5, $6)
     on conflict (district_id, uri) do update set name = excluded.name, publisher = excluded.publisher, source = excluded.source, imported = excluded.imported
     returning id`,
    [of.district, file.uri, file.name, file.publisher, file.source, of.now],
  );
  const statements = JSON.stringify(
    file.statements.map((one, position) => ({
      ...one,
      position,
      grade_from: one.grades?.from ?? null,
      grade_to: one.grades?.to ?? null,
    })),
  );
  const written = await tx.query<{ fresh: boolean }>(
    `insert into standard as s (framework_id, uri, code, statement, grade_from, grade_to, position)
     select $1, g.uri, g.code, g.statement, g.grade_from, g.grade_to, g.position
       from jsonb_to_recordset($2::jsonb) as g(uri text, code text, statement text, grade_from int, grade_to int, position int)
     on conflict (framework_id, uri) do update set code = excluded.code, statement = excluded.statement, grade_from = excluded.grade_from,
       grade_to = excluded.grade_to, position = excluded.position, withdrawn = false
       where (s.code, s.statement, s.grade_from, s.grade_to, s.position, s.withdrawn)
         is distinct from (excluded.code, excluded.statement, excluded.grade_from, excluded.grade_to, excluded.position, false)
     returning xmax = 0 fresh`,
    [id, statements],
  );
  await tx.query(
    `update standard s set parent_id = p.id
       from jsonb_to_recordset($2::jsonb) as g(uri text, parent text) left join standard p on p.framework_id = $1 and p.uri = g.parent
      where s.framework_id = $1 and s.uri = g.uri and s.parent_id is distinct from p.id`,
    [id, statements],
  );
  const gone = await tx.query<{ id: number }>(
    `update standard set withdrawn = true where framework_id = $1 and not withdrawn
        and uri not in (select g.uri from jsonb_to_recordset($2::jsonb) as g(uri text)) returning id`,
    [id, statements],
  );
  await tx.query(
    `delete from standard s where s.framework_id = $1 and s.withdrawn
        and not exists (select 1 from alignment a where a.standard_id = s.id) and not exists (select 1 from standard c where c.parent_id = s.id)`,
    [id],
  );
  await tx.query(
    `with recursive up as (
       select id, parent_id, array[id] above from standard where framework_id = $1 and parent_id is null
       union all select s.id, s.parent_id, up.above || s.id from standard s join up on s.parent_id = up.id)
     update standard s set ancestors = up.above from up where up.id = s.id and s.ancestors is distinct from up.above`,
    [id],
  );
  // Either end may stand in another framework; who may read which is asked when it is read (crosswalk).
  await tx.query(
    `insert into standard_association (origin_id, kind, destination_id)
     select o.id, g.kind, d.id from jsonb_to_recordset($2::jsonb) as g(origin text, kind text, destination text)
       join standard o on o.uri = g.origin join standard d on d.uri = g.destination
      where $1 in (o.framework_id, d.framework_id) on conflict do nothing`,
    [id, JSON.stringify(file.associations)],
  );
  const { unlinked } = await one<{ unlinked: number }>(
    tx,
    `select count(*)::int unlinked from jsonb_to_recordset($1::jsonb) as g(origin text, destination text)
      where not exists (select 1 from standard where uri = g.origin) or not exists (select 1 from standard where uri = g.destination)`,
    [JSON.stringify(file.associations)],
  );
  // What was published before its framework came: aligned now.
  await tx.query(
    `insert into alignment (resource_id, standard_id, relation)
     select r.id, s.id, a ->> 'relation' from resource r join revision v on v.id = r.head_revision_id,
            jsonb_array_elements(v.document -> 'standards') a join standard s on s.code = a ->> 'code' and s.framework_id = $1
            join framework f on f.id = s.framework_id
      where s.code <> '' and (f.district_id is null or f.district_id = r.district_id) and ${isNamed("a ->> 'framework'")}
     on conflict do nothing`,
    [id],
  );
  await forgetSearchCache(tx);
  return {
    framework: id,
    added: written.filter((row) => row.fresh).length,
    changed: written.filter((row) => !row.fresh).length,
    withdrawn: gone.length,
    unlinked,
  };
}

/** Writes what a document says it is aligned to; codes its framework has not are left out, and come with their framework. */
export async function alignResource(tx: Queryable, resource: number, document: Document): Promise<void> {
  await tx.query("delete from alignment where resource_id = $1", [resource]);
  if (document.standards.length === 0) return;
  await tx.query(
    `insert into alignment (resource_id, standard_id, relation)
     select $1, s.id, g.relation from jsonb_to_recordset($2::jsonb) as g(framework text, code text, relation text)
       join standard s on s.code = g.code and not s.withdrawn join framework f on f.id = s.framework_id
       join resource r on r.id = $1
      where (f.district_id is null or f.district_id = r.district_id) and ${isNamed("g.framework")} on conflict do nothing`,
    [resource, JSON.stringify(document.standards)],
  );
}

const mayReadFramework = "(f.district_id is null or f.district_id = $1)";

/** What this district may read: its own first, and among those the one that says most. */
export async function frameworksOf(db: Queryable, district: number): Promise<Framework[]> {
  return db.query<Framework>(
    `select f.id, f.uri, f.name, f.publisher, f.source from framework f where ${mayReadFramework} 
      order by f.district_id nulls last, (select count(*) from standard s where s.framework_id = f.id and not s.withdrawn) desc, f.name`,
    [district],
  );
}

/** A node of the tree with how many resources this reader may see below it, each counted once. */
export interface TreeNode extends Standard {
  resources: number;
  position: number;
}

export async function treeOf(db: Queryable, reader: Reader, framework: number): Promise<TreeNode[]> {
  return searchCache(db, reader.version, `tree ${framework} ${reader.id}`, () =>
    db.query<TreeNode>(
      `with seen as materialized (
         select a.resource_id, array_agg(distinct a.standard_id) standards from alignment a join standard s on s.id = a.standard_id
           join search_entry e on e.resource_id = a.resource_id, ${reached}
          where s.framework_id = $5 and r.reach <> 0 group by a.resource_id),
       -- Most are aligned to one statement only: those are counted by statement before they are counted upwards.
       single as (select standards[1] standard, count(*) n from seen where cardinality(standards) = 1 group by 1),
       several as (select resource_id, unnest(standards) standard from seen where cardinality(standards) > 1),
       counted as (
         select node, sum(n)::int resources from (
           select above node, single.n from single join standard s on s.id = single.standard, unnest(s.ancestors) above
           union all
           select above, count(distinct several.resource_id)
             from several join standard s on s.id = several.standard, unnest(s.ancestors) above group by 1) x
          group by node)
       select s.id, s.framework_id framework, s.parent_id parent, s.code, s.statement, s.grade_from "gradeFrom", s.grade_to "gradeTo",
              s.position, coalesce(counted.resources, 0) resources
         from standard s join framework f on f.id = s.framework_id left join counted on counted.node = s.id
        where s.framework_id = $5 and not s.withdrawn and (f.district_id is null or f.district_id = $3) order by s.position`,
      [...readerParameters(reader), framework],
    ),
  );
}

/** The statements of a framework in their order, without what there is below them. */
export async function statementsOf(db: Queryable, district: number, framework: number): Promise<Standard[]> {
  return db.query<Standard>(
    `select s.id, s.framework_id framework, s.parent_id parent, s.code, s.statement, s.grade_from "gradeFrom", s.grade_to "gradeTo"
       from standard s join framework f on f.id = s.framework_id
      where s.framework_id = $2 and not s.withdrawn and ${mayReadFramework} order by s.position`,
    [district, framework],
  );
}

/** Statements by code, and those whose codes go on from one of these ("MA.5" has all of grade 5), in the frameworks of this district. */
export async function standardsByCode(
  db: Queryable,
  district: number,
  codes: readonly string[],
): Promise<(Standard & { frameworkName: string })[]> {
  return db.query(
    `select s.id, s.framework_id framework, s.parent_id parent, s.code, s.statement, s.grade_from "gradeFrom", s.grade_to "gradeTo", f.name "frameworkName"
       from standard s join framework f on f.id = s.framework_id
      where (upper(s.code) = any($2::text[]) or exists (select 1 from unnest($2::text[]) as u(start) where upper(s.code) like u.start || '.%'))
        and not s.withdrawn and ${mayReadFramework} order by s.position`,
    [district, codes.map((code) => code.toUpperCase())],
  );
}

/** A statement to align to, with the framework it is of. */
export interface StandardOffer {
  framework: string;
  frameworkName: string;
  code: string;
  statement: string;
}

/**
 * Statements with a code that say something of these words, the closest first; the district's own before those that are for everyone,
 * those of the grades before others. A word may also be the beginning of a code.
 */
export async function standardsLike(
  db: Queryable,
  district: number,
  of: { words: readonly string[]; grades: { from: number; to: number }; limit: number },
): Promise<StandardOffer[]> {
  if (of.words.length === 0) return [];
  // Only what could begin a code is compared with codes: "MA.5", "4.MD".
  const codes = of.words
    .filter((word) => /^[a-z0-9.-]{2,20}$/i.test(word) && /[\d.]/.test(word))
    .map((word) => word.toUpperCase());
  return db.query<StandardOffer>(
    `with asked as materialized (
       select array_to_string(array_agg(q::text), ' | ')::tsquery q
         from unnest($2::text[]) w, plainto_tsquery('satchel_en', w) q where q::text <> ''),
     found as (
       select s.id, false by_code, ts_rank(to_tsvector('satchel_en', s.statement), asked.q) rank
         from standard s, asked where to_tsvector('satchel_en', s.statement) @@ asked.q
       union all
       select s.id, true, 0 from standard s, unnest($6::text[]) start where upper(s.code) like start || '%')
     select f.uri framework, f.name "frameworkName", s.code, s.statement
       from (select id, bool_or(by_code) by_code, max(rank) rank from found group by id) x
       join standard s on s.id = x.id join framework f on f.id = s.framework_id
      where ${mayReadFramework} and not s.withdrawn and s.code <> ''
      order by x.by_code desc, f.district_id nulls last,
               x.rank + case when s.grade_from <= $4 and coalesce(s.grade_to, s.grade_from) >= $3 then 0.1 else 0 end desc,
               s.position limit $5`,
    [district, of.words, of.grades.from, of.grades.to, of.limit, codes],
  );
}

/** The statements of what a document names, where they are known. */
export async function standardsNamed(
  db: Queryable,
  district: number,
  named: readonly { framework: string; code: string }[],
): Promise<StandardOffer[]> {
  return db.query<StandardOffer>(
    `select g.framework, f.name "frameworkName", s.code, s.statement
       from jsonb_to_recordset($2::jsonb) as g(framework text, code text)
       join standard s on s.code = g.code join framework f on f.id = s.framework_id
      where ${mayReadFramework} and ${isNamed("g.framework")}`,
    [district, JSON.stringify(named)],
  );
}

/** Codes a class has met: those of everything assigned to it that has opened. */
export async function coveredBy(db: Queryable, classId: number, now: Date): Promise<string[]> {
  const rows = await db.query<{ code: string }>(
    `select distinct s.code from assignment a join alignment g on g.resource_id = a.resource_id join standard s on s.id = g.standard_id
      where a.class_id = $1 and a.opens <= $2 and a.called_back is null and g.relation <> 'requires'`,
    [classId, now],
  );
  return rows.map((row) => row.code);
}

/** What a statement corresponds to elsewhere, read in both directions. */
export async function crosswalk(
  db: Queryable,
  district: number,
  standard: number,
): Promise<{ kind: string; code: string; statement: string; framework: string }[]> {
  return db.query(
    `select a.kind, s.code, s.statement, f.name framework from (
       select kind, destination_id other from standard_association where origin_id = $2
       union select kind, origin_id from standard_association where destination_id = $2) a
      join standard s on s.id = a.other join framework f on f.id = s.framework_id
     where ${mayReadFramework} order by a.kind, s.code`,
    [district, standard],
  );
}
