import { GRADE_SHIFT, packFacets, SUBJECT_MASK, SUBJECT_SHIFT } from "@/core/find/facets";
import type { Facts } from "@/core/resource/facts";
import type { FileOwner, SharedShelf, ShelfRule } from "@/core/sharing/how-far";
import { one, type Queryable } from "../engine/db";

const GRADE_MASK = (1 << 13) - 1;

/** A resource on a shelf. `grades` and `subjects` are bits as in search_entry.facets; 0: those of the resource. */
export interface ShelfEntry {
  resource: number;
  shelf: SharedShelf;
  school: number | null;
  grades: number;
  subjects: number;
  by: number;
  /** ISO: entries are compared as they were kept. */
  at: string;
}

export const entriesOf = (db: Queryable, resources: readonly number[]): Promise<ShelfEntry[]> =>
  db.query<ShelfEntry>(
    `select resource_id resource, shelf, school_id school, grades, subjects, added_by "by", to_jsonb(added) #>> '{}' as at
       from shelf_entry where resource_id = any($1::int[]) order by resource_id, shelf`,
    [resources],
  );

/** Puts these resources on just these shelves, and on no others. */
export async function setEntries(
  tx: Queryable,
  resources: readonly number[],
  entries: readonly ShelfEntry[],
): Promise<void> {
  await tx.query("delete from shelf_entry where resource_id = any($1::int[])", [resources]);
  await tx.query(
    `insert into shelf_entry (resource_id, shelf, school_id, grades, subjects, added_by, added)
     select resource, shelf, school, grades, subjects, "by", at
       from jsonb_to_recordset($1::jsonb) as e(resource int, shelf text, school int, grades int, subjects int, "by" int, at timestamptz)`,
    [JSON.stringify(entries)],
  );
  await reshelve(tx, resources);
}

/** Brings what the search knows of shelves, grades and subjects up to date with where these stand now. */
export async function reshelve(tx: Queryable, resources: readonly number[]): Promise<void> {
  const rows = await tx.query<{ id: number; facts: Facts }>(
    "select resource_id id, facts from resource_facts where resource_id = any($1::int[])",
    [resources],
  );
  await tx.query(
    `with own as (select * from jsonb_to_recordset($1::jsonb) as o(id int, facets int)),
     stands as (
       select o.id, o.facets, coalesce(max(s.school_id), 0) school, max(s.added) added,
              coalesce(sum(case s.shelf when 'staffroom' then 1 when 'district' then 2 when 'commons' then 4 end), 0)::int shelves,
              coalesce(bit_or(s.grades), 0) grades, coalesce(bit_or(s.subjects), 0) subjects
         from own o left join shelf_entry s on s.resource_id = o.id group by o.id, o.facets)
     update search_entry e set school_id = s.school, shelves = s.shelves, fresh = greatest(e.fresh, s.added),
            facets = (s.facets & ~(case when s.grades > 0 then ${GRADE_MASK << GRADE_SHIFT} else 0 end)
                               & ~(case when s.subjects > 0 then ${SUBJECT_MASK << SUBJECT_SHIFT} else 0 end))
                     | (s.grades << ${GRADE_SHIFT}) | (s.subjects << ${SUBJECT_SHIFT})
       from stands s where e.resource_id = s.id`,
    [JSON.stringify(rows.map(({ id, facts }) => ({ id, facets: packFacets(facts) })))],
  );
}

/** Whether it stands somewhere for other grades or subjects than its own. */
export async function standsForOthers(db: Queryable, resource: number): Promise<boolean> {
  const rows = await db.query("select 1 from shelf_entry where resource_id = $1 and grades | subjects <> 0", [
    resource,
  ]);
  return rows.length > 0;
}

export async function shelfRulesOf(
  db: Queryable,
  school: number | null,
): Promise<{ district: ShelfRule; commons: ShelfRule }> {
  const rows = await db.query<{ district: ShelfRule; commons: ShelfRule }>(
    "select district_rule district, commons_rule commons from school where id = $1",
    [school ?? -1],
  );
  return rows[0] ?? { district: "curators", commons: "curators" };
}

export async function setShelfRules(
  db: Queryable,
  school: number,
  rules: { district: ShelfRule; commons: ShelfRule },
): Promise<void> {
  await db.query("update school set district_rule = $2, commons_rule = $3 where id = $1", [
    school,
    rules.district,
    rules.commons,
  ]);
}

export const fileOwners = (db: Queryable, files: readonly string[]): Promise<FileOwner[]> =>
  db.query<FileOwner>(
    `select m.sha256, m.added_by "by", p.kind = 'student' "byStudent" from media m join person p on p.id = m.added_by
      where m.sha256 = any($1::text[])`,
    [files],
  );

/** Children in any class somebody teaches. */
export const taughtBy = (db: Queryable, teacher: number): Promise<{ givenName: string; familyName: string }[]> =>
  db.query(
    `select distinct p.given_name "givenName", p.family_name "familyName" from class_teacher t
       join enrolment e on e.class_id = t.class_id join person p on p.id = e.student_id where t.person_id = $1`,
    [teacher],
  );

/** How many other adults would see what stands on each shelf. */
export async function readersOf(
  db: Queryable,
  person: number,
): Promise<{ staffroom: number; district: number; commons: number }> {
  return one(
    db,
    `select (count(*) filter (where p.school_id = me.school_id))::int staffroom,
            (count(*) filter (where p.district_id = me.district_id))::int district, count(*)::int commons
       from person me join person p on p.kind = 'adult' and p.active and p.id <> me.id where me.id = $1`,
    [person],
  );
}

/** How often others packed, adapted and assigned a resource: numbers only. */
export interface Uses {
  resource: number;
  packed: number;
  adapted: number;
  assigned: number;
}

export const usesOf = (db: Queryable, resources: readonly number[]): Promise<Uses[]> =>
  db.query<Uses>(
    `select r.id resource,
            (select count(*)::int from pack k where k.resource_id = r.id and k.person_id <> r.owner_id) packed,
            (select count(*)::int from resource o join revision v on v.id = o.source_revision_id
              where v.resource_id = r.id and o.owner_id <> r.owner_id) adapted,
            (select count(distinct a.class_id)::int from assignment a
              where a.resource_id = r.id and a.made_by <> r.owner_id and a.called_back is null) assigned
       from resource r where r.id = any($1::int[])`,
    [resources],
  );

/** Whose a resource of a district is; undefined: there is none. */
export async function ownerIn(
  db: Queryable,
  district: number,
  resource: number,
): Promise<{ by: number; title: string } | undefined> {
  const rows = await db.query<{ by: number; title: string }>(
    `select r.owner_id "by", f.facts ->> 'title' title from resource r join resource_facts f on f.resource_id = r.id
      where r.id = $1 and r.district_id = $2`,
    [resource, district],
  );
  return rows[0];
}
