import type { Country } from "@/core/locale/names";
import { one, type Queryable } from "../engine/db";
import { OFTEN } from "../engine/often";

export type Role = "teacher" | "curator" | "office";

export interface Person {
  id: number;
  kind: "adult" | "student";
  givenName: string;
  familyName: string;
  district: number;
  school: number | null;
  schoolName: string | null;
  /** IANA zone of the school; UTC for people of the district office. */
  zone: string;
  locale: string;
  /** Of her district: how dates are written, what money is. */
  country: Country;
  roles: Role[];
}

const columns = `
  p.id, p.kind, p.given_name "givenName", p.family_name "familyName", p.district_id district, p.school_id school,
  s.name "schoolName", coalesce(s.time_zone, 'UTC') zone, coalesce(s.locale, 'en') locale,
  (select d.country from district d where d.id = p.district_id) country,
  coalesce((select array_agg(distinct r.role) from person_role r where r.person_id = p.id), '{}') roles`;

/** The secret of one who wants to sign in, and nothing more; undefined when nobody active has that name. */
export interface Credentials {
  id: number;
  hash: string | null;
}

export async function credentialsByEmail(db: Queryable, email: string): Promise<Credentials | undefined> {
  const rows = await db.query<Credentials>(
    "select id, password_hash hash from person where email = $1 and kind = 'adult' and active",
    [email.trim().toLowerCase()],
  );
  return rows[0];
}

export async function credentialsBySignInName(db: Queryable, name: string): Promise<Credentials | undefined> {
  const rows = await db.query<Credentials>(
    "select id, password_hash hash from person where sign_in_name = $1 and kind = 'student' and active",
    [name.trim().toLowerCase()],
  );
  return rows[0];
}

/** Who keeps the shelves of a district. */
export const curatorsOf = (db: Queryable, district: number): Promise<{ id: number; name: string; email: string }[]> =>
  db.query(
    `select p.id, p.given_name || ' ' || p.family_name as name, p.email from person p
      where p.district_id = $1 and p.active and exists (
        select 1 from person_role r where r.person_id = p.id and r.role = 'curator') order by p.id`,
    [district],
  );

/** Where adults get mail. */
export const addressesOf = (db: Queryable, people: readonly number[]): Promise<{ name: string; email: string }[]> =>
  db.query(
    `select given_name || ' ' || family_name as name, email from person
      where id = any($1::int[]) and kind = 'adult' and active order by id`,
    [people],
  );

/** Somebody with a session; who came in by a class's code has that class and the moment. */
/** The schools of these people, each once; null for those of none. */
export async function schoolsOf(db: Queryable, people: readonly number[]): Promise<(number | null)[]> {
  const rows = await db.query<{ school: number | null }>(
    "select distinct school_id school from person where id = any($1::int[])",
    [people],
  );
  return rows.map(({ school }) => school);
}

export type SignedIn = Person & { joinedClass: number | null; joinedAt: Date | null };

/** Somebody's given and family name. */
export const nameOf = async (db: Queryable, person: number): Promise<string> =>
  (
    await one<{ name: string }>(db, "select given_name || ' ' || family_name as name from person where id = $1", [
      person,
    ])
  ).name;

/** The person a living session belongs to, and the class it is limited to, if it came from a join code. */
export async function personOfSession(db: Queryable, tokenHash: string, now: Date): Promise<SignedIn | undefined> {
  const rows = await db.query<SignedIn>(
    `${OFTEN} select ${columns}, e.class_id "joinedClass", case when e.class_id is not null then e.created end "joinedAt"
       from session e join person p on p.id = e.person_id left join school s on s.id = p.school_id
      where e.token_hash = $1 and e.expires > $2 and p.active`,
    [tokenHash, now],
  );
  return rows[0];
}

export async function startSession(
  db: Queryable,
  session: {
    tokenHash: string;
    person: number;
    class: number | null;
    created: Date;
    expires: Date;
    /** What she signed in with: "Firefox on Windows". */
    device?: string | null;
  },
): Promise<void> {
  await db.query(
    "insert into session (token_hash, person_id, class_id, created, expires, device) values ($1, $2, $3, $4, $5, $6)",
    [session.tokenHash, session.person, session.class, session.created, session.expires, session.device ?? null],
  );
  await db.query("delete from session where expires < $1", [session.created]);
}

export async function endSession(db: Queryable, tokenHash: string): Promise<void> {
  await db.query("delete from session where token_hash = $1", [tokenHash]);
}

/** People of the demo, to enter as with one press: adults by e-mail, and some students. */
export async function demoPeople(db: Queryable): Promise<
  {
    id: number;
    kind: "adult" | "student";
    name: string;
    school: string | null;
    roles: Role[];
    signIn: string;
    classes: string | null;
  }[]
> {
  return db.query(
    `select p.id, p.kind, p.given_name || ' ' || p.family_name as name, s.name school,
            coalesce((select array_agg(distinct r.role) from person_role r where r.person_id = p.id), '{}') roles,
            coalesce(p.email, p.sign_in_name) "signIn",
            (select string_agg(c.name, ', ' order by c.id) from class c
              where c.id in (select class_id from class_teacher t where t.person_id = p.id
                             union select class_id from enrolment n where n.student_id = p.id)) classes
       from person p left join school s on s.id = p.school_id
      where p.active and (p.kind = 'adult' or p.id in
        (select student_id from (select student_id, row_number() over (partition by class_id order by student_id) nth from enrolment) n
          where nth <= 3))
      order by p.kind, p.id`,
  );
}

/** An adult who has a password, by e-mail address, with her school. One who is only invited keeps her invitation. */
export async function schoolOfPerson(
  db: Queryable,
  email: string,
): Promise<{ id: number; name: string; email: string; school: number } | undefined> {
  const rows = await db.query<{ id: number; name: string; email: string; school: number }>(
    `select id, given_name || ' ' || family_name as name, email, school_id school from person
      where email = $1 and kind = 'adult' and active and school_id is not null and password_hash is not null`,
    [email.trim().toLowerCase()],
  );
  return rows[0];
}

/** How an adult signs in, for herself. */
export async function credentialsById(
  db: Queryable,
  person: number,
): Promise<{ email: string; hash: string | null } | undefined> {
  const rows = await db.query<{ email: string; hash: string | null }>(
    "select email, password_hash hash from person where id = $1 and kind = 'adult' and active",
    [person],
  );
  return rows[0];
}
