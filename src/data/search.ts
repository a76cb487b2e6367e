import {
  EIGHT,
  facetCounts,
  GRADE_SHIFT,
  LENGTH_SHIFT,
  masksOf,
  SUBJECT_MASK,
  SUBJECT_SHIFT,
  type CountRow,
  type FacetCounts,
} from "@/core/find/facets";
import { isFilled, type Blank, type Need } from "@/core/find/need";
import type { Facts } from "@/core/resource/facts";
import type { Queryable } from "./db";

/** Who looks: decides what is found and counted at all. */
export interface Reader {
  id: number;
  school: number | null;
  district: number;
  /** Ids in her satchel, see data/satchel.ts. */
  satchel: readonly number[];
}

export interface Hit {
  id: number;
  facts: Facts;
  author: string;
  /** Bits: 1 staffroom, 2 district, 4 commons, 8 her satchel. */
  reach: number;
  mine: boolean;
  /** By how many classes of her school. */
  usedHere: number;
}

export const sorts = ["best", "title", "grades", "minutes", "reading", "used"] as const;
export type Sort = (typeof sorts)[number];

/** A query in PostgreSQL's own form, made by data/words.ts; null: no words, everything. */
export type WordQuery = string | null;

/** How many entries are ranked at the most: beyond that the words say too little to rank by. */
const CANDIDATES = 400;

// $1 person, $2 school, $3 district, $4 satchel ids: every statement here starts with these four.
const readerParameters = (reader: Reader) => [reader.id, reader.school ?? -1, reader.district, reader.satchel];

/** Which shelves let this reader see a row `alias` of search_entry or search_tally. */
const open = (alias: string) => `((${alias}.shelves & 4)
  | case when ${alias}.district_id = $3 then ${alias}.shelves & 2 else 0 end
  | case when ${alias}.school_id = $2 then ${alias}.shelves & 1 else 0 end)`;

/** `reach` of a row of search_entry: 0 means it does not exist for this reader. Packing does not outlast the shelf. */
const reached = `lateral (select ${open("e")} as open) o,
  lateral (select o.open | case when e.owner_id = $1 or (o.open <> 0 and e.resource_id = any($4::int[])) then 8 else 0 end as reach) r`;

// Hers and packed, by two indexes: an `or` of the two would read every row.
const inSatchel = `e.resource_id in (
  select m.resource_id from search_entry m where m.owner_id = $1 union all select unnest($4::int[]))`;

// Alike rows are put together before anything is worked out about them: a common word is in half of all there are.
const byWords = `
  select g.facets, r.reach, sum(g.n)::int entries
    from (select e.facets, e.shelves, e.district_id, e.school_id, e.owner_id = $1 as own, e.resource_id = any($4::int[]) as packed, count(*) n
            from search_entry e where e.words @@ $5::tsquery group by 1, 2, 3, 4, 5, 6) g,
         lateral (select ${open("g")} as open) o,
         lateral (select o.open | case when g.own or (o.open <> 0 and g.packed) then 8 else 0 end as reach) r
   where r.reach <> 0 group by 1, 2`;

// Everything, from the tally. What is in her satchel is taken from its tally row and added again with the satchel's bit.
const everything = `
  select t.facets, o.open reach, sum(t.entries)::int entries from search_tally t, lateral (select ${open("t")} as open) o
   where o.open <> 0 and $5::text is null group by 1, 2
  union all
  select e.facets, case when n.sign > 0 then r.reach else o.open end, n.sign
    from search_entry e, ${reached}, (values (1), (-1)) n(sign)
   where ${inSatchel} and (r.reach & 8) <> 0 and (n.sign > 0 or o.open <> 0)`;

// Each facet is counted over the rows that satisfy all other blanks ($6 kinds, $7 longest, $8 subjects, $9 grades, $10 shelf).
const counting = `
  p as materialized (
    select facets & ${EIGHT} kind, (facets >> ${LENGTH_SHIFT}) & ${EIGHT} length,
           (facets >> ${SUBJECT_SHIFT}) & ${SUBJECT_MASK} subjects, facets >> ${GRADE_SHIFT} grades, reach, entries,
           $6::int = 0 or (($6::int >> (facets & ${EIGHT})) & 1) = 1 as k,
           ((facets >> ${LENGTH_SHIFT}) & ${EIGHT}) <= $7::int as l,
           $8::int = 0 or ((facets >> ${SUBJECT_SHIFT}) & $8::int) <> 0 as s,
           $9::int = 0 or ((facets >> ${GRADE_SHIFT}) & $9::int) <> 0 as g,
           $10::int = 0 or (reach & $10::int) <> 0 as h
      from found)
  select 'kind' facet, kind as value, sum(entries)::int entries from p where l and s and g and h group by kind
  union all select 'length', length, sum(entries)::int from p where k and s and g and h group by length
  union all select 'subject', v, sum(n)::int
    from (select subjects, sum(entries) n from p where k and l and g and h group by subjects) x, generate_series(0, 9) v
   where ((subjects >> v) & 1) = 1 group by v
  union all select 'grade', v, sum(n)::int
    from (select grades, sum(entries) n from p where k and l and s and h group by grades) x, generate_series(0, 12) v
   where ((grades >> v) & 1) = 1 group by v
  union all select 'shelf', v, sum(n)::int
    from (select reach, sum(entries) n from p where k and l and s and g group by reach) x, (values (1), (2), (4), (8)) w(v)
   where (reach & v) <> 0 group by v
  union all select 'trail', t.v, coalesce(sum(entries) filter (where case t.v when 0 then true when 1 then k when 2 then k and g
     when 3 then k and g and s when 4 then k and g and s and l else k and g and s and l and h end), 0)::int
    from generate_series(0, 5) t(v) left join p on true group by t.v`;

const countByWords = `with found as materialized (${byWords}), ${counting}`;
const countEverything = `with found as materialized (${everything}), ${counting}`;
const countAll = `select coalesce(sum(entries), 0)::int entries from (${everything}) x`;

/** One step of narrowing: the blank that was filled, and how many were left. */
export interface TrailStep {
  blank: Blank | null;
  left: number;
}

export interface Counts {
  total: number;
  facets: FacetCounts;
  trail: TrailStep[];
}

const trailOrder: readonly Blank[] = ["words", "kind", "grades", "subject", "minutes", "shelf"];

/** Every blank's counts and the trail of narrowing, for one need and one reader. */
export async function countNeed(db: Queryable, reader: Reader, need: Need, words: WordQuery): Promise<Counts> {
  const masks = masksOf(need);
  const parameters = [
    ...readerParameters(reader),
    words,
    masks.kinds,
    masks.longest,
    masks.subjects,
    masks.grades,
    masks.shelf,
  ];
  type Row = CountRow | { facet: "trail"; value: number; entries: number };
  const rows = await db.query<Row>(words === null ? countEverything : countByWords, parameters);
  const left = new Map(rows.flatMap((row) => (row.facet === "trail" ? [[row.value, row.entries]] : [])));
  let all = left.get(0)!;
  if (words !== null) {
    const [row] = await db.query<{ entries: number }>(countAll, [...readerParameters(reader), null]);
    all = row!.entries;
  }
  const trail: TrailStep[] = [{ blank: null, left: all }];
  trailOrder.forEach((blank, at) => {
    if (isFilled(need, blank) && (blank !== "words" || words !== null)) trail.push({ blank, left: left.get(at)! });
  });
  return {
    total: left.get(5)!,
    facets: facetCounts(rows.filter((row): row is CountRow => row.facet !== "trail")),
    trail,
  };
}

// $6 kinds, $7 longest, $8 subjects, $9 grades, $10 shelf, as in `counting`.
const passes = `r.reach <> 0
  and ($6::int = 0 or (($6::int >> (e.facets & ${EIGHT})) & 1) = 1)
  and ((e.facets >> ${LENGTH_SHIFT}) & ${EIGHT}) <= $7::int
  and ($8::int = 0 or ((e.facets >> ${SUBJECT_SHIFT}) & $8::int) <> 0)
  and ($9::int = 0 or ((e.facets >> ${GRADE_SHIFT}) & $9::int) <> 0)
  and ($10::int = 0 or (r.reach & $10::int) <> 0)`;

const usedHere = `here as (
  select a.resource_id, count(distinct a.class_id)::int classes from assignment a join class c on c.id = a.class_id
   where c.school_id = $2 and a.called_back is null group by 1)`;

// Titles first, then the rest; inside each, entries lie in the order they were added, the popular ones of a bulk first.
const candidatesByWords = `
  (select e.resource_id, e.uses, e.minutes, r.reach, ts_rank_cd('{0.05, 0.2, 0.5, 1}', e.words, $5::tsquery, 1) + 2 as rank
     from search_entry e, ${reached} where e.title_words @@ $5::tsquery and ${passes} limit ${CANDIDATES})
  union all
  (select e.resource_id, e.uses, e.minutes, r.reach, ts_rank_cd('{0.05, 0.2, 0.5, 1}', e.words, $5::tsquery, 1)
     from search_entry e, ${reached} where e.words @@ $5::tsquery and not e.title_words @@ $5::tsquery and ${passes} limit ${CANDIDATES})`;

const candidatesWithoutWords = `
  select distinct on (resource_id) * from (
    (select e.resource_id, e.uses, e.minutes, r.reach, 0::float4 as rank from search_entry e join here on here.resource_id = e.resource_id, ${reached}
      where $5::text is null and ${passes})
    union all
    (select e.resource_id, e.uses, e.minutes, r.reach, 0::float4 from search_entry e, ${reached} where ${passes}
      order by e.uses desc, e.resource_id limit ${CANDIDATES})
    union all
    (select e.resource_id, e.uses, e.minutes, r.reach, 0::float4 from search_entry e, ${reached}
      where ${inSatchel} and ${passes})) x`;

const orders: Record<Sort, string> = {
  // What her own school uses is worth about as much as the words standing a little closer together.
  best: `round((c.rank + least(0.6, 0.3 * coalesce(here.classes, 0)) + case when (c.reach & 9) <> 0 then 0.2 else 0 end)::numeric, 3) desc,
    coalesce(here.classes, 0) desc, c.uses desc, c.resource_id desc`,
  title: "f.facts ->> 'title', c.resource_id",
  grades: "(f.facts -> 'grades' ->> 'from')::int, (f.facts -> 'grades' ->> 'to')::int, c.rank desc, c.resource_id",
  minutes: "c.minutes, c.rank desc, c.resource_id",
  reading: "(f.facts ->> 'readingGrade')::numeric nulls last, c.rank desc, c.resource_id",
  used: "coalesce(here.classes, 0) desc, c.rank desc, c.uses desc, c.resource_id desc",
};

const hitsStatement = (candidates: string, sort: Sort) => `
  with ${usedHere}, c as materialized (${candidates}),
  top as (
    select c.*, coalesce(here.classes, 0) classes, row_number() over (order by ${orders[sort]}) nth
      from c left join here on here.resource_id = c.resource_id
      ${sort === "best" || sort === "minutes" || sort === "used" ? "" : "join resource_facts f on f.resource_id = c.resource_id"}
     order by nth limit $11)
  select top.resource_id id, f.facts, p.given_name || ' ' || p.family_name author, top.reach, w.owner_id = $1 mine, top.classes "usedHere"
    from top join resource_facts f on f.resource_id = top.resource_id join resource w on w.id = top.resource_id
    join person p on p.id = w.owner_id order by top.nth`;

/** The best `limit` results. With words, at most 800 are ranked; without, those used at her school come first. */
export async function hitsOf(
  db: Queryable,
  reader: Reader,
  need: Need,
  words: WordQuery,
  options: { sort: Sort; limit: number },
): Promise<Hit[]> {
  const masks = masksOf(need);
  return db.query<Hit>(hitsStatement(words === null ? candidatesWithoutWords : candidatesByWords, options.sort), [
    ...readerParameters(reader),
    words,
    masks.kinds,
    masks.longest,
    masks.subjects,
    masks.grades,
    masks.shelf,
    options.limit,
  ]);
}

/** Whether this reader may see a resource: hers, or on a shelf open to her. */
export async function mayRead(db: Queryable, reader: Omit<Reader, "satchel">, resource: number): Promise<boolean> {
  const rows = await db.query(
    `select 1 from resource r
      where r.id = $4 and (r.owner_id = $1 or (r.archived is null and exists (
        select 1 from shelf_entry s where s.resource_id = r.id and r.head_revision_id is not null and (
          s.shelf = 'commons' or (s.shelf = 'district' and r.district_id = $3) or (s.shelf = 'staffroom' and s.school_id = $2)))))`,
    [reader.id, reader.school ?? -1, reader.district, resource],
  );
  return rows.length > 0;
}

/** By how many classes of a school a resource was used. */
export async function usedAtSchool(db: Queryable, school: number | null, resource: number): Promise<number> {
  const rows = await db.query<{ classes: number }>(
    `select count(distinct a.class_id)::int classes from assignment a join class c on c.id = a.class_id
      where c.school_id = $1 and a.resource_id = $2 and a.called_back is null`,
    [school ?? -1, resource],
  );
  return rows[0]!.classes;
}
