import type { PersonRole } from "@/core/people/read-people";
import { one, type Queryable } from "../engine/db";

/** Whether there is anybody at all: an installation without people is one nobody can sign in to. */
export async function hasPeople(db: Queryable): Promise<boolean> {
  return (await db.query("select 1 from person limit 1")).length > 0;
}

/** Keeps the code that makes the school; the one before does not work any more. */
export async function setFirstCode(db: Queryable, hash: string, now: Date): Promise<void> {
  await db.query(
    `insert into first_code (code_hash, made) values ($1, $2)
     on conflict (one) do update set code_hash = excluded.code_hash, made = excluded.made`,
    [hash, now],
  );
}

/** Takes the code away when it is right, so that it works once. False when it is not, or is gone already. */
export async function useFirstCode(tx: Queryable, hash: string): Promise<boolean> {
  return (await tx.query("delete from first_code where code_hash = $1 returning 1", [hash])).length > 0;
}

/** Makes a district and its first school. Returns their ids. */
export async function addSchool(
  tx: Queryable,
  school: { name: string; district: string; country: string; zone: string; locale: string },
): Promise<{ district: number; school: number }> {
  const { id: district } = await one<{ id: number }>(
    tx,
    "insert into district (name, country) values ($1, $2) returning id",
    [school.district, school.country],
  );
  const { id } = await one<{ id: number }>(
    tx,
    "insert into school (district_id, name, time_zone, locale) values ($1, $2, $3, $4) returning id",
    [district, school.name, school.zone, school.locale],
  );
  return { district, school: id };
}

/** Adds an adult, without a password yet; null when somebody has that address already. */
export async function addAdult(
  tx: Queryable,
  person: {
    district: number;
    school: number;
    givenName: string;
    familyName: string;
    email: string;
    roles: readonly PersonRole[];
  },
): Promise<number | null> {
  const [added] = await tx.query<{ id: number }>(
    `insert into person (district_id, school_id, kind, given_name, family_name, email)
     values ($1, $2, 'adult', $3, $4, $5) on conflict (email) do nothing returning id`,
    [person.district, person.school, person.givenName, person.familyName, person.email],
  );
  if (!added) return null;
  await tx.query("insert into person_role (person_id, role, reach) select $1, unnest($2::text[]), 'school'", [
    added.id,
    person.roles,
  ]);
  return added.id;
}

export async function changePassword(tx: Queryable, person: number, hash: string): Promise<void> {
  await tx.query("update person set password_hash = $2 where id = $1", [person, hash]);
}

/** A new password; anyone who is signed in with the old one is asked again. */
export async function setPassword(tx: Queryable, person: number, hash: string): Promise<void> {
  await changePassword(tx, person, hash);
  await tx.query("delete from session where person_id = $1", [person]);
}

/** A new invitation for somebody; the one before does not work any more. */
export async function addInvitation(
  tx: Queryable,
  invitation: { person: number; tokenHash: string; made: Date; expires: Date },
): Promise<void> {
  await tx.query(
    `insert into invitation (token_hash, person_id, made, expires) values ($1, $2, $3, $4)
     on conflict (person_id) do update set token_hash = excluded.token_hash, made = excluded.made, expires = excluded.expires`,
    [invitation.tokenHash, invitation.person, invitation.made, invitation.expires],
  );
}

export interface Invited {
  person: number;
  givenName: string;
  schoolName: string | null;
  /** She has a password, and forgot it. */
  isKnown: boolean;
}

export async function invitationBy(db: Queryable, tokenHash: string, now: Date): Promise<Invited | undefined> {
  const rows = await db.query<Invited>(
    `select p.id person, p.given_name "givenName", s.name "schoolName", p.password_hash is not null "isKnown"
       from invitation i join person p on p.id = i.person_id left join school s on s.id = p.school_id
      where i.token_hash = $1 and i.expires > $2 and p.active`,
    [tokenHash, now],
  );
  return rows[0];
}

/** Ends an invitation, which works once. False when somebody else has just used it. */
export async function endInvitation(tx: Queryable, tokenHash: string): Promise<boolean> {
  return (await tx.query("delete from invitation where token_hash = $1 returning 1", [tokenHash])).length > 0;
}

/** An adult of a school, as its office sees them. */
export interface Adult {
  id: number;
  name: string;
  email: string;
  roles: PersonRole[];
  /** Has chosen a password. */
  joined: boolean;
  /** Types a code beside the password. */
  secondStep: boolean;
  /** When the last invitation was sent that is still good. */
  invited: Date | null;
}

export async function peopleAt(db: Queryable, school: number, now: Date): Promise<Adult[]> {
  return db.query<Adult>(
    `select p.id, p.given_name || ' ' || p.family_name as name, p.email, p.password_hash is not null joined,
            p.totp_secret is not null "secondStep",
            coalesce((select array_agg(distinct r.role order by r.role) from person_role r where r.person_id = p.id), '{}') roles,
            (select i.made from invitation i where i.person_id = p.id and i.expires > $2) invited
       from person p where p.school_id = $1 and p.kind = 'adult' and p.active order by p.given_name, p.family_name`,
    [school, now],
  );
}
