import { EIGHT, GRADE_SHIFT, LENGTH_SHIFT, masksOf, SUBJECT_SHIFT } from "@/core/find/facets";
import type { Need } from "@/core/find/need";
import type { Facts } from "@/core/resource/facts";
import { alsoConditions, namedConditions, nothingNamed, ParameterList, type Named } from "./also";
import type { Queryable } from "./db";
import { inSatchel, reached, readerParameters, type Reader } from "./reach";

export interface Hit {
  id: number;
  facts: Facts;
  author: string;
  /** Bits: 1 staffroom, 2 district, 4 commons, 8 her satchel. */
  reach: number;
  mine: boolean;
  /** By how many classes of her school. */
  usedHere: number;
  /** 0, or the family it belongs to: versions of one thing, folded under the best of them. */
  family: number;
  /** How many versions this need finds, itself included, and how many of them stand in her staffroom. */
  versions: number;
  versionsHere: number;
  /** A version shown because its family was unfolded. */
  folded: boolean;
  /** When this revision could first be found. */
  fresh: Date;
}

export const sorts = ["best", "title", "grades", "minutes", "reading", "used", "fit"] as const;
export type Sort = (typeof sorts)[number];

/**
 * Words as a query in PostgreSQL's own form, made by data/words.ts, and each of them by itself, for ranking by how many
 * stand in the title; `loose`: not all of them are asked for. Null: no words, everything.
 */
export type WordQuery = { text: string; parts: string[]; loose: boolean } | null;

/** How many entries are ranked at the most: beyond that the words say too little to rank by. */
export const CANDIDATES = 400;
/** When only the best few are shown, fewer need ranking; versions fold, so more than are shown. */
const candidatesFor = (sort: Sort, limit: number): number =>
  sort === "best" || sort === "used" ? Math.min(CANDIDATES, Math.max(200, limit * 3)) : CANDIDATES;

/** $6 kinds, $7 longest, $8 subjects, $9 grades, $10 shelf, as in data/counts.ts. */
export const passes = `r.reach <> 0
  and ($6::int = 0 or (($6::int >> (e.facets & ${EIGHT})) & 1) = 1)
  and ((e.facets >> ${LENGTH_SHIFT}) & ${EIGHT}) <= $7::int
  and ($8::int = 0 or ((e.facets >> ${SUBJECT_SHIFT}) & $8::int) <> 0)
  and ($9::int = 0 or ((e.facets >> ${GRADE_SHIFT}) & $9::int) <> 0)
  and ($10::int = 0 or (r.reach & $10::int) <> 0)`;

const usedHere = `here as (
  select a.resource_id, count(distinct a.class_id)::int classes from assignment a join class c on c.id = a.class_id
   where c.school_id = $2 and a.called_back is null group by 1)`;

// Titles first, then the rest; inside each, entries lie in the order they were added, the popular ones of a bulk first.
const columns = "e.resource_id, e.uses, e.minutes, e.family, e.fresh, r.reach";
// The share of the words in the title weighs most, then the share of them at all (where not all are asked for), then how
// close together and how high up they stand.
const rankedBy = (loose: boolean) => {
  const share = (of: string) => `(select avg((${of} @@ p)::int)::float4 from unnest($14::tsquery[]) p)`;
  return `(2 * ${share("e.title_words")} + ${loose ? share("e.words") : 1}
    + ts_rank_cd('{0.05, 0.2, 0.5, 1}', e.words, $5::tsquery, 1))`;
};
const candidatesByWords = (which: string, most: number, loose: boolean) => `
  (select ${columns}, ${rankedBy(loose)} as rank
     from search_entry e, ${reached} where e.title_words @@ $5::tsquery and ${which} limit ${most})
  union all
  (select ${columns}, ${rankedBy(loose)}
     from search_entry e, ${reached} where e.words @@ $5::tsquery and not e.title_words @@ $5::tsquery and ${which} limit ${most})`;

const candidatesWithoutWords = (which: string, most: number) => `
  select distinct on (resource_id) * from (
    (select ${columns}, 0::float4 as rank from search_entry e join here on here.resource_id = e.resource_id, ${reached}
      where $5::text is null and $14::text[] is not null and ${which})
    union all
    (select ${columns}, 0::float4 from search_entry e, ${reached} where ${which}
      order by e.uses desc, e.resource_id limit ${most})
    union all
    (select ${columns}, 0::float4 from search_entry e, ${reached}
      where ${inSatchel} and ${which})) x`;

const orders: Record<Exclude<Sort, "fit">, string> = {
  // What her own school uses is worth about as much as the words standing a little closer together.
  best: `round((c.rank + least(0.4, 0.2 * coalesce(here.classes, 0)) + case when (c.reach & 9) <> 0 then 0.1 else 0 end)::numeric, 3) desc,
    coalesce(here.classes, 0) desc, c.uses desc, c.fresh desc, c.resource_id desc`,
  title: "f.facts ->> 'title', c.resource_id",
  grades: "(f.facts -> 'grades' ->> 'from')::int, (f.facts -> 'grades' ->> 'to')::int, c.rank desc, c.resource_id",
  minutes: "c.minutes, c.rank desc, c.resource_id",
  reading: "(f.facts ->> 'readingGrade')::numeric nulls last, c.rank desc, c.resource_id",
  used: "coalesce(here.classes, 0) desc, c.rank desc, c.uses desc, c.resource_id desc",
};

// $11 how many, $12 the family that is unfolded (0: none), $13 whether versions are folded at all.
const hitsStatement = (candidates: string, sort: Exclude<Sort, "fit">) => `
  with ${usedHere}, c as materialized (${candidates}),
  ranked as (
    select c.*, coalesce(here.classes, 0) classes, row_number() over (order by ${orders[sort]}) nth,
           case when c.family = 0 or $13::boolean then -c.resource_id else c.family end kin
      from c left join here on here.resource_id = c.resource_id
      ${["best", "minutes", "used"].includes(sort) ? "" : "join resource_facts f on f.resource_id = c.resource_id"}),
  folded as (
    select ranked.*, row_number() over (partition by kin order by nth) of_kin, min(nth) over (partition by kin) first_nth,
           count(*) over (partition by kin) versions, count(*) filter (where (reach & 1) <> 0) over (partition by kin) here_too
      from ranked),
  top as (select * from folded where of_kin = 1 or kin = $12::int order by first_nth, of_kin limit $11)
  select top.resource_id id, f.facts, p.given_name || ' ' || p.family_name author, top.reach, w.owner_id = $1 mine,
         top.classes "usedHere", top.family, top.versions::int, top.here_too::int "versionsHere", top.of_kin > 1 folded, top.fresh
    from top join resource_facts f on f.resource_id = top.resource_id join resource w on w.id = top.resource_id
    join person p on p.id = w.owner_id order by top.first_nth, top.of_kin`;

/**
 * The best `limit` results. With words, at most 800 are ranked; without, those used at her school come first. Versions
 * of one thing count as one, but for the family that is `unfolded`. "fit" is ordered by the caller, who knows the class.
 */
export async function hitsOf(
  db: Queryable,
  reader: Reader,
  need: Need,
  words: WordQuery,
  options: { sort: Sort; limit: number; unfolded?: number; unfoldAll?: boolean; named?: Named },
): Promise<Hit[]> {
  const masks = masksOf(need);
  const list = new ParameterList([
    ...readerParameters(reader),
    words?.text ?? null,
    masks.kinds,
    masks.longest,
    masks.subjects,
    masks.grades,
    masks.shelf,
    options.limit,
    options.unfolded ?? 0,
    options.unfoldAll ?? false,
    words?.parts ?? [],
  ]);
  const which = [
    passes,
    ...namedConditions(options.named ?? nothingNamed, list),
    ...alsoConditions(need, list).map(({ sql }) => sql),
  ].join(" and ");
  const most = candidatesFor(options.sort, options.limit);
  const candidates = words === null ? candidatesWithoutWords(which, most) : candidatesByWords(which, most, words.loose);
  return db.query<Hit>(hitsStatement(candidates, options.sort === "fit" ? "best" : options.sort), list.values);
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
