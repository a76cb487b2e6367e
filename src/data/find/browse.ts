import { one, type Queryable } from "../engine/db";
import { reached, readerParameters, type Reader } from "./reach";
import { forgetSearchCache, searchCache } from "../engine/search-cache";

/** What Find offers to somebody who has no words yet. Every count is of what this reader may see. */
export interface Place {
  value: string;
  text: string;
  note: string;
  resources: number;
}

export interface CuratedSet extends Place {
  kind: "set" | "unit";
  topic: string | null;
  months: number[];
  cover: string | null;
  curator: string;
}

/** Sets and units of her district with something in them she may see; the units of a topic together, in their order. */
export async function curatedSets(db: Queryable, reader: Reader): Promise<CuratedSet[]> {
  return db.query<CuratedSet>(
    `select s.id::text as value, s.name as text, s.note, s.kind, s.topic, s.months, s.cover, p.given_name || ' ' || p.family_name curator,
            count(*)::int resources
       from curated_set s join person p on p.id = s.curator_id join curated_item i on i.set_id = s.id
       join search_entry e on e.resource_id = i.resource_id, ${reached}
      where s.district_id = $3 and r.reach <> 0 group by s.id, p.id order by s.topic nulls last, s.position, s.id`,
    readerParameters(reader),
  );
}

export async function topTopics(db: Queryable, reader: Reader, most: number): Promise<Place[]> {
  return searchCache(db, reader.version, `topics ${reader.id} ${most}`, () =>
    db.query<Place>(
      `select t.topic as value, t.topic as text, '' note, count(*)::int resources
       from topic_entry t join search_entry e on e.resource_id = t.resource_id, ${reached}
      where r.reach <> 0 group by 1 order by 4 desc, 1 limit $5`,
      [...readerParameters(reader), most],
    ),
  );
}

/** Colleagues of her school who share something, and partner organisations. */
export async function authorsNear(db: Queryable, reader: Reader): Promise<(Place & { partner: boolean })[]> {
  return db.query(
    `select p.id::text as value, p.given_name || ' ' || p.family_name as text, coalesce(s.name, '') note, p.partner, count(*)::int resources
       from person p join search_entry e on e.owner_id = p.id left join school s on s.id = p.school_id, ${reached}
      where (p.partner or p.school_id = $2) and p.id <> $1 and r.reach <> 0
      group by p.id, s.id order by p.partner, 5 desc, 2 limit 24`,
    readerParameters(reader),
  );
}

/** What classes of her school were given most, the last used first among equals. */
export async function usedHereMost(db: Queryable, reader: Reader, most: number): Promise<Place[]> {
  return db.query<Place>(
    `select e.resource_id::text as value, f.facts ->> 'title' as text, '' note, count(distinct a.class_id)::int resources
       from assignment a join class c on c.id = a.class_id and c.school_id = $2 join search_entry e on e.resource_id = a.resource_id
       join resource_facts f on f.resource_id = e.resource_id, ${reached}
      where a.called_back is null and r.reach <> 0 group by 1, 2 order by 4 desc, max(a.opens) desc limit $5`,
    [...readerParameters(reader), most],
  );
}

export async function addSet(
  tx: Queryable,
  set: {
    district: number;
    kind: "set" | "unit";
    name: string;
    note: string;
    topic: string | null;
    months: readonly number[];
    curator: number;
    items: readonly number[];
  },
): Promise<number> {
  const { id } = await one<{ id: number }>(
    tx,
    `insert into curated_set (district_id, kind, name, note, topic, months, curator_id, position)
     select $1, $2, $3, $4, $5, $6, $7, coalesce(max(position), 0) + 1 from curated_set where district_id = $1 returning id`,
    [set.district, set.kind, set.name, set.note, set.topic, set.months, set.curator],
  );
  await tx.query(
    "insert into curated_item (set_id, resource_id, position) select $1, item, at from unnest($2::int[]) with ordinality as u(item, at)",
    [id, set.items],
  );
  await forgetSearchCache(tx);
  return id;
}

/** Names of authors and sets a need mentions, where this reader may know them. */
export async function namesOf(
  db: Queryable,
  reader: Reader,
  of: { authors: readonly number[]; sets: readonly number[] },
): Promise<{ authors: Record<number, string>; sets: Record<number, string> }> {
  const authors =
    of.authors.length === 0
      ? []
      : await db.query<{ id: number; name: string }>(
          `select p.id, p.given_name || ' ' || p.family_name as name from person p
            where p.id = any($5::int[]) and p.kind = 'adult' and (p.district_id = $3 or exists (
              select 1 from search_entry e, ${reached} where e.owner_id = p.id and r.reach <> 0))`,
          [...readerParameters(reader), of.authors],
        );
  const sets =
    of.sets.length === 0
      ? []
      : await db.query<{ id: number; name: string }>(
          "select id, name from curated_set where id = any($1::int[]) and district_id = $2",
          [of.sets, reader.district],
        );
  const byId = (rows: { id: number; name: string }[]) => Object.fromEntries(rows.map((row) => [row.id, row.name]));
  return { authors: byId(authors), sets: byId(sets) };
}

/** A topic by its name as typed, where something this reader may see is about it; null where nothing is. */
export async function topicCalled(db: Queryable, reader: Reader, name: string): Promise<string | null> {
  const rows = await db.query<{ topic: string }>(
    `select t.topic from topic_entry t join search_entry e on e.resource_id = t.resource_id, ${reached}
      where t.topic = lower($5) and r.reach <> 0 limit 1`,
    [...readerParameters(reader), name.trim()],
  );
  return rows[0]?.topic ?? null;
}

/** A set of her district by its whole name, capitals aside. */
export async function setCalled(
  db: Queryable,
  reader: Reader,
  name: string,
): Promise<{ id: number; name: string } | null> {
  const rows = await db.query<{ id: number; name: string }>(
    "select id, name from curated_set where district_id = $1 and lower(name) = lower($2) order by id limit 1",
    [reader.district, name.trim()],
  );
  return rows[0] ?? null;
}

/** People a name typed after "by" may mean: those who share something this reader may see, at most three. */
export async function authorsCalled(
  db: Queryable,
  reader: Reader,
  name: string,
): Promise<{ id: number; name: string }[]> {
  return db.query(
    `select p.id, p.given_name || ' ' || p.family_name as name from person p
      where p.kind = 'adult' and unaccent(p.given_name || ' ' || p.family_name) ilike '%' || unaccent($5) || '%'
        and exists (select 1 from search_entry e, ${reached} where e.owner_id = p.id and r.reach <> 0)
      order by (p.district_id = $3) desc, p.school_id = $2 desc nulls last, p.id limit 3`,
    [...readerParameters(reader), name.replace(/[%_\\]/g, "\\$&")],
  );
}
