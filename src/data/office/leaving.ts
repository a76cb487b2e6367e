import { one, type Queryable } from "../engine/db";

/** Somebody who worked at the school. */
export interface LeftAdult {
  id: number;
  name: string;
  email: string;
  /** Lessons of hers that could be handed over. */
  lessons: number;
}

export const leftAdults = (db: Queryable, school: number): Promise<LeftAdult[]> =>
  db.query<LeftAdult>(
    `select p.id, p.given_name || ' ' || p.family_name as name, p.email,
            (select count(*) from resource r where r.owner_id = p.id and r.archived is null)::int lessons
       from person p where p.school_id = $1 and p.kind = 'adult' and not p.active and not p.partner order by name, p.id`,
    [school],
  );

/** An adult of a school who has left it, or is there: her name; undefined: nobody such. */
export async function adultAt(
  db: Queryable,
  { school, person, active }: { school: number; person: number; active: boolean },
): Promise<string | undefined> {
  const rows = await db.query<{ name: string }>(
    `select given_name || ' ' || family_name as name from person
      where id = $1 and school_id = $2 and kind = 'adult' and active = $3 and not partner`,
    [person, school, active],
  );
  return rows[0]?.name;
}

/** Whether somebody teaches: has a satchel. */
export const isTeacher = async (db: Queryable, person: number): Promise<boolean> =>
  (await db.query("select 1 from person_role where person_id = $1 and role = 'teacher'", [person])).length > 0;

/** Where nobody who is here keeps the district any more, somebody else of her office does. */
async function passDistrictOn(tx: Queryable, person: number): Promise<void> {
  const kept = "r.role = 'office' and r.reach = 'district'";
  await tx.query(
    `update person_role set reach = 'district' where role = 'office' and person_id = (
       select min(o.id) from person me join person o on o.school_id = me.school_id and o.active
         join person_role r on r.person_id = o.id and r.role = 'office'
        where me.id = $1
          and exists (select 1 from person_role r where r.person_id = me.id and ${kept})
          and not exists (select 1 from person p join person_role r on r.person_id = p.id
                           where p.district_id = me.district_id and p.active and ${kept}))`,
    [person],
  );
}

/**
 * She has left: she is signed out, cannot sign in, and no invitation works. Classes and what she made stay as they are.
 * @returns the classes nobody teaches now
 */
export async function leave(tx: Queryable, person: number): Promise<string[]> {
  await tx.query("update person set active = false where id = $1", [person]);
  await tx.query("delete from session where person_id = $1", [person]);
  await tx.query("delete from invitation where person_id = $1", [person]);
  await passDistrictOn(tx, person);
  const classes = await tx.query<{ name: string }>(
    `select c.name from class c join class_teacher t on t.class_id = c.id and t.person_id = $1
      where c.archived is null and t.role <> 'cover' and not exists (
        select 1 from class_teacher o join person p on p.id = o.person_id where o.class_id = c.id and o.role <> 'cover' and p.active)
      order by c.name`,
    [person],
  );
  return classes.map(({ name }) => name);
}

export async function comeBack(tx: Queryable, person: number): Promise<void> {
  await tx.query("update person set active = true where id = $1", [person]);
}

/**
 * Takes somebody of the district who has left her school into another, with what she made.
 * @returns her number; null where nobody such has left
 */
export async function takeFromAnotherSchool(
  tx: Queryable,
  newcomer: { email: string; district: number; school: number; roles: readonly string[] },
): Promise<number | null> {
  const [found] = await tx.query<{ id: number }>(
    `update person set school_id = $3, active = true
      where email = $1 and district_id = $2 and kind = 'adult' and not active and not partner returning id`,
    [newcomer.email, newcomer.district, newcomer.school],
  );
  if (!found) return null;
  await tx.query("delete from person_role where person_id = $1", [found.id]);
  await tx.query("insert into person_role (person_id, role, reach) select $1, unnest($2::text[]), 'school'", [
    found.id,
    newcomer.roles,
  ]);
  // Classes of the school she left are not hers any more.
  await tx.query(
    "delete from class_teacher t using class c where c.id = t.class_id and t.person_id = $1 and c.school_id <> $2",
    [found.id, newcomer.school],
  );
  return found.id;
}

/** What went from one satchel into another, to be put back. */
export interface HandedOver {
  resources: number[];
  pockets: { id: number; name: string }[];
  packed: number[];
}

/**
 * Puts everything of one teacher's satchel into another's: her own lessons, which go on saying who made them, her pockets, and what she had
 * packed of others.
 */
export async function handOverSatchel(
  tx: Queryable,
  { from, to, now }: { from: number; to: number; now: Date },
): Promise<HandedOver> {
  const { name } = await one<{ name: string }>(
    tx,
    "select given_name || ' ' || family_name as name from person where id = $1",
    [from],
  );
  const resources = await tx.query<{ id: number }>(
    "update resource set owner_id = $2, made_by_id = coalesce(made_by_id, $1) where owner_id = $1 and archived is null returning id",
    [from, to],
  );
  const ids = resources.map(({ id }) => id);
  await tx.query("update search_entry set owner_id = $2 where resource_id = any($1::int[])", [ids, to]);
  const packed = await tx.query<{ id: number }>(
    `insert into pack (person_id, resource_id, revision_id, packed)
     select $2, resource_id, revision_id, $3 from pack where person_id = $1 and resource_id not in (select id from resource where owner_id = $2)
     on conflict do nothing returning resource_id id`,
    [from, to, now],
  );
  const pockets = await tx.query<{ id: number; name: string }>(
    "select id, name from pocket where person_id = $1 order by position",
    [from],
  );
  const { last } = await one<{ last: number }>(
    tx,
    "select coalesce(max(position), 0) last from pocket where person_id = $1",
    [to],
  );
  for (const [nth, pocket] of pockets.entries())
    await tx.query(
      `update pocket set person_id = $2, position = $3,
              name = case when exists (select 1 from pocket o where o.person_id = $2 and o.name = $4) then left($4, 40) || ' (' || left($5, 40) || ' ' || id || ')' else $4 end
        where id = $1`,
      [pocket.id, to, last + nth + 1, pocket.name, name],
    );
  await tx.query("delete from pocket_person where person_id = $1 and pocket_id = any($2::int[])", [
    to,
    pockets.map(({ id }) => id),
  ]);
  return { resources: ids, pockets, packed: packed.map(({ id }) => id) };
}

/** The way back, of what is still there as it was handed over. */
export async function handBackSatchel(
  tx: Queryable,
  { from, to, handed }: { from: number; to: number; handed: HandedOver },
): Promise<void> {
  const back = await tx.query<{ id: number }>(
    "update resource set owner_id = $2 where owner_id = $1 and id = any($3::int[]) returning id",
    [to, from, handed.resources],
  );
  await tx.query("update search_entry set owner_id = $2 where resource_id = any($1::int[])", [
    back.map(({ id }) => id),
    from,
  ]);
  await tx.query("delete from pack where person_id = $1 and resource_id = any($2::int[])", [to, handed.packed]);
  for (const { id, name } of handed.pockets)
    await tx.query("update pocket set person_id = $2, name = $4 where id = $3 and person_id = $1", [
      to,
      from,
      id,
      name,
    ]);
}
