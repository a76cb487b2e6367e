import type { ShareWay } from "@/core/sharing/link";
import { one, type Queryable } from "../engine/db";

/** A link as its maker sees it. The address itself is kept nowhere. */
export interface LinkMade {
  id: number;
  name: string;
  way: ShareWay;
  teacherPart: boolean;
  made: Date;
  until: Date | null;
  opened: number;
  resources: number[];
}

/** A row `l` of link leads somewhere: it was not ended, its day has not passed, and she who made it works here. */
export const linkLives = `l.ended is null and (l.until is null or l.until > now())
  and exists (select 1 from person maker where maker.id = l.by_id and maker.active)`;

const columns = `l.id, l.name, l.way, l.teacher_part "teacherPart", l.made, l.until, l.opened,
  array(select t.resource_id from linked_resource t where t.link_id = l.id order by t.place) resources`;

export async function addLink(
  tx: Queryable,
  link: { by: number; hash: string; name: string; way: ShareWay; teacherPart: boolean; at: Date; until: Date | null },
  resources: readonly number[],
): Promise<number> {
  const { id } = await one<{ id: number }>(
    tx,
    `insert into link (by_id, hash, name, way, teacher_part, made, until) values ($1, $2, $3, $4, $5, $6, $7) returning id`,
    [link.by, link.hash, link.name, link.way, link.teacherPart, link.at, link.until],
  );
  await tx.query(
    `insert into linked_resource (link_id, place, resource_id)
     select $1, place, id from unnest($2::int[]) with ordinality as t(id, place)`,
    [id, resources],
  );
  return id;
}

/** The links of hers that lead to any of these, the newest first. */
export const linksTo = (db: Queryable, by: number, resources: readonly number[]): Promise<LinkMade[]> =>
  db.query<LinkMade>(
    `select ${columns} from link l where l.by_id = $1 and ${linkLives}
        and exists (select 1 from linked_resource t where t.link_id = l.id and t.resource_id = any($2::int[]))
      order by l.id desc limit 200`,
    [by, resources],
  );

export interface OpenLink extends Omit<LinkMade, "opened" | "made"> {
  by: number;
  byName: string;
}

/** Where an address leads, by its hash; undefined: nowhere, or nowhere any more. */
export async function linkByHash(db: Queryable, hash: string): Promise<OpenLink | undefined> {
  const rows = await db.query<OpenLink>(
    `select l.id, l.name, l.way, l.teacher_part "teacherPart", l.until, l.by_id "by",
            p.given_name || ' ' || p.family_name "byName",
            array(select t.resource_id from linked_resource t join resource r on r.id = t.resource_id
                   where t.link_id = l.id and r.archived is null and r.head_revision_id is not null order by t.place) resources
       from link l join person p on p.id = l.by_id where l.hash = $1 and ${linkLives}`,
    [hash],
  );
  return rows[0] && rows[0].resources.length > 0 ? rows[0] : undefined;
}

export async function countOpened(db: Queryable, link: number): Promise<void> {
  await db.query("update link set opened = opened + 1 where id = $1", [link]);
}

/** Ends a link of hers, or (`null`) lets it lead on. False: there is none to change. */
export async function setLinkEnded(tx: Queryable, by: number, link: number, at: Date | null): Promise<boolean> {
  const rows = await tx.query(
    "update link set ended = $3 where id = $1 and by_id = $2 and (ended is null) = ($3::timestamptz is not null) returning id",
    [link, by, at],
  );
  return rows.length > 0;
}

/** Gives what a link leads to, to somebody who opened it while signed in: as long as the link lasts. What she has anyway stays as it is. */
export async function takeByLink(
  tx: Queryable,
  of: { link: number; by: number; way: ShareWay; resource: number; person: number; at: Date },
): Promise<void> {
  await tx.query(
    `insert into share (resource_id, person_id, by_id, note, at, way, link_id) values ($1, $2, $3, '', $4, $5, $6)
     on conflict (resource_id, person_id) where ended is null
       do update set link_id = excluded.link_id, way = excluded.way where share.link_id is not null`,
    [of.resource, of.person, of.by, of.at, of.way, of.link],
  );
}
