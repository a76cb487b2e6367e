import { one, type Queryable } from "../engine/db";

/** What a link for guests leads to, while it does: the school allows guests, and the work is open. */
export interface GuestDoor {
  assignment: number;
  school: number;
  district: number;
  title: string;
  teacher: string;
  /** When the work is over for them. */
  until: Date;
}

export async function guestDoor(db: Queryable, hash: string, now: Date): Promise<GuestDoor | undefined> {
  const rows = await db.query<GuestDoor>(
    `select a.id assignment, s.id school, s.district_id district, f.facts ->> 'title' title,
            p.given_name || ' ' || p.family_name teacher, coalesce(a.closes, a.due) until
       from guest_link g join assignment a on a.id = g.assignment_id join class c on c.id = a.class_id join school s on s.id = c.school_id
       join resource_facts f on f.resource_id = a.resource_id join person p on p.id = a.made_by
      where g.hash = $1 and s.guests and a.called_back is null and a.opens <= $2 and coalesce(a.closes, a.due) > $2`,
    [hash, now],
  );
  return rows[0];
}

/** Makes the link anew: the one before leads nowhere. */
export async function setGuestLink(
  db: Queryable,
  of: { assignment: number; hash: string; by: number; at: Date },
): Promise<void> {
  await db.query(
    `insert into guest_link (assignment_id, hash, made_by, made) values ($1, $2, $3, $4)
     on conflict (assignment_id) do update set hash = excluded.hash, made_by = excluded.made_by, made = excluded.made`,
    [of.assignment, of.hash, of.by, of.at],
  );
}

export async function endGuestLink(db: Queryable, assignment: number): Promise<void> {
  await db.query("delete from guest_link where assignment_id = $1", [assignment]);
}

/** Whether the school of a piece of work allows guests, and whether a link is out. */
export async function guestsWith(db: Queryable, assignment: number): Promise<{ allowed: boolean; link: boolean }> {
  return one(
    db,
    `select s.guests allowed, exists (select 1 from guest_link g where g.assignment_id = a.id) link
       from assignment a join class c on c.id = a.class_id join school s on s.id = c.school_id where a.id = $1`,
    [assignment],
  );
}

export async function guestsAllowed(db: Queryable, school: number): Promise<boolean> {
  return (await one<{ guests: boolean }>(db, "select guests from school where id = $1", [school])).guests;
}

export async function allowGuests(db: Queryable, school: number, allowed: boolean): Promise<void> {
  await db.query("update school set guests = $2 where id = $1", [school, allowed]);
}

const MOST_GUESTS = 60;

/** Adds a guest, who has the work most of the class has. Undefined where there are too many. */
export async function addGuest(
  tx: Queryable,
  door: GuestDoor,
  guest: { name: string; signInName: string },
): Promise<number | undefined> {
  await tx.query("select 1 from assignment where id = $1 for update", [door.assignment]);
  const { here } = await one<{ here: number }>(tx, "select count(*) here from person where guest_of = $1", [
    door.assignment,
  ]);
  if (here >= MOST_GUESTS) return undefined;
  const { id } = await one<{ id: number }>(
    tx,
    `insert into person (district_id, school_id, kind, given_name, family_name, sign_in_name, guest_of)
     values ($1, $2, 'student', $3, '(guest)', $4, $5) returning id`,
    [door.district, door.school, guest.name, guest.signInName, door.assignment],
  );
  await tx.query(
    `insert into recipient (assignment_id, student_id, revision_id)
     select $1, $2, revision_id from recipient where assignment_id = $1 group by revision_id order by count(*) desc, revision_id limit 1`,
    [door.assignment, id],
  );
  return id;
}

/** The work a guest came for; null: nobody's guest. */
export async function guestOf(db: Queryable, person: number): Promise<number | null> {
  const [row] = await db.query<{ guest: number | null }>("select guest_of guest from person where id = $1", [person]);
  return row?.guest ?? null;
}

/** Guests who have begun, by name. */
export const guestsAt = (db: Queryable, assignment: number): Promise<{ id: number; name: string }[]> =>
  db.query(
    `select p.id, p.given_name as name from person p join recipient r on r.student_id = p.id and r.assignment_id = $1
      where p.guest_of = $1 and exists (select 1 from attempt t where t.recipient_id = r.id) order by p.given_name, p.id`,
    [assignment],
  );

/** Students who have a piece of work and have not begun, by name: what a guest did may be one of theirs. */
export const notBegun = (db: Queryable, assignment: number): Promise<{ id: number; name: string }[]> =>
  db.query(
    `select p.id, p.given_name || ' ' || p.family_name as name from recipient r join person p on p.id = r.student_id
      where r.assignment_id = $1 and p.guest_of is null and not exists (select 1 from attempt t where t.recipient_id = r.id)
      order by p.given_name, p.family_name`,
    [assignment],
  );

/**
 * Moves all somebody did with a piece of work to somebody else who has it and has done nothing. False, and nothing is moved, where the
 * other has begun, or has not got it.
 */
export async function moveWork(tx: Queryable, assignment: number, from: number, to: number): Promise<boolean> {
  const both = await tx.query<{ id: number; student: number; begun: boolean }>(
    `select r.id, r.student_id student, exists (select 1 from attempt t where t.recipient_id = r.id) begun
       from recipient r where r.assignment_id = $1 and r.student_id = any($2::int[]) order by r.id for update`,
    [assignment, [from, to]],
  );
  const [source, target] = [from, to].map((id) => both.find(({ student }) => student === id));
  if (!source?.begun || !target || target.begun) return false;
  await tx.query("update attempt set recipient_id = $2 where recipient_id = $1", [source.id, target.id]);
  await tx.query("update piece set recipient_id = $2 where recipient_id = $1", [source.id, target.id]);
  await tx.query("update piece_reply set student_id = $2 where student_id = $1", [from, to]);
  // Notes between the two go along, where the other has none of her own.
  await tx.query(
    `update step_note n set student_id = $3, by_id = case when n.by_id = $2 then $3 else n.by_id end
      where n.assignment_id = $1 and n.student_id = $2
        and not exists (select 1 from step_note o where o.assignment_id = $1 and o.student_id = $3)`,
    [assignment, from, to],
  );
  return true;
}
