import type { Queryable } from "../engine/db";
import { reached, readerParameters, type Reader } from "./reach";

/** What a teacher keeps of her looking: needs, authors she follows, what she looked at. */
export interface SavedSearch {
  id: number;
  name: string;
  address: string;
  seen: Date;
}

export async function savedSearches(db: Queryable, person: number): Promise<SavedSearch[]> {
  return db.query<SavedSearch>(
    "select id, name, address, seen from saved_need where person_id = $1 order by name, id",
    [person],
  );
}

/** Saving what is saved already renames it and keeps when it was seen. */
export async function saveSearch(
  db: Queryable,
  need: { person: number; name: string; address: string; now: Date },
): Promise<number> {
  const rows = await db.query<{ id: number }>(
    `insert into saved_need (person_id, name, address, seen) values ($1, $2, $3, $4)
     on conflict (person_id, address) do update set name = excluded.name returning id`,
    [need.person, need.name, need.address, need.now],
  );
  return rows[0]!.id;
}

export async function markSearchSeen(db: Queryable, person: number, address: string, now: Date): Promise<void> {
  await db.query("update saved_need set seen = $3 where person_id = $1 and address = $2", [person, address, now]);
}

export async function deleteSearch(db: Queryable, person: number, id: number): Promise<boolean> {
  return (
    (await db.query("delete from saved_need where id = $1 and person_id = $2 returning 1", [id, person])).length > 0
  );
}

export async function setFollow(db: Queryable, person: number, author: number, on: boolean, now: Date): Promise<void> {
  if (on)
    await db.query("insert into follow (person_id, author_id, seen) values ($1, $2, $3) on conflict do nothing", [
      person,
      author,
      now,
    ]);
  else await db.query("delete from follow where person_id = $1 and author_id = $2", [person, author]);
}

/** Something of this author, row `w.author_id`, can be seen by the reader: else the name is not hers to know. */
const seen = `p.kind = 'adult' and (p.school_id = $2 or exists (
  select 1 from search_entry e, ${reached} where e.owner_id = p.id and r.reach <> 0))`;

/** Whether somebody is an author a reader may know of: a colleague of her school, or of something she can find. */
export async function authorIsSeen(
  db: Queryable,
  reader: Pick<Reader, "id" | "school" | "district">,
  author: number,
): Promise<boolean> {
  const rows = await db.query(`select 1 from person p where p.id = $5 and $4::int[] is not null and ${seen}`, [
    ...readerParameters({ ...reader, satchel: [] }),
    author,
  ]);
  return rows.length > 0;
}

export interface Followed {
  author: number;
  name: string;
  /** Findable by her since she last looked. */
  fresh: number;
  seen: Date;
}

export async function followedBy(db: Queryable, reader: Reader): Promise<Followed[]> {
  return db.query<Followed>(
    `select w.author_id author, p.given_name || ' ' || p.family_name as name, w.seen,
            (select count(*)::int from search_entry e, ${reached}
              where e.owner_id = w.author_id and e.fresh > w.seen and r.reach <> 0) fresh
       from follow w join person p on p.id = w.author_id where w.person_id = $1 and ${seen} order by name`,
    readerParameters(reader),
  );
}

export async function seenAuthor(db: Queryable, person: number, author: number, now: Date): Promise<void> {
  await db.query("update follow set seen = $3 where person_id = $1 and author_id = $2", [person, author, now]);
}

export async function isFollowing(db: Queryable, person: number, author: number): Promise<boolean> {
  return (await db.query("select 1 from follow where person_id = $1 and author_id = $2", [person, author])).length > 0;
}

export async function noteViewed(db: Queryable, person: number, resource: number, now: Date): Promise<void> {
  await db.query(
    `insert into viewed (person_id, resource_id, at) values ($1, $2, $3)
     on conflict (person_id, resource_id) do update set at = excluded.at`,
    [person, resource, now],
  );
}

export interface Viewed {
  id: number;
  title: string;
  author: string;
  at: Date;
}

/** What she looked at last and may still see, at most `most`. */
export async function viewedLately(db: Queryable, reader: Reader, most: number): Promise<Viewed[]> {
  return db.query<Viewed>(
    `select v.resource_id id, f.facts ->> 'title' title, p.given_name || ' ' || p.family_name author, v.at
       from viewed v join search_entry e on e.resource_id = v.resource_id join resource_facts f on f.resource_id = v.resource_id
       join person p on p.id = e.owner_id, ${reached}
      where v.person_id = $1 and r.reach <> 0 order by v.at desc limit $5`,
    [...readerParameters(reader), most],
  );
}
