import type { Facts } from "@/core/resource/facts";
import { reached, readerParameters, type Reader } from "./reach";
import type { Queryable } from "../engine/db";

/** An organisation that gives lessons, as a reader may see it. */
export interface Partner {
  id: number;
  name: string;
  about: string;
  things: number;
  following: boolean;
}

/** A partner this reader can find something of; undefined: there is none for her. */
export async function partnerFor(db: Queryable, reader: Reader, id: number): Promise<Partner | undefined> {
  const rows = await db.query<Partner>(
    `select p.id, p.given_name || ' ' || p.family_name as name, p.about, count(*)::int things,
            exists (select 1 from follow w where w.person_id = $1 and w.author_id = p.id) following
       from person p join search_entry e on e.owner_id = p.id, ${reached}
      where p.id = $5 and p.partner and r.reach <> 0 group by p.id`,
    [...readerParameters(reader), id],
  );
  return rows[0];
}

/** Something of a partner. */
export interface PartnerThing {
  id: number;
  facts: Facts;
  uses: number;
  fresh: Date;
}

/** Everything of a partner this reader may see, the most used first; at most 500. */
export const thingsOf = (db: Queryable, reader: Reader, partner: number): Promise<PartnerThing[]> =>
  db.query<PartnerThing>(
    `select e.resource_id id, f.facts, coalesce(u.uses, 0) uses, e.fresh
       from search_entry e join resource_facts f on f.resource_id = e.resource_id
       left join resource_uses u on u.resource_id = e.resource_id, ${reached}
      where e.owner_id = $5 and r.reach <> 0 order by 3 desc, e.resource_id limit 500`,
    [...readerParameters(reader), partner],
  );

/** Sets with something of a partner in them. */
export const setsWith = (
  db: Queryable,
  reader: Reader,
  partner: number,
): Promise<{ id: number; name: string; note: string; months: number[] }[]> =>
  db.query(
    `select s.id, s.name, s.note, s.months from curated_set s
      where s.district_id = $3 and exists (select 1 from curated_item i join search_entry e on e.resource_id = i.resource_id, ${reached}
                                            where i.set_id = s.id and e.owner_id = $5 and r.reach <> 0)
      order by s.position, s.id`,
    [...readerParameters(reader), partner],
  );

/** What a partner of a district says of itself; undefined: there is no such partner. */
export async function aboutOf(tx: Queryable, district: number, partner: number): Promise<string | undefined> {
  const [row] = await tx.query<{ about: string }>(
    "select about from person where id = $1 and district_id = $2 and partner for update",
    [partner, district],
  );
  return row?.about;
}

export async function setAbout(tx: Queryable, partner: number, about: string): Promise<void> {
  await tx.query("update person set about = $2 where id = $1", [partner, about]);
}
