import type { Facts } from "@/core/resource/facts";
import type { Origin } from "@/core/satchel/filter";
import type { Queryable } from "../engine/db";
import { open } from "../find/reach";
import { herPockets } from "./pockets";
import { isGiven } from "../share/shares";

export interface SatchelItem {
  id: number;
  facts: Facts;
  /** made: hers from nothing; adapted: her version of another's; packed: another's, by reference; together: only in a pocket of hers. */
  origin: Origin;
  author: string;
  /** Who made it, where it was handed over to her; null: as the origin says. */
  maker: string | null;
  /** Nothing published yet: there is only a draft. */
  draftOnly: boolean;
  touched: Date;
  pockets: number[];
  /** Its place in each of them, in the same order. */
  places: number[];
  /** Who put it into each of them, in the same order; null: she herself. */
  putBy: (string | null)[];
  /** When one of her assignments last gave it; null: never. */
  used: Date | null;
  /** Packed, and its author has published another revision since she last looked at it. */
  revised: boolean;
  /** Words of hers. */
  tags: string[];
  /** Her own, and put away: not in the way, and not gone. */
  away: boolean;
}

/** Everything in one teacher's satchel that she may still see, what she put away included, most recently touched first. */
export async function satchelOf(
  db: Queryable,
  person: { id: number; school: number | null; district: number },
): Promise<SatchelItem[]> {
  return db.query<SatchelItem>(
    `with kept as (${herPockets}), mine as (
       select r.id, case when r.source_revision_id is null then 'made' else 'adapted' end origin,
              greatest(r.created, coalesce(h.created, r.created), coalesce(d.saved, r.created)) touched, false revised, r.archived is not null away
         from resource r left join revision h on h.id = r.head_revision_id left join draft d on d.resource_id = r.id
        where r.owner_id = $1
       union all
       select k.resource_id, 'packed', k.packed, k.revision_id <> r.head_revision_id, false
         from pack k join resource r on r.id = k.resource_id join search_entry e on e.resource_id = r.id
        where k.person_id = $1 and r.owner_id <> $1 and r.archived is null
          and (${open("e")} <> 0 or (${isGiven}))
       union all
       select i.resource_id, 'together', max(i.added), false, false
         from kept join pocket_item i on i.pocket_id = kept.id join resource r on r.id = i.resource_id join search_entry e on e.resource_id = r.id
        where r.owner_id <> $1 and r.archived is null and (${open("e")} <> 0 or (${isGiven}))
          and not exists (select 1 from pack k where k.person_id = $1 and k.resource_id = r.id)
        group by i.resource_id)
     select m.id, f.facts, m.origin, p.given_name || ' ' || p.family_name author,
            case when r.owner_id = $1 and r.made_by_id <> $1 then p.given_name || ' ' || p.family_name end maker, r.head_revision_id is null "draftOnly", m.touched, m.revised, m.away,
            coalesce((select array_agg(t.tag order by t.tag) from tag t where t.person_id = $1 and t.resource_id = m.id), '{}') tags,
            (select max(a.opens) from assignment a where a.resource_id = m.id and a.made_by = $1 and a.called_back is null) used,
            coalesce(s.pockets, '{}') pockets, coalesce(s.places, '{}') places, coalesce(s.put_by, '{}') "putBy"
       from mine m join resource r on r.id = m.id join person p on p.id = coalesce(r.made_by_id, r.owner_id)
       join resource_facts f on f.resource_id = m.id
       left join (select i.resource_id, array_agg(i.pocket_id order by i.pocket_id) pockets, array_agg(i.position order by i.pocket_id) places,
                         array_agg(case when i.by_id <> $1 then b.given_name || ' ' || b.family_name end order by i.pocket_id) put_by
                    from kept join pocket_item i on i.pocket_id = kept.id join person b on b.id = i.by_id group by 1) s on s.resource_id = m.id
      order by m.touched desc, m.id desc`,
    [person.id, person.school, person.district],
  );
}

export interface Withdrawn {
  resource: number;
  /** As she packed it; what became of it since is not hers to see. */
  title: string;
  author: string;
}

/** What she packed and whose author has taken it back, or taken it off the shelf she saw it on. */
export async function withdrawnFrom(
  db: Queryable,
  person: { id: number; school: number | null; district: number },
): Promise<Withdrawn[]> {
  return db.query<Withdrawn>(
    `select k.resource_id resource, p.given_name || ' ' || p.family_name author,
            coalesce(v.document -> 'title' ->> (v.document -> 'languages' ->> 0), 'Untitled') title
       from pack k join resource r on r.id = k.resource_id join person p on p.id = coalesce(r.made_by_id, r.owner_id)
       join revision v on v.id = k.revision_id left join search_entry e on e.resource_id = r.id
      where k.person_id = $1 and r.owner_id <> $1
        and (r.archived is not null or e.resource_id is null
             or not (${open("e")} <> 0 or (${isGiven})))
      order by k.packed desc`,
    [person.id, person.school, person.district],
  );
}

/** Gives things a word of hers, or takes it from them. Returns those for which that changed anything. */
export async function setTag(
  db: Queryable,
  person: number,
  tag: string,
  resources: readonly number[],
  on: boolean,
): Promise<number[]> {
  const rows = await db.query<{ id: number }>(
    on
      ? `insert into tag (person_id, resource_id, tag) select $1, id, $2 from unnest($3::int[]) id
           on conflict do nothing returning resource_id id`
      : "delete from tag where person_id = $1 and tag = $2 and resource_id = any($3::int[]) returning resource_id id",
    [person, tag, resources],
  );
  return rows.map((row) => row.id);
}

/** Ids of what is in her satchel: her own and what she packed. */
export async function satchelIds(db: Queryable, person: number): Promise<number[]> {
  const rows = await db.query<{ id: number }>(
    `select id from resource where owner_id = $1 and archived is null
      union select resource_id from pack where person_id = $1`,
    [person],
  );
  return rows.map((row) => row.id);
}

/** Packs the head revision. False when it was packed already. */
export async function pack(db: Queryable, person: number, resource: number, now: Date): Promise<boolean> {
  const rows = await db.query(
    `insert into pack (person_id, resource_id, revision_id, packed)
     select $1, id, head_revision_id, $3 from resource where id = $2 and head_revision_id is not null
     on conflict do nothing returning 1`,
    [person, resource, now],
  );
  return rows.length > 0;
}

/** Takes a packed resource out, and out of the pockets only she keeps. Returns the pockets it was in, for undo. */
export async function unpack(tx: Queryable, person: number, resource: number): Promise<number[]> {
  await tx.query("delete from pack where person_id = $1 and resource_id = $2", [person, resource]);
  const rows = await tx.query<{ pocket: number }>(
    `delete from pocket_item i using pocket k
      where k.id = i.pocket_id and k.person_id = $1 and i.resource_id = $2
        and not exists (select 1 from pocket_person p where p.pocket_id = k.id) returning i.pocket_id pocket`,
    [person, resource],
  );
  return rows.map((row) => row.pocket);
}

/** She has looked at what its author published since she packed it. */
export async function seePacked(db: Queryable, person: number, resource: number): Promise<void> {
  await db.query(
    `update pack k set revision_id = r.head_revision_id from resource r
      where k.person_id = $1 and k.resource_id = $2 and r.id = k.resource_id and k.revision_id <> r.head_revision_id`,
    [person, resource],
  );
}
