import { bitBlanks, type BitBlankName } from "@/core/find/also";
import { countryName, languageName, languages, type Country } from "@/core/locale/names";
import { deviceName, type Device } from "@/core/content/device";
import { countGroups, lastSteps, sumOf, type Groups } from "@/core/find/count";
import type { FacetCounts } from "@/core/find/facets";
import { alsoBlanks, emptied, isFilled, type AlsoBlank, type Blank } from "@/core/find/need";
import { licenceWord } from "@/core/find/format";
import type { Licence } from "@/core/resource/document";
import { alsoConditions, isNamed, namedConditions, nothingNamed, otherLanguages, ParameterList } from "./also";
import { needParameters, satisfiesAll, type ReadNeed, type WordQuery } from "./conditions";
import { one, type Queryable } from "../engine/db";
import { inSatchel, open, reached, readerParameters, type Reader } from "./reach";
import { searchCache } from "../engine/search-cache";

const asGroups =
  "select coalesce(array_agg(facets), '{}') facets, coalesce(array_agg(reach), '{}') reach, coalesce(array_agg(n), '{}') entries";

// Everything a school may see, from the tally: the same for all its teachers. All four parameters must be mentioned.
const everythingOpen = `${asGroups} from (
  select t.facets, o.open as reach, sum(t.entries)::int n from search_tally t, lateral (select ${open("t")} as open) o
   where o.open <> 0 and $1::int is not null and $4::int[] is not null group by 1, 2) x`;

// Alike rows are put together before anything is worked out about them: a common word is in half of all there are.
const openThat = (conditions: readonly string[]) => `${asGroups} from (
  select g.facets, o.open as reach, sum(g.n)::int n
    from (select e.facets, e.shelves, e.district_id, e.school_id, count(*) n from search_entry e
           where $1::int is not null and $4::int[] is not null and ${conditions.join(" and ")} group by 1, 2, 3, 4) g,
         lateral (select ${open("g")} as open) o
   where o.open <> 0 group by 1, 2) x`;

// What is in her satchel is taken from where it stands there, and added again with the satchel's bit.
const satchelChange = (conditions: readonly string[]) => `${asGroups} from (
  select e.facets, case when s.n > 0 then r.reach else o.open end as reach, s.n
    from search_entry e, ${reached}, (values (1), (-1)) s(n)
   where ${[inSatchel, "(r.reach & 8) <> 0", "(s.n > 0 or o.open <> 0)", ...conditions].join(" and ")}) x`;

/** Grouped, the part that is the same for a whole school; remembered until something findable changes. */
function sharedGroups(
  db: Queryable,
  reader: Reader,
  conditions: readonly string[],
  parameters: readonly unknown[],
): Promise<Groups> {
  const key = JSON.stringify([reader.district, reader.school, conditions, parameters.slice(4)]);
  return searchCache(db, reader.version, key, () =>
    one<Groups>(db, conditions.length === 0 ? everythingOpen : openThat(conditions), [...parameters]),
  );
}

/** The same for what her satchel changes, which is hers alone. */
function satchelGroups(
  db: Queryable,
  reader: Reader,
  conditions: readonly string[],
  parameters: readonly unknown[],
): Promise<Groups> {
  const key = JSON.stringify(["satchel", conditions, parameters]);
  return searchCache(db, reader.version, key, () => one<Groups>(db, satchelChange(conditions), [...parameters]));
}

/**
 * What satisfies the conditions, grouped. Filling one blank after another, or the next teacher asking for the same
 * words, does not read the entries again.
 */
async function groupsThat(
  db: Queryable,
  reader: Reader,
  conditions: readonly string[],
  parameters: readonly unknown[],
): Promise<Groups[]> {
  const shared = await sharedGroups(db, reader, conditions, parameters);
  return reader.satchel.length === 0 ? [shared] : [shared, await satchelGroups(db, reader, conditions, parameters)];
}

/** How many entries this reader may see match words; once there are `enough`, the exact number does not matter. */
export async function countMatching(
  db: Queryable,
  reader: Reader,
  words: NonNullable<WordQuery>,
  enough: number,
): Promise<number> {
  const list = new ParameterList([...readerParameters(reader)]);
  const conditions = [`e.words @@ ${list.add(words.text)}::tsquery`];
  const shared = sumOf([await sharedGroups(db, reader, conditions, list.values)]);
  if (shared >= enough || reader.satchel.length === 0) return shared;
  return shared + sumOf([await satchelGroups(db, reader, conditions, list.values)]);
}

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

/** How many the words leave, then the words and the first of the also-blanks, and so on. */
async function firstSteps(
  db: Queryable,
  said: readonly string[],
  also: readonly { blank: AlsoBlank; sql: string }[],
  parameters: readonly unknown[],
): Promise<TrailStep[]> {
  const counts = also.map((_, at) => {
    const until = also.slice(0, at + 1).map(({ sql }) => `(${sql})`);
    return `count(*) filter (where ${until.join(" and ")})::int "${at}"`;
  });
  const row = await one<Record<string, number>>(
    db,
    `select count(*)::int said, ${counts.join(", ")} from search_entry e, ${reached}
      where ${[...said, "r.reach <> 0"].join(" and ")}`,
    [...parameters],
  );
  return [
    ...(said.length > 0 ? [{ blank: "words" as const, left: row.said! }] : []),
    ...also.map(({ blank }, at) => ({ blank, left: row[at]! })),
  ];
}

/** The counts of the blanks always in sight, and the trail of narrowing, for one need and one reader. */
export async function countNeed(db: Queryable, reader: Reader, read: ReadNeed): Promise<Counts> {
  const { need, words, named } = read;
  const list = new ParameterList(readerParameters(reader));
  const said = [
    ...(words === null ? [] : [`e.words @@ ${list.add(words.text)}::tsquery`]),
    ...namedConditions(named, list),
  ];
  const also = alsoConditions(read, list);
  const all = await groupsThat(db, reader, [], readerParameters(reader));
  const conditions = [...said, ...also.map(({ sql }) => sql)];
  const groups = conditions.length === 0 ? all : await groupsThat(db, reader, conditions, list.values);
  const { left, facets } = countGroups(groups, need);
  const first: TrailStep[] =
    also.length > 0
      ? await firstSteps(db, said, also, list.values)
      : said.length > 0
        ? [{ blank: "words", left: left[0]! }]
        : [];
  return {
    total: left[lastSteps.length]!,
    facets,
    trail: [
      { blank: null, left: sumOf(all) },
      ...first,
      ...lastSteps.flatMap((blank, at) => (isFilled(need, blank) ? [{ blank, left: left[at + 1]! }] : [])),
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

/** What her classes have not met or were not assigned is counted class by class, see server/find/find.ts. */
export type CountedBlank = Exclude<AlsoBlank, "uncovered" | "undone">;

/** Statements that count by something other than bits; `hits` is a list of resource and owner ids. */
const counted: Record<Exclude<CountedBlank, BitBlankName>, string> = {
  author: `select n.owner_id::text as value, p.given_name || ' ' || p.family_name as text, n.leaves
             from (select owner_id, count(*)::int leaves from hits group by 1) n join person p on p.id = n.owner_id`,
  topic: `select t.topic as value, t.topic as text, count(*)::int leaves
            from hits h join topic_entry t on t.resource_id = h.resource_id group by 1`,
  // Pairs of numbers are told apart far more cheaply than texts; the same statement in two frameworks counts as one.
  standard: `select s.code as value, s.code || '  ' || s.statement as text, n.leaves
               from (select kin, count(*)::int leaves
                       from (select distinct h.resource_id, k.kin
                               from hits h join alignment a on a.resource_id = h.resource_id
                               join (select s.id, min(s.id) over (partition by s.code, s.statement) kin
                                       from standard s join framework f on f.id = s.framework_id
                                      where s.code <> '' and (f.district_id is null or f.district_id = $3)) k
                                 on k.id = a.standard_id) pairs group by 1) n
               join standard s on s.id = n.kin`,
  since: `select to_char(current_date - d.days, 'YYYY-MM-DD') as value, 'the last ' || d.days || ' days' as text, n.leaves
            from (values (7), (30), (90), (365)) d(days),
                 lateral (select count(*)::int leaves from hits h join search_entry f on f.resource_id = h.resource_id
                           where f.fresh > (current_date - d.days)::timestamp at time zone 'UTC') n`,
  reads: `select g.grade::text as value, 'up to grade ' || g.grade as text, n.leaves
            from generate_series(1, 8) g(grade),
                 lateral (select count(*)::int leaves from hits h join search_entry f on f.resource_id = h.resource_id
                           where f.reads is null or f.reads < (g.grade + 1) * 10) n`,
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
  read: ReadNeed,
  blank: CountedBlank,
): Promise<Choice[]> {
  // Packing is no change of the search, and counts only where her satchel is asked for.
  const satchel = read.need.shelf === "satchel" ? reader.satchel : null;
  const key = JSON.stringify(["blank", reader.id, satchel, blank, read]);
  return searchCache(db, reader.version, key, () => countAnew(db, reader, read, blank));
}

async function countAnew(db: Queryable, reader: Reader, read: ReadNeed, blank: CountedBlank): Promise<Choice[]> {
  const list = needParameters(reader, read);
  const conditions = satisfiesAll(read, list, blank);
  if (!(blank in bitBlanks)) {
    const rows = await db.query<Choice>(
      `with hits as materialized (select e.resource_id, e.owner_id from search_entry e, ${reached} where ${conditions})
       ${counted[blank as Exclude<CountedBlank, BitBlankName>]} order by leaves desc, text limit ${MOST_CHOICES}`,
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
  const choices = values.map((value, at) => ({ value, leaves: leaves[at]! }));
  // Of the many countries and languages there are, those with something in them.
  const named =
    blank === "language"
      ? [...choices.filter(({ value }) => value !== "other"), ...(await countOthers(db, reader, read))]
      : choices;
  return named
    .filter(({ leaves }) => leaves > 0 || (blank !== "country" && blank !== "language"))
    .map((choice) => ({ ...choice, text: bitTexts[blank as BitBlankName](choice.value) }))
    .sort((one, other) => other.leaves - one.leaves);
}

/** How many results each language leaves that has no bit of its own. */
async function countOthers(db: Queryable, reader: Reader, read: ReadNeed): Promise<Omit<Choice, "text">[]> {
  const list = needParameters(reader, read);
  const conditions = `${satisfiesAll(read, list, "language")} and (e.also & ${1 << languages.indexOf("other")}) <> 0`;
  return db.query(
    `select tongue.code as value, count(*)::int leaves from search_entry e, ${reached}, lateral (${otherLanguages}) tongue(code)
      where ${conditions} and tongue.code <> all(${list.add(languages)}::text[]) group by 1`,
    list.values,
  );
}

/** How many each filled blank would bring back if it alone were left open. For needs that leave nothing. */
export async function loosened(
  db: Queryable,
  reader: Reader,
  { need, words, named }: ReadNeed,
): Promise<{ blank: Blank; left: number }[]> {
  const inWords = words !== null || isNamed(named);
  const filled: Blank[] = [
    ...(inWords ? (["words"] as const) : []),
    ...[...lastSteps, ...alsoBlanks].filter((blank) => isFilled(need, blank)),
  ];
  const found: { blank: Blank; left: number }[] = [];
  for (const blank of filled) {
    const without = emptied(need, blank);
    const counts = await countNeed(
      db,
      reader,
      blank === "words"
        ? { need: without, words: null, named: { ...nothingNamed, covered: named.covered, done: named.done } }
        : { need: without, words, named },
    );
    found.push({ blank, left: counts.total });
  }
  return found.sort((one, other) => other.left - one.left);
}
