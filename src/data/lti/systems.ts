import { one, type Queryable } from "../engine/db";

/** A course site that this installation and it trust each other. */
export interface OtherSystem {
  id: number;
  school: number;
  name: string;
  issuer: string;
  clientId: string;
  deployment: string;
  authorizeUrl: string;
  tokenUrl: string;
  keysUrl: string;
}

/** A course there and the class here it is; null: nobody has said yet. */
export interface OtherCourse {
  id: number;
  system: number;
  systemName: string;
  contextId: string;
  title: string;
  class: number | null;
  lineItemsUrl: string | null;
  membersUrl: string | null;
  cartridgeUrl: string | null;
}

const systemColumns = `id, school_id school, name, issuer, client_id "clientId", deployment_id deployment,
  authorize_url "authorizeUrl", token_url "tokenUrl", keys_url "keysUrl"`;
const courseColumns = `c.id, c.system_id system, s.name "systemName", c.context_id "contextId", c.title, c.class_id class,
  c.line_items_url "lineItemsUrl", c.members_url "membersUrl", c.cartridge_url "cartridgeUrl"`;

export const systemsAt = (db: Queryable, school: number): Promise<OtherSystem[]> =>
  db.query<OtherSystem>(`select ${systemColumns} from other_system where school_id = $1 order by name, id`, [school]);

export async function systemById(db: Queryable, id: number): Promise<OtherSystem | undefined> {
  return (await db.query<OtherSystem>(`select ${systemColumns} from other_system where id = $1`, [id]))[0];
}

/** By what it calls itself; several where more than one school has it. */
export const systemsByIssuer = (db: Queryable, issuer: string, clientId: string | null): Promise<OtherSystem[]> =>
  db.query<OtherSystem>(
    `select ${systemColumns} from other_system where issuer = $1 and ($2::text is null or client_id = $2) order by id`,
    [issuer, clientId],
  );

export async function addSystem(
  db: Queryable,
  { by, at, ...system }: Omit<OtherSystem, "id"> & { by: number | null; at: Date },
): Promise<number> {
  const { id } = await one<{ id: number }>(
    db,
    `insert into other_system (school_id, name, issuer, client_id, deployment_id, authorize_url, token_url, keys_url, by_id, added)
     values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10)
     on conflict (issuer, client_id, deployment_id) do update set name = excluded.name, authorize_url = excluded.authorize_url,
       token_url = excluded.token_url, keys_url = excluded.keys_url
     returning id`,
    [
      ...[system.school, system.name, system.issuer, system.clientId, system.deployment, system.authorizeUrl],
      ...[system.tokenUrl, system.keysUrl, by, at],
    ],
  );
  return id;
}

export async function removeSystem(db: Queryable, school: number, id: number): Promise<void> {
  await db.query("delete from other_system where id = $1 and school_id = $2", [id, school]);
}

/** Notes a course somebody came in from, with the addresses of its services as they are now. */
export async function noteCourse(
  db: Queryable,
  system: number,
  course: Pick<OtherCourse, "contextId" | "title" | "lineItemsUrl" | "membersUrl" | "cartridgeUrl">,
): Promise<OtherCourse> {
  const { id } = await one<{ id: number }>(
    db,
    `insert into other_course (system_id, context_id, title, line_items_url, members_url, cartridge_url)
     values ($1, $2, $3, $4, $5, $6)
     on conflict (system_id, context_id) do update set title = excluded.title,
       line_items_url = coalesce(excluded.line_items_url, other_course.line_items_url),
       members_url = coalesce(excluded.members_url, other_course.members_url),
       cartridge_url = coalesce(excluded.cartridge_url, other_course.cartridge_url)
     returning id`,
    [system, course.contextId, course.title, course.lineItemsUrl, course.membersUrl, course.cartridgeUrl],
  );
  return (await courseById(db, id))!;
}

export async function courseById(db: Queryable, id: number): Promise<OtherCourse | undefined> {
  const rows = await db.query<OtherCourse>(
    `select ${courseColumns} from other_course c join other_system s on s.id = c.system_id where c.id = $1`,
    [id],
  );
  return rows[0];
}

export async function courseOfClass(db: Queryable, classId: number): Promise<OtherCourse | undefined> {
  const rows = await db.query<OtherCourse>(
    `select ${courseColumns} from other_course c join other_system s on s.id = c.system_id where c.class_id = $1 order by c.id limit 1`,
    [classId],
  );
  return rows[0];
}

/** From now on this course is this class, and no other course is. */
export async function linkCourse(tx: Queryable, course: number, classId: number): Promise<void> {
  await tx.query("update other_course set class_id = null where class_id = $1 and id <> $2", [classId, course]);
  await tx.query("update other_course set class_id = $2 where id = $1", [course, classId]);
}

/**
 * Who somebody of there is here: known from before, or by what the roster calls her (her sign-in name where she is from no roster), or for
 * adults by their address. Undefined: nobody.
 */
export async function personFrom(
  db: Queryable,
  system: OtherSystem,
  who: { subject: string; rosterId: string | null; email: string | null; kind: "adult" | "student" },
): Promise<{ id: number; kind: "adult" | "student" } | undefined> {
  const known = await db.query<{ id: number; kind: "adult" | "student" }>(
    `select p.id, p.kind from other_person o join person p on p.id = o.person_id
      where o.system_id = $1 and o.subject = $2 and p.active`,
    [system.id, who.subject],
  );
  if (known[0]) return known[0].kind === who.kind ? known[0] : undefined;
  const found = await db.query<{ id: number; kind: "adult" | "student" }>(
    `select id, kind from person
      where school_id = $1 and active and kind = $2 and guest_of is null
        and (kind = 'student' and coalesce(roster_id, sign_in_name) = $3 or kind = 'adult' and lower(email) = $4)`,
    [system.school, who.kind, who.rosterId, who.email],
  );
  if (found.length !== 1) return undefined;
  await db.query(
    "insert into other_person (system_id, subject, person_id) values ($1, $2, $3) on conflict do nothing",
    [...[system.id, who.subject, found[0]!.id]],
  );
  return found[0];
}

/** What students are called there, by their number here. */
export async function subjectsOf(db: Queryable, system: number): Promise<Map<number, string>> {
  const rows = await db.query<{ person: number; subject: string }>(
    "select person_id person, subject from other_person where system_id = $1",
    [system],
  );
  return new Map(rows.map(({ person, subject }) => [person, subject]));
}

/** Learns what students are called there from what the roster calls them. */
export async function learnSubjects(
  db: Queryable,
  system: OtherSystem,
  members: readonly { subject: string; rosterId: string }[],
): Promise<void> {
  await db.query(
    `insert into other_person (system_id, subject, person_id)
     select $1, m.subject, p.id from jsonb_to_recordset($3::jsonb) as m(subject text, "rosterId" text)
       join person p on coalesce(p.roster_id, p.sign_in_name) = m."rosterId" and p.school_id = $2 and p.kind = 'student' and p.active
     on conflict do nothing`,
    [system.id, system.school, JSON.stringify(members)],
  );
}
