import type { ImportPlan, Present } from "@/core/roster/import-plan";
import { signInName } from "@/core/roster/sign-in-name";
import { one, type Queryable } from "../engine/db";

/** Students, classes and enrolments of a school, to compare a roster with. */
export async function presentAt(db: Queryable, school: number): Promise<Present> {
  const [students, classes, enrolments] = await Promise.all([
    db.query<Present["students"][number]>(
      `select id, roster_id "rosterId", given_name "givenName", family_name "familyName", grade,
              family_language "homeLanguage", time_factor::float8 factor, reading_grade::float8 "readingGrade", languages
         from person
        where school_id = $1 and kind = 'student' and active and guest_of is null order by id`,
      [school],
    ),
    db.query<Present["classes"][number]>(
      `select id, roster_id "rosterId", name from class where school_id = $1 and archived is null order by id`,
      [school],
    ),
    db.query<Present["enrolments"][number]>(
      `select n.class_id class, n.student_id student, n.from_date "from", n.to_date "to",
              exists (select 1 from enrolled e where e.class_id = n.class_id and e.student_id = n.student_id) now
         from enrolment n join class c on c.id = n.class_id
        where c.school_id = $1 and c.archived is null`,
      [school],
    ),
  ]);
  return { students, classes, enrolments };
}

/** What a class and its students are called where their roster came from; null and nothing for those that came from nowhere. */
export async function rosterIdsOf(
  db: Queryable,
  classId: number,
): Promise<{ class: string | null; students: Map<number, string> }> {
  const [group] = await db.query<{ id: string | null }>("select roster_id id from class where id = $1", [classId]);
  const students = await db.query<{ id: number; rosterId: string }>(
    `select p.id, p.roster_id "rosterId" from enrolled n join person p on p.id = n.student_id
      where n.class_id = $1 and p.roster_id is not null`,
    [classId],
  );
  return { class: group?.id ?? null, students: new Map(students.map(({ id, rosterId }) => [id, rosterId])) };
}

/** Brings a roster in, all of it or nothing. New students get a name to sign in with and no password yet. */
export async function applyImport(
  tx: Queryable,
  to: { district: number; school: number; year: number },
  plan: ImportPlan,
): Promise<void> {
  const taken = new Set(
    (await tx.query<{ name: string }>("select sign_in_name as name from person where sign_in_name is not null")).map(
      ({ name }) => name,
    ),
  );
  const students: Record<string, number> = { ...plan.known.students };
  const rows = plan.addStudents.map((student) => {
    const name = signInName(student, taken);
    taken.add(name);
    return { ...student, name };
  });
  const added = await tx.query<{ id: number; name: string }>(
    `insert into person (district_id, school_id, kind, given_name, family_name, sign_in_name, grade, roster_id, family_language, time_factor,
                         reading_grade, languages)
     select $1, $2, 'student', s."givenName", s."familyName", s.name, s.grade, s."rosterId", s."homeLanguage", coalesce(s.factor, 1),
            s."readingGrade", coalesce(s.languages, '{}')
       from jsonb_to_recordset($3::jsonb) as s("givenName" text, "familyName" text, name text, grade smallint, "rosterId" text,
                                               "homeLanguage" text, factor numeric, "readingGrade" numeric, languages text[])
     returning id, sign_in_name as name`,
    [to.district, to.school, JSON.stringify(rows)],
  );
  const byName = new Map(added.map(({ id, name }) => [name, id]));
  for (const { key, name } of rows) students[key] = byName.get(name)!;
  await tx.query(
    `update person p set given_name = s."givenName", family_name = s."familyName", grade = s.grade, roster_id = s."rosterId",
            family_language = s."homeLanguage", time_factor = s.factor, reading_grade = s."readingGrade", languages = s.languages
       from jsonb_to_recordset($2::jsonb) as s(id int, "givenName" text, "familyName" text, grade smallint, "rosterId" text,
                                               "homeLanguage" text, factor numeric, "readingGrade" numeric, languages text[])
      where p.id = s.id and p.school_id = $1 and p.kind = 'student'`,
    [to.school, JSON.stringify(plan.changeStudents)],
  );
  const classes: Record<string, number> = { ...plan.known.classes };
  for (const group of plan.addClasses) {
    const { id } = await one<{ id: number }>(
      tx,
      `insert into class (school_id, name, subject, year, grade_from, grade_to, roster_id, homeroom)
       values ($1, $2, $3, $4, $5, $6, $7, $8) returning id`,
      [to.school, group.name, group.subject, to.year, group.gradeFrom, group.gradeTo, group.rosterId, group.homeroom],
    );
    classes[group.key] = id;
  }
  await tx.query(
    `update class c set roster_id = n."rosterId" from jsonb_to_recordset($2::jsonb) as n(id int, "rosterId" text)
      where c.id = n.id and c.school_id = $1 and c.roster_id is null`,
    [to.school, JSON.stringify(plan.numberClasses)],
  );
  const enrol = plan.enrol.flatMap(({ class: group, student, from, to: until }) =>
    classes[group] === undefined || students[student] === undefined
      ? []
      : [{ class: classes[group], student: students[student], from, to: until }],
  );
  await tx.query(
    `insert into enrolment (class_id, student_id, from_date, to_date)
     select e.class, e.student, e."from", e."to"
       from jsonb_to_recordset($1::jsonb) as e(class int, student int, "from" date, "to" date)
     on conflict (class_id, student_id) do update set from_date = excluded.from_date, to_date = excluded.to_date`,
    [JSON.stringify(enrol)],
  );
  await removeEnrolments(tx, plan.leave);
}

/** Teachers of a roster who are known here by their e-mail address lead its classes. */
export async function linkTeachers(
  tx: Queryable,
  school: number,
  links: readonly { classRosterId: string; email: string }[],
): Promise<void> {
  await tx.query(
    `insert into class_teacher (class_id, person_id, role)
     select c.id, p.id, case when exists (select 1 from class_teacher t where t.class_id = c.id) then 'co-teacher' else 'lead' end
       from jsonb_to_recordset($2::jsonb) as l("classRosterId" text, email text)
       join class c on c.roster_id = l."classRosterId" and c.school_id = $1
       join person p on lower(p.email) = lower(l.email) and p.kind = 'adult' and p.school_id = $1
     on conflict (class_id, person_id) do nothing`,
    [school, JSON.stringify(links)],
  );
}

/** A student's secret as it is kept: its hash, or null where there is none yet. */
export interface Secret {
  student: number;
  hash: string | null;
}

/** The secrets students have now. */
export const secretsOf = (db: Queryable, students: readonly number[]): Promise<Secret[]> =>
  db.query<Secret>(
    "select id student, password_hash hash from person where id = any($1::int[]) and kind = 'student' order by id",
    [students],
  );

/** New secrets for students of a class; only hashes are kept. */
export async function setSecrets(tx: Queryable, secrets: readonly Secret[]): Promise<void> {
  await tx.query(
    `update person p set password_hash = s.hash
       from jsonb_to_recordset($1::jsonb) as s(student int, hash text) where p.id = s.student and p.kind = 'student'`,
    [JSON.stringify(secrets)],
  );
  // Anyone who is signed in with the old one is asked again.
  await tx.query("delete from session where person_id = any($1::int[])", [secrets.map(({ student }) => student)]);
}

/** Takes students out of classes and of their groups there; that they were in them is written down. */
export async function removeEnrolments(
  tx: Queryable,
  leaving: readonly { class: number; student: number }[],
): Promise<void> {
  const list = JSON.stringify(leaving);
  await tx.query(
    `with gone as (
       delete from enrolment n using jsonb_to_recordset($1::jsonb) as l(class int, student int)
        where n.class_id = l.class and n.student_id = l.student returning n.class_id, n.student_id)
     insert into left_class (class_id, student_id, at) select class_id, student_id, now() from gone
     on conflict (class_id, student_id) do update set at = excluded.at`,
    [list],
  );
  await tx.query(
    `delete from group_member m using student_group g, jsonb_to_recordset($1::jsonb) as l(class int, student int)
      where g.id = m.group_id and g.class_id = l.class and m.student_id = l.student`,
    [list],
  );
}

export async function addEnrolments(tx: Queryable, classId: number, students: readonly number[]): Promise<void> {
  await tx.query(
    `insert into enrolment (class_id, student_id) select $1, unnest($2::int[])
     on conflict (class_id, student_id) do update set from_date = null, to_date = null`,
    [classId, students],
  );
}

/** Which of these students a teacher may take into a class: those once in it, or in another class she keeps. */
export async function knownToTeacher(
  db: Queryable,
  teacher: number,
  classId: number,
  students: readonly number[],
): Promise<Set<number>> {
  const rows = await db.query<{ id: number }>(
    `select u.id from unnest($3::int[]) as u(id)
      where exists (select 1 from enrolment n where n.class_id = $2 and n.student_id = u.id)
         or exists (select 1 from left_class l where l.class_id = $2 and l.student_id = u.id)
         or exists (select 1 from enrolled n join class_teacher t on t.class_id = n.class_id
                     where n.student_id = u.id and t.person_id = $1 and t.role <> 'cover'
                       and coalesce(t.to_date >= current_date, true) and coalesce(t.from_date <= current_date, true))`,
    [teacher, classId, students],
  );
  return new Set(rows.map(({ id }) => id));
}

/** What is known of a student to plan for her. */
export interface StudentFacts {
  grade: number | null;
  readingGrade: number | null;
  factor: number;
  readsAloud: boolean;
  languages: string[];
  familyLanguage: string | null;
}

export async function setStudentFacts(db: Queryable, student: number, facts: StudentFacts): Promise<void> {
  await db.query(
    `update person set grade = $2, reading_grade = $3, time_factor = $4, reads_aloud = $5, languages = $6::text[], family_language = $7
      where id = $1 and kind = 'student'`,
    [student, facts.grade, facts.readingGrade, facts.factor, facts.readsAloud, facts.languages, facts.familyLanguage],
  );
}

export async function addStudentGoal(db: Queryable, student: number, year: number, goal: string): Promise<void> {
  await db.query(
    "insert into student_goal (student_id, year, goal) values ($1, $2, $3) on conflict (student_id, year, goal) do nothing",
    [student, year, goal],
  );
}

/** Another wording of a student's own goal, or its end; one of somebody else's is not there. */
export async function changeStudentGoal(
  db: Queryable,
  student: number,
  goal: { id: number; goal: string; closed: Date | null },
): Promise<boolean> {
  const rows = await db.query(
    `update student_goal set goal = $3, closed = case when $4::timestamptz is null then null else coalesce(closed, $4) end
      where id = $1 and student_id = $2 returning id`,
    [goal.id, student, goal.goal, goal.closed],
  );
  return rows.length > 0;
}

/** Another name to sign in with; her password and what she did stay. Fails where it is taken: `person_sign_in_name_key`. */
export async function setSignInName(db: Queryable, student: number, name: string): Promise<void> {
  await db.query("update person set sign_in_name = $2 where id = $1 and kind = 'student'", [student, name]);
}
