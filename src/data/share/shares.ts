import type { Facts } from "@/core/resource/facts";
import { one, type Queryable } from "../engine/db";
import type { ShareWay } from "@/core/sharing/link";
import { linkLives } from "./links";
import { inPocketTogether } from "../satchel/pockets";
import { onTeamShelf } from "./teams";

/** A row `h` of share holds: it was not taken back, and the link it came by still leads there. */
const holds = `h.ended is null and (h.link_id is null or exists (select 1 from link l where l.id = h.link_id and ${linkLives}))`;

/** A row `r` of resource is given to person $1, ready for her team, or in a pocket she and its owner keep: hers to see until it is taken back. */
export const isGiven = `(exists (select 1 from share h where h.resource_id = r.id and h.person_id = $1 and ${holds}) or ${onTeamShelf} or ${inPocketTogether})
  and r.archived is null and r.head_revision_id is not null`;

/** The same, and hers to copy and assign as well. */
export const isGivenToCopy = `(exists (select 1 from share h where h.resource_id = r.id and h.person_id = $1 and h.way = 'copy' and ${holds})
  or ${onTeamShelf} or ${inPocketTogether}) and r.archived is null and r.head_revision_id is not null`;

/** Who sees a resource off the shelves, given, by a link, in a team or in a pocket: nobody, people of its owner's school only, or others too. */
export async function passedOn(db: Queryable, resource: number): Promise<"nobody" | "school" | "beyond"> {
  const { seen, beyond } = await one<{ seen: boolean; beyond: boolean }>(
    db,
    `with keeper as (select id pocket_id, person_id from pocket union all select pocket_id, person_id from pocket_person), away as (
       select p.school_id is distinct from o.school_id beyond
         from resource r join person o on o.id = r.owner_id
         join (select h.person_id from share h where h.resource_id = $1 and h.link_id is null and h.ended is null
               union select m.person_id from team_part t join team_line l on l.id = t.line_id
                       join team_member m on m.team_id = l.team_id where t.resource_id = $1
               union select w.person_id from pocket_item i join resource r on r.id = i.resource_id and r.owner_id = i.by_id
                       join keeper o on o.pocket_id = i.pocket_id and o.person_id = r.owner_id
                       join keeper w on w.pocket_id = i.pocket_id where i.resource_id = $1) w(person) on true
         join person p on p.id = w.person where r.id = $1 and p.id <> o.id
       union all
       select true from linked_resource t join link l on l.id = t.link_id where t.resource_id = $1 and ${linkLives})
     select count(*) > 0 seen, coalesce(bool_or(beyond), false) beyond from away`,
    [resource],
  );
  return beyond ? "beyond" : seen ? "school" : "nobody";
}

/** Something a colleague gave. */
export interface Given {
  id: number;
  resource: number;
  facts: Facts;
  by: string;
  note: string;
  at: Date;
  thanked: Date | null;
  way: ShareWay;
  /** In her satchel already. */
  packed: boolean;
}

/** What was given to somebody and not taken back, the newest first. */
export const givenTo = (db: Queryable, person: number): Promise<Given[]> =>
  db.query<Given>(
    `select h.id, h.resource_id resource, f.facts, p.given_name || ' ' || p.family_name as "by", h.note, h.at as at, h.thanked, h.way,
            exists (select 1 from pack k where k.person_id = $1 and k.resource_id = h.resource_id) packed
       from share h join resource r on r.id = h.resource_id join resource_facts f on f.resource_id = r.id
       join person p on p.id = h.by_id where h.person_id = $1 and ${holds} and ${isGiven}
      order by h.at desc, h.id desc limit 500`,
    [person],
  );

export async function countGiven(db: Queryable, person: number): Promise<number> {
  const { count } = await one<{ count: number }>(
    db,
    `select count(*)::int count from share h join resource r on r.id = h.resource_id where h.person_id = $1 and ${holds} and ${isGiven}`,
    [person],
  );
  return count;
}

/** Somebody a thing was given to. */
export interface GivenTo {
  id: number;
  resource: number;
  person: number;
  name: string;
  at: Date;
  thanked: Date | null;
  way: ShareWay;
  /** It came by a link of hers. */
  byLink: boolean;
}

export const givenOf = (db: Queryable, resources: readonly number[]): Promise<GivenTo[]> =>
  db.query<GivenTo>(
    `select h.id, h.resource_id resource, h.person_id person, p.given_name || ' ' || p.family_name as name, h.at as at, h.thanked,
            h.way, h.link_id is not null "byLink"
       from share h join person p on p.id = h.person_id where h.resource_id = any($1::int[]) and ${holds}
      order by name, h.id`,
    [resources],
  );

/**
 * Gives things to people. Somebody who has a thing by a link, or to look at only, has it as it is given now; otherwise what was given
 * stays as it was. Returns the new ones.
 */
export async function give(
  tx: Queryable,
  of: { resources: readonly number[]; people: readonly number[]; by: number; note: string; at: Date; way: ShareWay },
): Promise<{ id: number; person: number }[]> {
  return tx.query(
    `insert into share (resource_id, person_id, by_id, note, at, way)
     select r.id, p.id, $3, $4, $5, $6 from unnest($1::int[]) r(id), unnest($2::int[]) p(id) where p.id <> $3
     on conflict (resource_id, person_id) where ended is null
       do update set note = excluded.note, at = excluded.at, way = excluded.way, link_id = null
       where share.link_id is not null or share.way <> excluded.way
     returning id, person_id person`,
    [of.resources, of.people, of.by, of.note, of.at, of.way],
  );
}

/** Takes back what was given, or (`null`) gives it again. Returns those it changed. */
export async function endGiven(tx: Queryable, ids: readonly number[], at: Date | null): Promise<number[]> {
  const rows = await tx.query<{ id: number }>(
    at
      ? "update share set ended = $2 where id = any($1::int[]) and ended is null returning id"
      : `update share s set ended = $2 where id = any($1::int[]) and ended is not null and not exists (
           select 1 from share o where o.resource_id = s.resource_id and o.person_id = s.person_id and o.ended is null) returning id`,
    [ids, at],
  );
  return rows.map(({ id }) => id);
}

/** Says thank you for something given to her. Undefined: it is not there, or she has. */
export async function thank(
  tx: Queryable,
  person: number,
  id: number,
  at: Date,
): Promise<{ by: number; resource: number } | undefined> {
  const rows = await tx.query<{ by: number; resource: number }>(
    `update share set thanked = $3 where id = $2 and person_id = $1 and ended is null and thanked is null
     returning by_id "by", resource_id resource`,
    [person, id, at],
  );
  return rows[0];
}

/** Adults of a district a thing can be given to, those of her own school first. */
export const colleaguesOf = (
  db: Queryable,
  person: { id: number; district: number; school: number | null },
): Promise<{ id: number; name: string; school: string | null; own: boolean }[]> =>
  db.query(
    `select p.id, p.given_name || ' ' || p.family_name as name, s.name school, p.school_id is not distinct from $3 own
       from person p left join school s on s.id = p.school_id
      where p.district_id = $2 and p.kind = 'adult' and p.active and not p.partner and p.id <> $1
        and exists (select 1 from person_role r where r.person_id = p.id and r.role = 'teacher')
      order by own desc, name limit 1000`,
    [person.id, person.district, person.school ?? -1],
  );
