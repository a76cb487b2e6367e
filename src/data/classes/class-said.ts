import type { ClassSaid } from "@/core/roster/class-said";
import { one, type Queryable } from "../engine/db";

const said = `c.name, c.subject, c.grade_from "gradeFrom", c.grade_to "gradeTo", c.period_minutes "periodMinutes",
  case when c.reading_from is not null and c.reading_to is not null
       then jsonb_build_object('from', c.reading_from, 'to', c.reading_to) end reading, c.languages, c.devices`;

/** What is said of a class, as its teacher or the office said it. */
export const classSaid = (db: Queryable, classId: number): Promise<ClassSaid> =>
  one<ClassSaid>(db, `select ${said} from class c where c.id = $1`, [classId]);

/** The same of every class of a school that is in use, by id. */
export async function classesSaidAt(db: Queryable, school: number): Promise<Record<number, ClassSaid>> {
  const rows = await db.query<ClassSaid & { id: number }>(
    `select c.id, ${said} from class c where c.school_id = $1 and c.archived is null`,
    [school],
  );
  return Object.fromEntries(rows.map(({ id, ...one }) => [id, one]));
}

const values = (said: ClassSaid) => [
  said.name,
  said.subject,
  said.gradeFrom,
  said.gradeTo,
  said.periodMinutes,
  said.reading?.from ?? null,
  said.reading?.to ?? null,
  said.languages,
  said.devices,
];

export async function setClassSaid(db: Queryable, classId: number, said: ClassSaid): Promise<void> {
  await db.query(
    `update class set name = $2, subject = $3, grade_from = $4, grade_to = $5, period_minutes = $6, reading_from = $7,
            reading_to = $8, languages = $9, devices = $10 where id = $1`,
    [classId, ...values(said)],
  );
}

/** A new class of a school year, led by somebody from the beginning. */
export async function addClass(
  tx: Queryable,
  of: { school: number; year: number; lead: number },
  said: ClassSaid,
): Promise<number> {
  const { id } = await one<{ id: number }>(
    tx,
    `insert into class (school_id, year, name, subject, grade_from, grade_to, period_minutes, reading_from, reading_to, languages, devices)
     values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11) returning id`,
    [of.school, of.year, ...values(said)],
  );
  await tx.query("insert into class_teacher (class_id, person_id, role) values ($1, $2, 'lead')", [id, of.lead]);
  return id;
}

/** Whether a school has a class of that name in use. */
export async function classNameTaken(
  db: Queryable,
  school: number,
  name: string,
  but: number | null = null,
): Promise<boolean> {
  const rows = await db.query(
    "select 1 from class where school_id = $1 and lower(name) = lower($2) and archived is null and id is distinct from $3",
    [school, name, but],
  );
  return rows.length > 0;
}

export interface PastClass {
  id: number;
  name: string;
  subject: string;
  year: number;
  students: number;
  /** Pieces of work it had. */
  pieces: number;
}

const pastClass = `c.id, c.name, c.subject, c.year,
  (select count(*)::int from enrolment n where n.class_id = c.id) students,
  (select count(*)::int from assignment a where a.class_id = c.id and a.called_back is null) pieces`;

/** Classes that were put away, of those somebody led or taught too, the latest first. */
export const pastClassesOf = (db: Queryable, teacher: number): Promise<PastClass[]> =>
  db.query<PastClass>(
    `select ${pastClass} from class c join class_teacher t on t.class_id = c.id
      where t.person_id = $1 and t.role <> 'cover' and c.archived is not null order by c.archived desc, c.id`,
    [teacher],
  );

/** The same of a school, for its office. */
export const pastClassesAt = (db: Queryable, school: number): Promise<PastClass[]> =>
  db.query<PastClass>(
    `select ${pastClass} from class c where c.school_id = $1 and c.archived is not null order by c.archived desc, c.id`,
    [school],
  );

/** Whether somebody led, or taught too, a class that is put away. */
export async function keptClassBefore(db: Queryable, teacher: number, classId: number): Promise<boolean> {
  const rows = await db.query(
    `select 1 from class_teacher t join class c on c.id = t.class_id
      where t.person_id = $1 and t.class_id = $2 and t.role <> 'cover' and c.archived is not null`,
    [teacher, classId],
  );
  return rows.length > 0;
}

/** Whether an assignment is of a class somebody led, or taught too, and that is put away. */
export async function keptClassOf(db: Queryable, teacher: number, assignment: number): Promise<boolean> {
  const rows = await db.query<{ class: number }>("select class_id class from assignment where id = $1", [assignment]);
  return rows.length > 0 && keptClassBefore(db, teacher, rows[0]!.class);
}

export interface PastWork {
  assignment: number;
  resource: number;
  title: string;
  part: string | null;
  due: Date;
  students: number;
  handedIn: number;
}

/** What a class that is put away had, in the order it was due. */
export async function workOfPast(db: Queryable, classId: number): Promise<PastWork[]> {
  return db.query<PastWork>(
    `select a.id assignment, a.resource_id resource, f.facts ->> 'title' title, a.part, a.due,
            (select count(*)::int from recipient r where r.assignment_id = a.id) students,
            (select count(distinct r.id)::int from recipient r join attempt t on t.recipient_id = r.id
              where r.assignment_id = a.id and t.handed_in is not null) "handedIn"
       from assignment a join resource_facts f on f.resource_id = a.resource_id
      where a.class_id = $1 and a.called_back is null order by a.due, a.id`,
    [classId],
  );
}
