import {
  bitBlanks,
  countryName,
  deviceName,
  languageName,
  type BitBlankName,
  type Country,
  type Device,
} from "@/core/find/also";
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
import { alsoBlanks, isFilled, type AlsoBlank, type Blank, type Need } from "@/core/find/need";
import { licenceWord } from "@/core/find/say";
import type { Licence } from "@/core/resource/document";
import { alsoConditions, isNamed, namedConditions, nothingNamed, ParameterList, type Named } from "./also";
import { one, type Queryable } from "./db";
import { inSatchel, open, reached, readerParameters, type Reader } from "./reach";
import { passes, type WordQuery } from "./search";

// Alike rows are put together before anything is worked out about them: a common word is in half of all there are.
const rowsThat = (conditions: readonly string[]) => `
  select g.facets, r.reach, sum(g.n)::int entries
    from (select e.facets, e.shelves, e.district_id, e.school_id, e.owner_id = $1 as own, e.resource_id = any($4::int[]) as packed, count(*) n
            from search_entry e where ${conditions.join(" and ")} group by 1, 2, 3, 4, 5, 6) g,
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

const lastSteps: readonly Blank[] = ["kind", "grades", "subject", "minutes", "shelf"];

const maskParameters = (need: Need): unknown[] => {
  const masks = masksOf(need);
  return [masks.kinds, masks.longest, masks.subjects, masks.grades, masks.shelf];
};

/** How many the words leave, then the words and the first of the also-blanks, and so on. */
async function firstSteps(
  db: Queryable,
  reader: Reader,
  need: Need,
  words: WordQuery,
  named: Named,
): Promise<TrailStep[]> {
  const list = new ParameterList([...readerParameters(reader)]);
  const conditions = [
    ...(words === null ? [] : [`e.words @@ ${list.add(words.text)}::tsquery`]),
    ...namedConditions(named, list),
  ];
  const also = alsoConditions(need, list);
  const counts = also.map(
    (_, at) =>
      `count(*) filter (where ${also
        .slice(0, at + 1)
        .map(({ sql }) => `(${sql})`)
        .join(" and ")})::int "${at}"`,
  );
  const row = await one<Record<string, number>>(
    db,
    `select count(*)::int said, ${counts.join(", ")} from search_entry e, ${reached}
      where ${[...conditions, "r.reach <> 0"].join(" and ")}`,
    list.values,
  );
  return [
    ...(conditions.length > 0 ? [{ blank: "words" as const, left: row.said! }] : []),
    ...also.map(({ blank }, at) => ({ blank, left: row[at]! })),
  ];
}

/** The counts of the blanks always in sight, and the trail of narrowing, for one need and one reader. */
export async function countNeed(
  db: Queryable,
  reader: Reader,
  need: Need,
  words: WordQuery,
  named: Named = nothingNamed,
): Promise<Counts> {
  const list = new ParameterList([...readerParameters(reader), words?.text ?? null, ...maskParameters(need)]);
  const also = alsoConditions(need, list);
  const conditions = [
    words === null ? "$5::text is null" : "e.words @@ $5::tsquery",
    ...namedConditions(named, list),
    ...also.map(({ sql }) => sql),
  ];
  type Row = CountRow | { facet: "trail"; value: number; entries: number };
  const rows = await db.query<Row>(
    conditions.length === 1 && words === null
      ? countEverything
      : `with found as materialized (${rowsThat(conditions)}), ${counting}`,
    list.values,
  );
  const left = new Map(rows.flatMap((row) => (row.facet === "trail" ? [[row.value, row.entries]] : [])));
  let all = left.get(0)!;
  const said: TrailStep[] = [];
  if (conditions.length > 1 || words !== null) {
    all = (await one<{ entries: number }>(db, countAll, [...readerParameters(reader), null])).entries;
    if (also.length > 0) said.push(...(await firstSteps(db, reader, need, words, named)));
    else said.push({ blank: "words", left: left.get(0)! });
  }
  return {
    total: left.get(lastSteps.length)!,
    facets: facetCounts(rows.filter((row): row is CountRow => row.facet !== "trail")),
    trail: [
      { blank: null, left: all },
      ...said,
      ...lastSteps.flatMap((blank, at) => (isFilled(need, blank) ? [{ blank, left: left.get(at + 1)! }] : [])),
    ],
  };
}

/** One choice of a blank and how many results it would leave. */
export interface Choice {
  value: string;
  text: string;
  leaves: number;
}

const MOST_CHOICES = 200;

/** Statements that count by something other than bits; `hits` is a list of resource and owner ids. */
const counted: Record<Exclude<AlsoBlank, BitBlankName>, string> = {
  author: `select h.owner_id::text as value, p.given_name || ' ' || p.family_name as text, count(*)::int leaves
             from hits h join person p on p.id = h.owner_id group by 1, 2`,
  topic: `select t.topic as value, t.topic as text, count(*)::int leaves
            from hits h join topic_entry t on t.resource_id = h.resource_id group by 1`,
  standard: `select s.code as value, s.code || '  ' || s.statement as text, count(distinct h.resource_id)::int leaves
               from hits h join alignment a on a.resource_id = h.resource_id join standard s on s.id = a.standard_id
               join framework f on f.id = s.framework_id
              where s.code <> '' and (f.district_id is null or f.district_id = $3) group by 1, 2`,
  set: `select s.id::text as value, s.name as text, count(h.resource_id)::int leaves
          from curated_set s left join curated_item i on i.set_id = s.id left join hits h on h.resource_id = i.resource_id
         where s.district_id = $3 group by 1, 2`,
};

const bitTexts: Record<BitBlankName, (value: string) => string> = {
  language: languageName,
  country: (value) => countryName(value as Country),
  licence: (value) => licenceWord(value as Licence),
  device: (value) => deviceName(value as Device),
  doing: (value) => value,
};

/** How many results each choice of one blank would leave, with all other blanks applied; the most first. */
export async function countBlank(
  db: Queryable,
  reader: Reader,
  need: Need,
  blank: AlsoBlank,
  words: WordQuery,
  named: Named = nothingNamed,
): Promise<Choice[]> {
  const list = new ParameterList([...readerParameters(reader), words?.text ?? null, ...maskParameters(need)]);
  const conditions = [
    words === null ? "$5::text is null" : "e.words @@ $5::tsquery",
    ...namedConditions(named, list),
    ...alsoConditions(need, list, blank).map(({ sql }) => sql),
    passes,
  ].join(" and ");
  if (!(blank in bitBlanks)) {
    const rows = await db.query<Choice>(
      `with hits as materialized (select e.resource_id, e.owner_id from search_entry e, ${reached} where ${conditions})
       ${counted[blank as Exclude<AlsoBlank, BitBlankName>]} order by leaves desc, text limit ${MOST_CHOICES}`,
      list.values,
    );
    return rows;
  }
  const { column, shift, mask, kept, values } = bitBlanks[blank as BitBlankName];
  const rows = await db.query<{ bits: number; entries: number }>(
    `select (e.${column} >> ${shift}) & ${mask} bits, count(*)::int entries from search_entry e, ${reached} where ${conditions} group by 1`,
    list.values,
  );
  const leaves = new Array<number>(values.length).fill(0);
  for (const { bits, entries } of rows) {
    values.forEach((_, at) => {
      if (kept === "code" ? bits === at : (bits >> at) & 1) leaves[at]! += entries;
    });
  }
  return values
    .map((value, at) => ({ value, text: bitTexts[blank as BitBlankName](value), leaves: leaves[at]! }))
    .sort((one, other) => other.leaves - one.leaves);
}

/** How many each filled blank would bring back if it alone were left open. For needs that leave nothing. */
export async function loosened(
  db: Queryable,
  reader: Reader,
  need: Need,
  words: WordQuery,
  named: Named,
  emptied: (need: Need, blank: Blank) => Need,
): Promise<{ blank: Blank; left: number }[]> {
  const filled = (["words", ...lastSteps, ...alsoBlanks] as Blank[]).filter((blank) => isFilled(need, blank));
  const found: { blank: Blank; left: number }[] = [];
  for (const blank of filled) {
    const without = emptied(need, blank);
    const counts =
      blank === "words"
        ? await countNeed(db, reader, without, null)
        : await countNeed(db, reader, without, words, isNamed(named) ? named : nothingNamed);
    found.push({ blank, left: counts.total });
  }
  return found.sort((one, other) => other.left - one.left);
}
