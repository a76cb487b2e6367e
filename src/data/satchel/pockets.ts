import type { PocketColour } from "@/core/satchel/filter";
import { one, type Queryable } from "../engine/db";

/** What somebody who keeps a pocket with its owner may do there; each may do what those before may. */
export const pocketMays = ["look", "add", "arrange"] as const;
export type PocketMay = (typeof pocketMays)[number];

/** Somebody a pocket is kept with. */
export interface PocketKeeper {
  id: number;
  name: string;
  may: PocketMay;
}

export interface Pocket {
  id: number;
  name: string;
  /** The pocket it stands inside; one level. Null for a colleague's. */
  parent: number | null;
  /** What it is for, in her words. */
  about: string;
  colour: PocketColour;
  /** Her own, or what she may do in a colleague's. */
  may: "own" | PocketMay;
  /** Whose it is, and who keeps it with her. */
  owner: string;
  people: PocketKeeper[];
}

/** Ids of the pockets of person $1: her own, and colleagues' that she keeps with them. */
export const herPockets = `select id from pocket where person_id = $1 union all select pocket_id from pocket_person where person_id = $1`;

/** A row `r` of resource was put by its owner into a pocket that she and person $1 keep together. */
export const inPocketTogether = `exists (select 1 from pocket_item pi join pocket pk on pk.id = pi.pocket_id
  where pi.resource_id = r.id and pi.by_id = r.owner_id
    and (pk.person_id = $1 or exists (select 1 from pocket_person pp where pp.pocket_id = pk.id and pp.person_id = $1))
    and (pk.person_id = r.owner_id or exists (select 1 from pocket_person pp where pp.pocket_id = pk.id and pp.person_id = r.owner_id)))`;

/** Her own in her order, then colleagues'. */
export async function pocketsOf(db: Queryable, person: number): Promise<Pocket[]> {
  return db.query<Pocket>(
    `select k.id, k.name, case when k.person_id = $1 then k.parent_id end parent, k.about, k.colour,
            coalesce(m.may, 'own') may, o.given_name || ' ' || o.family_name as owner,
            coalesce((select jsonb_agg(jsonb_build_object('id', p.id, 'name', p.given_name || ' ' || p.family_name, 'may', w.may)
                                       order by p.given_name, p.id)
                        from pocket_person w join person p on p.id = w.person_id where w.pocket_id = k.id), '[]') people
       from pocket k join person o on o.id = k.person_id
       left join pocket_person m on m.pocket_id = k.id and m.person_id = $1
      where k.id in (${herPockets})
      order by k.person_id <> $1, k.position, k.name, k.id`,
    [person],
  );
}

/** The pockets somebody may put things into, the one she filled last first. */
export async function pocketsToFill(db: Queryable, person: number): Promise<{ id: number; name: string }[]> {
  return db.query(
    `select k.id, k.name
       from pocket k
       left join pocket_person m on m.pocket_id = k.id and m.person_id = $1
      where k.person_id = $1 or m.may in ('add', 'arrange')
      order by (select max(i.added) from pocket_item i where i.pocket_id = k.id and i.by_id = $1) desc nulls last, k.position, k.id`,
    [person],
  );
}

/** What somebody may do in a pocket; undefined: it does not exist for her. */
export async function mayInPocket(db: Queryable, person: number, pocket: number): Promise<Pocket["may"] | undefined> {
  const [row] = await db.query<{ may: Pocket["may"] }>(
    `select 'own' may from pocket where id = $1 and person_id = $2
     union all select may from pocket_person where pocket_id = $1 and person_id = $2`,
    [pocket, person],
  );
  return row?.may;
}

export async function ownsPocket(db: Queryable, person: number, pocket: number): Promise<boolean> {
  return (await mayInPocket(db, person, pocket)) === "own";
}

export async function pocketIsThere(db: Queryable, pocket: number): Promise<boolean> {
  return (await db.query("select 1 from pocket where id = $1", [pocket])).length > 0;
}

/** Who keeps a pocket with its owner; the pocket is locked. */
export async function keepersOf(
  tx: Queryable,
  pocket: number,
): Promise<{ owner: number; name: string; people: { id: number; may: PocketMay }[] }> {
  const { owner, name } = await one<{ owner: number; name: string }>(
    tx,
    "select person_id owner, name from pocket where id = $1 for update",
    [pocket],
  );
  const people = await tx.query<{ id: number; may: PocketMay }>(
    "select person_id id, may from pocket_person where pocket_id = $1 order by person_id",
    [pocket],
  );
  return { owner, name, people };
}

/** Just these people keep it with its owner. */
export async function setKeepers(
  tx: Queryable,
  pocket: number,
  people: readonly { id: number; may: PocketMay }[],
  now: Date,
): Promise<void> {
  const ids = people.map(({ id }) => id);
  await tx.query("delete from pocket_person where pocket_id = $1 and person_id <> all($2::int[])", [pocket, ids]);
  await tx.query(
    `insert into pocket_person (pocket_id, person_id, may, since) select $1, n.id, n.may, $4 from unnest($2::int[], $3::text[]) n(id, may)
     on conflict (pocket_id, person_id) do update set may = excluded.may`,
    [pocket, ids, people.map(({ may }) => may), now],
  );
}

/** What each of those who keep a pocket has put in of her own. */
export const ownIn = (db: Queryable, pocket: number): Promise<{ id: number; owner: number }[]> =>
  db.query(
    `select r.id, r.owner_id owner from pocket_item i join resource r on r.id = i.resource_id
      where i.pocket_id = $1 and i.by_id = r.owner_id order by r.id`,
    [pocket],
  );

/** Tells everybody who has a pocket open that it has changed. */
export async function announcePocket(db: Queryable, pocket: number): Promise<void> {
  await db.query("select pg_notify('pocket', $1)", [String(pocket)]);
}

/** @throws DatabaseError unique violation on pocket_person_id_name_key when she has one of that name */
export async function addPocket(db: Queryable, person: number, name: string): Promise<{ id: number }> {
  return one<{ id: number }>(
    db,
    `insert into pocket (person_id, name, position)
     select $1, $2, coalesce(max(position), 0) + 1 from pocket where person_id = $1 returning id`,
    [person, name],
  );
}

/** What a pocket says of itself; locked. */
export const pocketForChange = (tx: Queryable, pocket: number): Promise<{ name: string; about: string }> =>
  one(tx, "select name, about from pocket where id = $1 for update", [pocket]);

/** @throws DatabaseError unique violation on pocket_person_id_name_key when she has one of that name */
export async function changePocket(
  db: Queryable,
  pocket: number,
  change: { name?: string | undefined; about?: string | undefined; colour?: PocketColour | undefined },
): Promise<void> {
  await db.query(
    "update pocket set name = coalesce($2, name), about = coalesce($3, about), colour = coalesce($4, colour) where id = $1",
    [pocket, change.name ?? null, change.about ?? null, change.colour ?? null],
  );
}

/** Puts all her pockets in an order, each inside another or by itself. Ids that are not hers are left out. */
export async function arrangePockets(
  db: Queryable,
  person: number,
  places: readonly { id: number; parent: number | null }[],
): Promise<void> {
  await db.query(
    `update pocket p set position = x.at, parent_id = x.parent
       from unnest($2::int[], $3::int[]) with ordinality as x(id, parent, at)
      where p.id = x.id and p.person_id = $1
        and (x.parent is null or exists (select 1 from pocket o where o.id = x.parent and o.person_id = $1))`,
    [person, places.map(({ id }) => id), places.map(({ parent }) => parent)],
  );
}

/** A pocket that was removed: all that bringing it back needs. */
export interface RemovedPocket {
  person: number;
  name: string;
  parent: number | null;
  about: string;
  colour: PocketColour;
  position: number;
  items: PocketItem[];
  /** Pockets that were inside it. */
  inside: number[];
}

/** Removes a pocket; what was in it stays in the satchel. */
export async function removePocket(tx: Queryable, pocket: number): Promise<RemovedPocket> {
  const inside = await tx.query<{ id: number }>("select id from pocket where parent_id = $1 order by id", [pocket]);
  const items = await tx.query<PocketItem>(
    `delete from pocket_item where pocket_id = $1 returning resource_id id, by_id "by", position`,
    [pocket],
  );
  const was = await one<Omit<RemovedPocket, "items" | "inside">>(
    tx,
    `delete from pocket where id = $1 returning person_id person, name, parent_id parent, about, colour, position`,
    [pocket],
  );
  return { ...was, items, inside: inside.map(({ id }) => id) };
}

/**
 * Brings a removed pocket back as it was, under its old number.
 *
 * @throws DatabaseError unique violation on pocket_person_id_name_key when she has made another of that name
 */
export async function restorePocket(tx: Queryable, id: number, was: RemovedPocket, now: Date): Promise<void> {
  await tx.query(
    `insert into pocket (id, person_id, name, parent_id, about, colour, position)
     values ($1, $2, $3, (select o.id from pocket o where o.id = $4), $5, $6, $7)`,
    [id, was.person, was.name, was.parent, was.about, was.colour, was.position],
  );
  await tx.query(
    "update pocket set parent_id = $1 where id = any($2::int[]) and person_id = $3 and parent_id is null",
    [id, was.inside, was.person],
  );
  await putBackIntoPocket(tx, id, was.items, now);
}

/** Puts things behind what lies in a pocket; what is there already stays where it is. `by`: who does; what is hers counts as put in by her. */
export async function putIntoPocket(
  db: Queryable,
  pocket: number,
  resources: readonly number[],
  by: number,
  now: Date,
): Promise<void> {
  await db.query(
    `insert into pocket_item (pocket_id, resource_id, added, by_id, position)
     select $1, n.id, $3, $4, n.at + coalesce((select max(position) from pocket_item where pocket_id = $1), 0)
       from unnest($2::int[]) with ordinality as n(id, at)
     on conflict (pocket_id, resource_id) do update set by_id = excluded.by_id
       where exists (select 1 from resource r where r.id = excluded.resource_id and r.owner_id = excluded.by_id)`,
    [pocket, resources, now, by],
  );
}

/** A thing in a pocket: who put it in, and its place. */
export interface PocketItem {
  id: number;
  by: number;
  position: number;
}

/** Puts things back where they were taken out, as put in by those who had. */
export async function putBackIntoPocket(
  tx: Queryable,
  pocket: number,
  items: readonly PocketItem[],
  now: Date,
): Promise<void> {
  await tx.query(
    `insert into pocket_item (pocket_id, resource_id, added, by_id, position)
     select $1, r.id, $5, n.by_id, n.position from unnest($2::int[], $3::int[], $4::int[]) n(id, by_id, position) join resource r on r.id = n.id
     on conflict do nothing`,
    [pocket, items.map(({ id }) => id), items.map(({ by }) => by), items.map(({ position }) => position), now],
  );
}

/** Takes things out; with `by`, only what she put in herself. Returns what was taken out, in its order, and who had put it in. */
export async function takeOutOfPocket(
  db: Queryable,
  pocket: number,
  resources: readonly number[],
  by: number | null = null,
): Promise<PocketItem[]> {
  return db.query(
    `with gone as (delete from pocket_item where pocket_id = $1 and resource_id = any($2::int[]) and ($3::int is null or by_id = $3)
                   returning resource_id, by_id, position)
     select resource_id id, by_id "by", position from gone order by position`,
    [pocket, resources, by],
  );
}

/** What lies in a pocket, in its order. */
export async function resourcesIn(db: Queryable, pocket: number): Promise<number[]> {
  const rows = await db.query<{ id: number }>(
    "select resource_id id from pocket_item where pocket_id = $1 order by position, added, resource_id",
    [pocket],
  );
  return rows.map(({ id }) => id);
}

/** Puts what lies in a pocket in this order; what is not named stays behind it, what is not in it is passed over. */
export async function setPocketOrder(tx: Queryable, pocket: number, order: readonly number[]): Promise<void> {
  await tx.query(
    `update pocket_item i set position = n.at
       from (select resource_id, row_number() over (order by array_position($2::int[], resource_id) nulls last, position, added) at
               from pocket_item where pocket_id = $1) n
      where i.pocket_id = $1 and i.resource_id = n.resource_id`,
    [pocket, order],
  );
}
