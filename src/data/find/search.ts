import { bitsOf, GRADE_SHIFT } from "@/core/find/facets";
import { orderedLines, type Candidate, type OrderedLine, type Sort } from "@/core/find/order";
import { byTitle, foldAlike, linesOf, MOST_VARIED, type Look, type VariedLine } from "@/core/find/variety";
import type { Facts } from "@/core/resource/facts";
import { needParameters, satisfies, type ReadNeed } from "./conditions";
import { one, type Queryable } from "../engine/db";
import { editionYears } from "./editions";
import { isGiven, isGivenToCopy } from "../share/shares";
import { exists, open, reached, readerParameters, type Reader } from "./reach";

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
  /** The years of its editions, where there are several. */
  years: readonly number[];
  /** A version shown because its family was unfolded. */
  folded: boolean;
  /** How many look-alikes are folded under it, and by whose id they unfold. */
  alike: number;
  leader: number;
  /** When this revision could first be found. */
  fresh: Date;
}

/** How many entries are ranked at the most: beyond that the words say too little to rank by. */
export const CANDIDATES = 400;
/**
 * When only the best few are shown, fewer need ranking; versions and look-alikes fold, so more than are shown. Who pages on and on
 * gets as many as that takes.
 */
const candidatesFor = (sort: Sort, limit: number): number =>
  Math.max(sort === "best" || sort === "used" ? Math.min(CANDIDATES, Math.max(200, limit * 3)) : CANDIDATES, limit * 2);

const usedHere = `here as (
  select a.resource_id, count(distinct a.class_id)::int classes from assignment a join class c on c.id = a.class_id
   where c.school_id = $2 and a.called_back is null group by 1)`;

const columns = "e.resource_id, e.uses, e.minutes, e.family, e.fresh, e.facets, r.reach";
// Of the words, weighed by how much each says: the share in the title, the share anywhere, and the share in what is said about it
// (title, summary, topics).
const shares = `lateral (select (sum(w * (e.title_words @@ p)::int) / sum(w))::float4 t, (sum(w * (e.words @@ p)::int) / sum(w))::float4 w,
        (sum(w * (e.words @@ a)::int) / sum(w))::float4 a from unnest($11::tsquery[], $13::tsquery[], $14::float4[]) u(p, a, w)) s`;
const closeness = "ts_rank_cd('{0.05, 0.2, 0.5, 1}', e.words, $5::tsquery, 1)";

/**
 * Entries with the words in the title, and only as many of the others as those leave room for: a title says most. Inside
 * each, entries lie in the order they were added. What her school uses is never left out.
 */
function candidatesByWords(which: string, most: number, loose: boolean): string {
  // Where not all are asked for, having all of them says most when they stand in what is said about it: in a long text they meet
  // by chance.
  const mostWords = "2 * s.t + 0.5 * s.w + 0.5 * s.a + floor(s.w + 0.001) * (0.2 + 0.8 * s.a)";
  // How close together they stand is worked out only where all of them do: it costs as much as all the rest.
  const mostWordsClose = `${mostWords} + case when s.w > 0.999 then ${closeness} else 0 end`;
  // Where all the words are asked for and the title answers, all of them are in the title.
  const titled = loose ? mostWordsClose : `3::float4 + ${closeness}`;
  const elsewhere = loose ? mostWordsClose : `2 * s.t + 0.5 + 0.5 * s.a + ${closeness}`;
  const withShares = `search_entry e, ${reached}, ${shares}`;
  return `${usedHere}, titled as materialized (
      select ${columns}, ${titled} as rank from ${loose ? withShares : `search_entry e, ${reached}`}
       where e.title_words @@ $5::tsquery and ${which} limit ${most}),
    c as (
      select * from titled
      union all
      (select ${columns}, ${elsewhere} from ${withShares}
        where e.words @@ $5::tsquery and not e.title_words @@ $5::tsquery and ${which}
        limit (select greatest(0, ${most} - count(*)) from titled))
      union all
      (select ${columns}, ${elsewhere} from ${withShares}
        where e.resource_id = any(array(select resource_id from here) || $12::int[]) and e.words @@ $5::tsquery and ${which}))`;
}

const candidatesWithoutWords = (which: string, most: number) => `${usedHere}, c as (
    (select ${columns}, 0::float4 as rank from search_entry e, ${reached} where ${which}
      order by e.uses desc, e.resource_id limit ${most})
    union all
    (select ${columns}, 0::float4 from search_entry e, ${reached}
      where e.resource_id = any($4::int[] || array(select resource_id from here) || $12::int[])
        and $5::text is null and $11::text[] is not null and $13::text[] is not null and $14::float4[] is not null and ${which}))`;

/** What a column that is sorted by says, read from the facts; the other orders need nothing from there. */
const said: Partial<Record<Sort, string>> = {
  title: "f.facts ->> 'title'",
  grades: "(f.facts -> 'grades' ->> 'from')::int * 100 + (f.facts -> 'grades' ->> 'to')::int",
  reading: "(f.facts ->> 'readingGrade')::float8",
};

/** Column by column, the n-th of each belong together: a list of rows costs several times as much to hand over. */
type CandidateColumns = { [Field in keyof Candidate]: Candidate[Field][] };

/**
 * How much each word says: one that stands in few titles and summaries more than one that stands in many. Where all are asked for
 * it makes no difference, and all weigh the same.
 */
async function weights(db: Queryable, { parts, loose }: NonNullable<ReadNeed["words"]>): Promise<number[]> {
  if (!loose) return parts.map(() => 1);
  const wordsOf = (part: string) => [...part.matchAll(/'((?:[^']|'')+)'/g)].map(([, word]) => word!);
  const rows = await db.query<{ word: string; entries: number }>(
    "select word, entries from search_word where word = any($1::text[])",
    [parts.flatMap(wordsOf)],
  );
  const entriesOf = new Map(rows.map(({ word, entries }) => [word, entries]));
  return parts.map((part) => 1 / Math.log(3 + Math.max(0, ...wordsOf(part).map((word) => entriesOf.get(word) ?? 0))));
}

/** A query for the same words in the title, the summary or the topics only. */
const inAbout = (query: string): string => query.replace(/'(?:[^']|'')+'/g, "$&:AB");

/** An exact title goes before everything else. */
const EXACT = 100;

async function candidatesOf(db: Queryable, reader: Reader, read: ReadNeed, options: HitOptions, most: number) {
  const { sort, exact = [], among = [], grades = [] } = options;
  const list = needParameters(reader, read);
  list.add(read.words?.parts ?? []);
  list.add([...exact, ...among]);
  list.add(read.words?.parts.map(inAbout) ?? []);
  list.add(read.words ? await weights(db, read.words) : []);
  const suits = list.add(bitsOf(grades));
  const which = satisfies(read, list);
  const candidates =
    read.words === null ? candidatesWithoutWords(which, most) : candidatesByWords(which, most, read.words.loose);
  const of = (column: string) => `coalesce(array_agg(${column}), '{}')`;
  const rows = await one<CandidateColumns>(
    db,
    `with ${candidates}
     select ${of("c.resource_id")} id, ${of("c.rank")} rank, ${of("coalesce(here.classes, 0)")} classes,
            ${of("c.reach")} reach, ${of("c.uses")} uses, ${of("c.family")} family, ${of("c.minutes::int")} minutes,
            ${of(`((c.facets >> ${GRADE_SHIFT}) & ${suits}::int) <> 0`)} suits,
            ${of("extract(epoch from c.fresh)::float8 * 1000")} fresh, ${said[sort] ? of(said[sort]) : "'{}'::text[]"} said
       from c left join here on here.resource_id = c.resource_id
       ${said[sort] ? "join resource_facts f on f.resource_id = c.resource_id" : ""}`,
    list.values,
  );
  const { id, ...others } = rows;
  return id.map((one, at): Candidate => ({
    id: one,
    rank: others.rank[at]! + (exact.includes(one) ? EXACT : 0),
    classes: others.classes[at]!,
    reach: others.reach[at]!,
    uses: others.uses[at]!,
    family: others.family[at]!,
    fresh: others.fresh[at]!,
    minutes: others.minutes[at]!,
    suits: others.suits[at]!,
    said: others.said[at] ?? null,
  }));
}

export interface HitOptions {
  sort: Sort;
  limit: number;
  /** The family whose versions have lines of their own. */
  unfolded?: number;
  /** The leader of a sort of look-alikes that have lines of their own. */
  alike?: number;
  /** Every version and every look-alike on its own line. */
  unfoldAll?: boolean;
  /** The words looked for, as titles are compared. */
  typed?: string;
  /** Results whose title is just what was typed. */
  exact?: readonly number[];
  /** Results that are ranked in any case: those with all the words, where not all are asked for. */
  among?: readonly number[];
  /** Of the class she looks for. */
  grades?: readonly number[];
}

async function looksOf(db: Queryable, resources: readonly number[]): Promise<Map<number, Look>> {
  const rows = await db.query<Look & { id: number }>(
    "select resource_id id, title, pattern from look where resource_id = any($1::int[])",
    [resources],
  );
  return new Map(rows.map(({ id, ...look }) => [id, look]));
}

/** Of this many lines the looks are compared first; of the others, up to MOST_VARIED, where folding those leaves too few. */
const FIRST_VARIED = 80;

async function varied(
  db: Queryable,
  lines: OrderedLine[],
  { alike, limit, typed = "" }: HitOptions,
): Promise<VariedLine[]> {
  const fold = async (compared: number) => {
    const looks = await looksOf(
      db,
      lines.slice(0, compared).map(({ candidate }) => candidate.id),
    );
    // Versions that were unfolded stay behind their first.
    const again = lines.some(({ folded }) => folded) ? lines : byTitle(lines, looks, typed);
    return foldAlike(again, looks, alike);
  };
  const first = Math.min(MOST_VARIED, Math.max(FIRST_VARIED, 2 * limit));
  const shown = await fold(first);
  // Those that were not compared stand behind the others, each on a line of its own.
  const compared = shown.length - Math.max(0, lines.length - first);
  return compared < limit && lines.length > first && first < MOST_VARIED ? fold(MOST_VARIED) : shown;
}

/** How many results are looked at for how many lines they make. */
const LOOKED_AT = 200;

/** Whether results with these words make fewer lines than `few`, look-alikes folded: without ranking them. */
export async function makesFewLines(
  db: Queryable,
  reader: Reader,
  words: NonNullable<ReadNeed["words"]>,
  few: number,
): Promise<boolean> {
  const ids = await matching(db, reader, words, LOOKED_AT);
  if (ids.length < few) return true;
  const looks = await looksOf(db, ids);
  // What has no look yet is like nothing.
  return linesOf([...looks.values()]) + ids.length - looks.size < few;
}

/**
 * The best `limit` results. With words, at most CANDIDATES are ranked; without, those used at her school come first. Versions of one
 * thing count as one, but for the family that is `unfolded`; of look-alikes two have lines. "fit" is ordered by the caller, who
 * knows the class.
 */
export async function hitsOf(db: Queryable, reader: Reader, read: ReadNeed, options: HitOptions): Promise<Hit[]> {
  const candidates = await candidatesOf(db, reader, read, options, candidatesFor(options.sort, options.limit));
  const sort = options.sort === "fit" ? "best" : options.sort;
  const ordered = orderedLines(candidates, { ...options, sort });
  const vary = options.sort === "best" && !options.unfoldAll;
  const each = (line: OrderedLine): VariedLine => ({ ...line, alike: 0, leader: line.candidate.id });
  const lines = (vary ? await varied(db, ordered, options) : ordered.map(each)).slice(0, options.limit);
  if (lines.length === 0) return [];
  const rows = await db.query<Pick<Hit, "id" | "facts" | "author" | "mine">>(
    `select f.resource_id id, f.facts, p.given_name || ' ' || p.family_name author, w.owner_id = $1 mine
       from resource_facts f join resource w on w.id = f.resource_id join person p on p.id = coalesce(w.made_by_id, w.owner_id)
      where f.resource_id = any($2::int[])`,
    [reader.id, lines.map(({ candidate }) => candidate.id)],
  );
  const several = lines.filter(({ versions }) => versions > 1).map(({ candidate }) => candidate.family);
  const years = await editionYears(db, reader, several);
  const known = new Map(rows.map((row) => [row.id, row]));
  return lines.flatMap(({ candidate, ...line }) => {
    const row = known.get(candidate.id);
    if (!row) return [];
    const { reach, classes, family, fresh } = candidate;
    return [
      { ...row, ...line, reach, usedHere: classes, family, years: years.get(family) ?? [], fresh: new Date(fresh) },
    ];
  });
}

/** Which of these resources this reader may see, or also copy: hers, on a shelf open to her, or given to her. */
export async function readableAmong(
  db: Queryable,
  reader: Pick<Reader, "id" | "school" | "district">,
  resources: readonly number[],
  how: "see" | "copy" = "see",
): Promise<number[]> {
  const rows = await db.query<{ id: number }>(
    `select r.id from resource r left join search_entry e on e.resource_id = r.id
      where r.id = any($4::int[])
        and (r.owner_id = $1 or ${open("e")} <> 0 or (${how === "copy" ? isGivenToCopy : isGiven}))`,
    [reader.id, reader.school ?? -1, reader.district, resources],
  );
  return rows.map(({ id }) => id);
}

/** Whether she may see (or copy) every one of them. */
export async function mayReadAll(...asked: Parameters<typeof readableAmong>): Promise<boolean> {
  return (await readableAmong(...asked)).length === new Set(asked[2]).size;
}

/** Which classes of a school have used a resource, newest first, with who assigned it last. */
export interface UsedHere {
  class: string;
  gradeFrom: number;
  gradeTo: number;
  teacher: string;
  at: Date;
}

export async function usesAtSchool(db: Queryable, school: number | null, resource: number): Promise<UsedHere[]> {
  return db.query<UsedHere>(
    `select * from (
       select distinct on (c.id) c.name class, c.grade_from "gradeFrom", c.grade_to "gradeTo",
              p.given_name || ' ' || p.family_name teacher, a.opens at
         from assignment a join class c on c.id = a.class_id join person p on p.id = a.made_by
        where c.school_id = $1 and a.resource_id = $2 and a.called_back is null
        order by c.id, a.opens desc, a.id desc) used
      order by at desc limit 200`,
    [school ?? -1, resource],
  );
}

/** What this reader may see whose title is just this; `key` as titles are compared. */
export async function titledExactly(db: Queryable, reader: Reader, key: string): Promise<number[]> {
  const rows = await db.query<{ id: number }>(
    `select e.resource_id id from look l join search_entry e on e.resource_id = l.resource_id, ${reached}
      where l.title = $5 and ${exists} limit 20`,
    [...readerParameters(reader), key],
  );
  return rows.map(({ id }) => id);
}

/** The first `most` results with these words. */
export async function matching(
  db: Queryable,
  reader: Reader,
  words: NonNullable<ReadNeed["words"]>,
  most: number,
): Promise<number[]> {
  const rows = await db.query<{ id: number }>(
    `select e.resource_id id from search_entry e, ${reached} where e.words @@ $5::tsquery and ${exists} limit $6`,
    [...readerParameters(reader), words.text, most],
  );
  return rows.map(({ id }) => id);
}
