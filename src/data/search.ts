import { orderedLines, type Candidate, type Sort } from "@/core/find/order";
import type { Facts } from "@/core/resource/facts";
import { needParameters, satisfies, type ReadNeed } from "./conditions";
import { one, type Queryable } from "./db";
import { reached, type Reader } from "./reach";

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

/** How many entries are ranked at the most: beyond that the words say too little to rank by. */
export const CANDIDATES = 400;
/** When only the best few are shown, fewer need ranking; versions fold, so more than are shown. */
const candidatesFor = (sort: Sort, limit: number): number =>
  sort === "best" || sort === "used" ? Math.min(CANDIDATES, Math.max(200, limit * 3)) : CANDIDATES;

const usedHere = `here as (
  select a.resource_id, count(distinct a.class_id)::int classes from assignment a join class c on c.id = a.class_id
   where c.school_id = $2 and a.called_back is null group by 1)`;

const columns = "e.resource_id, e.uses, e.minutes, e.family, e.fresh, r.reach";
// The share of the words in the title weighs most, then the share of them at all (where not all are asked for), then how
// close together and how high up they stand.
const share = (of: string) => `(select avg((${of} @@ p)::int)::float4 from unnest($11::tsquery[]) p)`;
const closeness = "ts_rank_cd('{0.05, 0.2, 0.5, 1}', e.words, $5::tsquery, 1)";

/**
 * Entries with the words in the title, and only as many of the others as those leave room for: a title says most. Inside
 * each, entries lie in the order they were added. What her school uses is never left out.
 */
function candidatesByWords(which: string, most: number, loose: boolean): string {
  // Where all the words are asked for and the title answers, all of them are in the title.
  const titled = `${loose ? `2 * ${share("e.title_words")} + ${share("e.words")}` : "3::float4"} + ${closeness}`;
  const elsewhere = `2 * ${share("e.title_words")} + ${loose ? share("e.words") : "1"} + ${closeness}`;
  return `${usedHere}, titled as materialized (
      select ${columns}, ${titled} as rank from search_entry e, ${reached}
       where e.title_words @@ $5::tsquery and ${which} limit ${most}),
    c as (
      select * from titled
      union all
      (select ${columns}, ${elsewhere} from search_entry e, ${reached}
        where e.words @@ $5::tsquery and not e.title_words @@ $5::tsquery and ${which}
        limit (select greatest(0, ${most} - count(*)) from titled))
      union all
      (select ${columns}, ${elsewhere} from search_entry e, ${reached}
        where e.resource_id = any(array(select resource_id from here)) and e.words @@ $5::tsquery and ${which}))`;
}

const candidatesWithoutWords = (which: string, most: number) => `${usedHere}, c as (
    (select ${columns}, 0::float4 as rank from search_entry e, ${reached} where ${which}
      order by e.uses desc, e.resource_id limit ${most})
    union all
    (select ${columns}, 0::float4 from search_entry e, ${reached}
      where e.resource_id = any($4::int[] || array(select resource_id from here))
        and $5::text is null and $11::text[] is not null and ${which}))`;

/** What a column that is sorted by says, read from the facts; the other orders need nothing from there. */
const said: Partial<Record<Sort, string>> = {
  title: "f.facts ->> 'title'",
  grades: "(f.facts -> 'grades' ->> 'from')::int * 100 + (f.facts -> 'grades' ->> 'to')::int",
  reading: "(f.facts ->> 'readingGrade')::float8",
};

/** Column by column, the n-th of each belong together: a list of rows costs several times as much to hand over. */
type CandidateColumns = { [Field in keyof Candidate]: Candidate[Field][] };

async function candidatesOf(db: Queryable, reader: Reader, read: ReadNeed, sort: Sort, most: number) {
  const list = needParameters(reader, read);
  list.add(read.words?.parts ?? []);
  const which = satisfies(read, list);
  const candidates =
    read.words === null ? candidatesWithoutWords(which, most) : candidatesByWords(which, most, read.words.loose);
  const of = (column: string) => `coalesce(array_agg(${column}), '{}')`;
  const rows = await one<CandidateColumns>(
    db,
    `with ${candidates}
     select ${of("c.resource_id")} id, ${of("c.rank")} rank, ${of("coalesce(here.classes, 0)")} classes,
            ${of("c.reach")} reach, ${of("c.uses")} uses, ${of("c.family")} family, ${of("c.minutes::int")} minutes,
            ${of("extract(epoch from c.fresh)::float8 * 1000")} fresh, ${said[sort] ? of(said[sort]) : "'{}'::text[]"} said
       from c left join here on here.resource_id = c.resource_id
       ${said[sort] ? "join resource_facts f on f.resource_id = c.resource_id" : ""}`,
    list.values,
  );
  const { id, ...others } = rows;
  return id.map((one, at): Candidate => ({
    id: one,
    rank: others.rank[at]!,
    classes: others.classes[at]!,
    reach: others.reach[at]!,
    uses: others.uses[at]!,
    family: others.family[at]!,
    fresh: others.fresh[at]!,
    minutes: others.minutes[at]!,
    said: others.said[at] ?? null,
  }));
}

/**
 * The best `limit` results. With words, at most CANDIDATES are ranked; without, those used at her school come first.
 * Versions of one thing count as one, but for the family that is `unfolded`. "fit" is ordered by the caller, who knows
 * the class.
 */
export async function hitsOf(
  db: Queryable,
  reader: Reader,
  read: ReadNeed,
  options: { sort: Sort; limit: number; unfolded?: number; unfoldAll?: boolean },
): Promise<Hit[]> {
  const candidates = await candidatesOf(db, reader, read, options.sort, candidatesFor(options.sort, options.limit));
  const sort = options.sort === "fit" ? "best" : options.sort;
  const lines = orderedLines(candidates, { ...options, sort }).slice(0, options.limit);
  if (lines.length === 0) return [];
  const rows = await db.query<Pick<Hit, "id" | "facts" | "author" | "mine">>(
    `select f.resource_id id, f.facts, p.given_name || ' ' || p.family_name author, w.owner_id = $1 mine
       from resource_facts f join resource w on w.id = f.resource_id join person p on p.id = w.owner_id
      where f.resource_id = any($2::int[])`,
    [reader.id, lines.map(({ candidate }) => candidate.id)],
  );
  const known = new Map(rows.map((row) => [row.id, row]));
  return lines.flatMap(({ candidate, ...line }) => {
    const row = known.get(candidate.id);
    if (!row) return [];
    const { reach, classes, family, fresh } = candidate;
    return [{ ...row, ...line, reach, usedHere: classes, family, fresh: new Date(fresh) }];
  });
}

/** Whether this reader may see every one of these resources: hers, or on a shelf open to her. */
export async function mayReadAll(
  db: Queryable,
  reader: Pick<Reader, "id" | "school" | "district">,
  resources: readonly number[],
): Promise<boolean> {
  const asked = [...new Set(resources)];
  const rows = await db.query(
    `select 1 from resource r
      where r.id = any($4::int[]) and (r.owner_id = $1 or (r.archived is null and exists (
        select 1 from shelf_entry s where s.resource_id = r.id and r.head_revision_id is not null and (
          s.shelf = 'commons' or (s.shelf = 'district' and r.district_id = $3) or (s.shelf = 'staffroom' and s.school_id = $2)))))`,
    [reader.id, reader.school ?? -1, reader.district, asked],
  );
  return rows.length === asked.length;
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
