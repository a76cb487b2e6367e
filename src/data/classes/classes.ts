import { one, type Queryable } from "../engine/db";

export interface Class {
  id: number;
  name: string;
  subject: string;
  gradeFrom: number;
  gradeTo: number;
  periodMinutes: number;
  students: number;
  school: number;
  /** Whether its teacher is the first to ask about these children. */
  homeroom: boolean;
}

export interface Student {
  id: number;
  givenName: string;
  familyName: string;
  signInName: string;
  grade: number | null;
  /** Measured reading grade; null: nobody measured. */
  readingGrade: number | null;
  /** How much more time she has: 1, 1.25, 1.5 or 2. */
  factor: number;
  readsAloud: boolean;
  languages: string[];
  familyLanguage: string | null;
  /** The picture to be known by; null: none was chosen. */
  badge: number | null;
}

const columns = `
  c.id, c.name, c.subject, c.grade_from "gradeFrom", c.grade_to "gradeTo", c.period_minutes "periodMinutes",
  (select count(*) from enrolled n where n.class_id = c.id) students, c.school_id school, c.homeroom`;

/** The school's calendar day at a moment, $2; `s` is the school. */
const schoolDay = "($2::timestamptz at time zone s.time_zone)::date";
const teaches = `(t.from_date is null or t.from_date <= ${schoolDay}) and (t.to_date is null or t.to_date >= ${schoolDay})`;

/** The classes a teacher has on a day (co-taught and covered ones between their dates), the ones she leads first. */
export async function classesOf(db: Queryable, teacher: number, day: Date): Promise<Class[]> {
  return db.query<Class>(
    `select ${columns} from class c join class_teacher t on t.class_id = c.id join school s on s.id = c.school_id
      where t.person_id = $1 and ${teaches} and c.archived is null
      order by t.role <> 'lead', c.id`,
    [teacher, day],
  );
}

/** Whether somebody teaches every one of these classes now, and, with `on`, on that day of the school's calendar too. */
export async function teachesAll(
  db: Queryable,
  teacher: number,
  classes: readonly number[],
  now: Date,
  on: string | null = null,
): Promise<boolean> {
  const asked = [...new Set(classes)];
  const { count } = await one<{ count: number }>(
    db,
    `select count(distinct t.class_id) count from class_teacher t join class c on c.id = t.class_id join school s on s.id = c.school_id
      where t.person_id = $1 and ${teaches} and t.class_id = any($3::int[]) and c.archived is null
        and ($4::date is null or coalesce(t.from_date <= $4, true) and coalesce(t.to_date >= $4, true))`,
    [teacher, now, asked, on],
  );
  return count === asked.length;
}

/** Whether somebody teaches a class now: see teachesAll. */
export const teachesClass = (
  db: Queryable,
  teacher: number,
  classId: number,
  now: Date,
  on: string | null = null,
): Promise<boolean> => teachesAll(db, teacher, [classId], now, on);

/** Whether somebody teaches a class now and decides about it: leads it, or teaches it too; not anyone who covers it. */
export async function keepsClass(db: Queryable, teacher: number, classId: number, now: Date): Promise<boolean> {
  const rows = await db.query(
    `select 1 from class_teacher t join class c on c.id = t.class_id join school s on s.id = c.school_id
      where t.person_id = $1 and ${teaches} and t.class_id = $3 and c.archived is null and t.role <> 'cover'`,
    [teacher, now, classId],
  );
  return rows.length > 0;
}

export async function studentsOf(db: Queryable, classId: number): Promise<Student[]> {
  return db.query<Student>(
    `select p.id, p.given_name "givenName", p.family_name "familyName", p.sign_in_name "signInName", p.grade,
            p.reading_grade::float8 "readingGrade", p.time_factor::float8 factor, p.reads_aloud "readsAloud", p.languages,
            p.family_language "familyLanguage", p.badge
       from enrolled n join person p on p.id = n.student_id
      where n.class_id = $1 and p.active order by p.given_name, p.family_name`,
    [classId],
  );
}

export async function isEnrolled(db: Queryable, student: number, classId: number): Promise<boolean> {
  return (
    (await db.query("select 1 from enrolled where student_id = $1 and class_id = $2", [student, classId])).length > 0
  );
}

/** The classes a student is in now. */
export async function classesOfStudent(db: Queryable, student: number): Promise<number[]> {
  const rows = await db.query<{ id: number }>("select class_id id from enrolled where student_id = $1 order by 1", [
    student,
  ]);
  return rows.map(({ id }) => id);
}

/** Some students of one class. */
export interface StudentsOfClass {
  class: number;
  students: readonly number[];
}

/** Whether all of these students are in the class they are named with. */
export async function allEnrolledIn(db: Queryable, groups: readonly StudentsOfClass[]): Promise<boolean> {
  const asked = groups.flatMap((group) =>
    [...new Set(group.students)].map((student) => ({ class: group.class, student })),
  );
  const { missing } = await one<{ missing: number }>(
    db,
    `select count(*) missing from jsonb_to_recordset($1::jsonb) as asked(class int, student int)
      where not exists (select 1 from enrolled e where e.class_id = asked.class and e.student_id = asked.student)`,
    [JSON.stringify(asked)],
  );
  return missing === 0;
}

export interface JoinCode {
  code: string;
  expires: Date;
}

export async function joinCodeOf(db: Queryable, classId: number, now: Date): Promise<JoinCode | null> {
  const rows = await db.query<JoinCode>(
    "select join_code code, join_code_expires expires from class where id = $1 and join_code is not null and join_code_expires > $2",
    [classId, now],
  );
  return rows[0] ?? null;
}

/** Sets or, with null, ends the class's join code. Anyone who came in by the one before is out. */
export async function setJoinCode(tx: Queryable, classId: number, code: JoinCode | null): Promise<void> {
  await tx.query("delete from session where class_id = $1", [classId]);
  await tx.query("update class set join_code = $2, join_code_expires = $3 where id = $1", [
    classId,
    code?.code ?? null,
    code?.expires ?? null,
  ]);
}

/** Lets a code that is good now be good until then, if it would end before. False: there is none. */
export async function extendJoinCode(db: Queryable, classId: number, until: Date, now: Date): Promise<boolean> {
  const rows = await db.query(
    `update class set join_code_expires = greatest(join_code_expires, $2::timestamptz)
      where id = $1 and join_code is not null and join_code_expires > $3 returning id`,
    [classId, until, now],
  );
  return rows.length > 0;
}

export async function classByJoinCode(
  db: Queryable,
  code: string,
  now: Date,
): Promise<{ id: number; name: string } | undefined> {
  const rows = await db.query<{ id: number; name: string }>(
    "select id, name from class where join_code = $1 and join_code_expires > $2 and archived is null",
    [code, now],
  );
  return rows[0];
}

/**
 * What of a class decides whether something fits it. Reading grades of the weakest and the strongest, as said of the class
 * or else of its students; null: nobody measured.
 */
export interface ClassFacts {
  readingFrom: number | null;
  readingTo: number | null;
  languages: string[];
  devices: string[];
  country: string;
}

export async function profileOf(db: Queryable, classId: number): Promise<ClassFacts> {
  return one<ClassFacts>(
    db,
    `select coalesce(c.reading_from, r.least)::float8 "readingFrom", coalesce(c.reading_to, r.most)::float8 "readingTo",
            c.languages, c.devices, d.country
       from class c cross join lateral (
         select min(p.reading_grade) least, max(p.reading_grade) most from enrolled n join person p on p.id = n.student_id
          where n.class_id = c.id and p.active) r join school s on s.id = c.school_id join district d on d.id = s.district_id where c.id = $1`,
    [classId],
  );
}

/** From when to when a teacher has each of her classes; null: no such end. */
export async function teachingTimes(
  db: Queryable,
  teacher: number,
): Promise<{ class: number; role: string; from: string | null; to: string | null }[]> {
  return db.query(
    `select class_id class, role, from_date "from", to_date "to" from class_teacher where person_id = $1 order by class_id`,
    [teacher],
  );
}

export async function classById(db: Queryable, id: number): Promise<Class | undefined> {
  return (await db.query<Class>(`select ${columns} from class c where c.id = $1`, [id]))[0];
}

/** Whether every one of these is or was once in the class. */
export async function allAtOnceIn(db: Queryable, students: readonly number[], classId: number): Promise<boolean> {
  const asked = [...new Set(students)];
  const { count } = await one<{ count: number }>(
    db,
    `select count(*) count from unnest($2::int[]) as u(student)
      where exists (select 1 from enrolment n where n.class_id = $1 and n.student_id = u.student)
         or exists (select 1 from left_class l where l.class_id = $1 and l.student_id = u.student)`,
    [classId, asked],
  );
  return count === asked.length;
}

/** Who teaches a class on a day and later, the person who leads it first. */
export async function teachersOf(
  db: Queryable,
  classId: number,
  day: Date,
): Promise<{ id: number; name: string; role: string; from: string | null; to: string | null }[]> {
  return db.query(
    `select p.id, p.given_name || ' ' || p.family_name as name, t.role, t.from_date "from", t.to_date "to"
       from class_teacher t join person p on p.id = t.person_id join class c on c.id = t.class_id
       join school s on s.id = c.school_id
      where t.class_id = $1 and (t.to_date is null or t.to_date >= ${schoolDay})
      order by t.role <> 'lead', t.role, p.given_name`,
    [classId, day],
  );
}

/** Every class of a school, for its office. */
export async function classesAt(db: Queryable, school: number): Promise<Class[]> {
  return db.query<Class>(
    `select ${columns} from class c where c.school_id = $1 and c.archived is null order by c.name`,
    [school],
  );
}

/** Adds a teacher to a class, or changes what she is in it and when. */
export async function setTeacher(
  db: Queryable,
  classId: number,
  teacher: { id: number; role: string; from: string | null; to: string | null },
): Promise<void> {
  await db.query(
    `insert into class_teacher (class_id, person_id, role, from_date, to_date) values ($1, $2, $3, $4, $5)
     on conflict (class_id, person_id) do update set role = excluded.role, from_date = excluded.from_date, to_date = excluded.to_date`,
    [classId, teacher.id, teacher.role, teacher.from, teacher.to],
  );
}

export async function removeTeacher(db: Queryable, classId: number, teacher: number): Promise<void> {
  await db.query("delete from class_teacher where class_id = $1 and person_id = $2", [classId, teacher]);
}

/** Puts a class of a past year away, or brings it back; its work and results are kept. */
export async function setClassArchived(db: Queryable, classId: number, at: Date | null): Promise<void> {
  await db.query("update class set archived = $2 where id = $1", [classId, at]);
}

export async function setHomeroom(db: Queryable, classId: number, homeroom: boolean): Promise<void> {
  await db.query("update class set homeroom = $2 where id = $1", [classId, homeroom]);
}

/** The students of these classes, each once, by name. */
export async function namesOfClasses(
  db: Queryable,
  classes: readonly number[],
): Promise<{ id: number; name: string }[]> {
  return db.query(
    `select p.id, p.given_name || ' ' || p.family_name as name from person p
      where p.id in (select n.student_id from enrolled n where n.class_id = any($1::int[]))
      order by p.given_name, p.family_name, p.id`,
    [classes],
  );
}

/** The names of a school's students, by class; who is in several is there several times. */
export async function namesAt(
  db: Queryable,
  school: number,
): Promise<{ id: number; class: number; givenName: string; familyName: string }[]> {
  return db.query(
    `select p.id, n.class_id class, p.given_name "givenName", p.family_name "familyName"
       from enrolled n join person p on p.id = n.student_id
      where p.school_id = $1 and p.kind = 'student' and p.active and p.guest_of is null order by p.given_name, p.family_name`,
    [school],
  );
}

/** A student's name as it is written from now on; what she signs in with stays. Returns whether there is such a student. */
export async function renameStudent(
  db: Queryable,
  school: number,
  student: { id: number; givenName: string; familyName: string },
): Promise<boolean> {
  const rows = await db.query(
    `update person set given_name = $3, family_name = $4
      where id = $2 and school_id = $1 and kind = 'student' returning id`,
    [school, student.id, student.givenName, student.familyName],
  );
  return rows.length > 0;
}

/** Adults of a school, by name. */
export async function adultsAt(db: Queryable, school: number): Promise<{ id: number; name: string; email: string }[]> {
  return db.query(
    `select id, given_name || ' ' || family_name as name, email from person
      where school_id = $1 and kind = 'adult' and active order by given_name, family_name`,
    [school],
  );
}

/** Who teaches these classes on a day or later: for what is told to all of them. */
export async function teachersToTell(
  db: Queryable,
  classes: readonly number[],
  day: Date,
): Promise<{ id: number; name: string; email: string; classes: string[] }[]> {
  return db.query(
    `select p.id, p.given_name || ' ' || p.family_name as name, p.email, array_agg(distinct c.name order by c.name) classes
       from class_teacher t join person p on p.id = t.person_id join class c on c.id = t.class_id
       join school s on s.id = c.school_id
      where t.class_id = any($1::int[]) and (t.to_date is null or t.to_date >= ${schoolDay}) group by p.id order by p.id`,
    [classes, day],
  );
}

/** Who teaches these students, in whatever class, on a day or later, and which of them. */
export async function teachersOfStudents(
  db: Queryable,
  students: readonly number[],
  day: Date,
): Promise<{ id: number; name: string; email: string; students: number[] }[]> {
  return db.query(
    `select p.id, p.given_name || ' ' || p.family_name as name, p.email,
            array_agg(distinct n.student_id order by n.student_id) students
       from enrolled n join class_teacher t on t.class_id = n.class_id join person p on p.id = t.person_id
       join class c on c.id = n.class_id join school s on s.id = c.school_id
      where n.student_id = any($1::int[]) and c.archived is null and p.active
        and (t.to_date is null or t.to_date >= ${schoolDay}) group by p.id order by p.id`,
    [students, day],
  );
}

/** Ids of all classes of a school, those put away too. */
export async function allClassesOf(db: Queryable, school: number): Promise<number[]> {
  return (await db.query<{ id: number }>("select id from class where school_id = $1", [school])).map(({ id }) => id);
}
