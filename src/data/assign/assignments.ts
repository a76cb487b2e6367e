import type { Keep } from "@/core/results/table";
import type { Sharing } from "@/core/review/sharing";
import type { CheckingTime } from "@/core/question/question";
import type { StepWork } from "@/core/resource/work";
import { one, type Queryable } from "../engine/db";
import { countUses } from "../find/uses";
import { OFTEN } from "../engine/often";

export interface Assignment {
  id: number;
  class: number;
  className: string;
  school: number;
  resource: number;
  title: string;
  madeBy: number;
  opens: Date;
  due: Date;
  tries: number | null;
  keep: Keep;
  checking: CheckingTime;
  calledBack: Date | null;
  closes: Date | null;
  /** The meeting it is planned for. */
  meeting: { date: string; period: number } | null;
  minutes: number;
  subjects: string[];
  /** "1 of 2", where only a part of the resource is given. */
  part: string | null;
  /** The work whose result it comes after. */
  follows: number | null;
  goals: string[];
  /** How students work in single steps, where otherwise than the document says. */
  stepWork: StepWork | null;
  /** What classmates see, what is looked at first; null: plain. */
  sharing: Sharing | null;
  recipients: number;
  begun: number;
  handedIn: number;
  classSize: number;
}

const columns = `
  a.id, a.class_id class, c.name "className", c.school_id school, a.resource_id resource, f.facts ->> 'title' title, a.made_by "madeBy", a.opens, a.due,
  a.tries, a.keep, a.checking, a.called_back "calledBack", a.closes, a.step_work "stepWork", a.sharing,
  case when a.meeting_date is null then null else jsonb_build_object('date', a.meeting_date, 'period', a.meeting_period) end meeting,
  coalesce(a.minutes, (f.facts ->> 'minutes')::int) minutes, f.facts -> 'subjects' subjects, a.part, a.follows_id follows,
  array(select g.tag from assignment_goal g where g.assignment_id = a.id order by g.tag) goals,
  (select count(*) from recipient r where r.assignment_id = a.id) recipients,
  (select count(*) from recipient r where r.assignment_id = a.id and exists (select 1 from attempt t where t.recipient_id = r.id)) begun,
  (select count(*) from recipient r where r.assignment_id = a.id
     and exists (select 1 from attempt t where t.recipient_id = r.id and t.handed_in is not null)) "handedIn",
  (select count(*) from enrolled n where n.class_id = a.class_id) "classSize"`;

const from = `from assignment a join class c on c.id = a.class_id join resource_facts f on f.resource_id = a.resource_id`;

/**
 * What of a class's work a teacher, $1, works with on a day, $2: all of it; anyone who covers the class, what is open at some
 * time between the days she covers it, by the school's calendar. Needs `a` of assignment and `c` of class.
 */
export const hers = `exists (
  select 1 from class_teacher t join school s on s.id = c.school_id
   where t.class_id = a.class_id and t.person_id = $1 and c.archived is null
     and coalesce(t.from_date <= ($2::timestamptz at time zone s.time_zone)::date, true)
     and coalesce(t.to_date >= ($2::timestamptz at time zone s.time_zone)::date, true)
     and (t.role <> 'cover'
          or coalesce(t.from_date <= (coalesce(a.closes, a.due) at time zone s.time_zone)::date, true)
             and coalesce(t.to_date >= (a.opens at time zone s.time_zone)::date, true)))`;

/**
 * Assignments of the given classes that a teacher works with; what was called back comes along, to be given again. `since`: without
 * what was due before then.
 */
export async function assignmentsOf(
  db: Queryable,
  teacher: number,
  classes: readonly number[],
  now: Date,
  since = new Date(0),
): Promise<Assignment[]> {
  return db.query<Assignment>(
    `select ${columns} ${from} where a.class_id = any($3::int[]) and a.due >= $4 and ${hers} order by a.opens desc, a.id desc`,
    [teacher, now, classes, since],
  );
}

/** How many of them were due before then. */
export async function countDueBefore(
  db: Queryable,
  teacher: number,
  classes: readonly number[],
  now: Date,
  before: Date,
): Promise<number> {
  const { count } = await one<{ count: number }>(
    db,
    `select count(*) count from assignment a join class c on c.id = a.class_id
      where a.class_id = any($3::int[]) and a.due < $4 and ${hers}`,
    [teacher, now, classes, before],
  );
  return count;
}

/**
 * The latest `most` of them that have opened, and `also`, however old it is. What is counted for each takes time: by the end of a
 * year a teacher has hundreds.
 */
export async function openedAssignments(
  db: Queryable,
  teacher: number,
  classes: readonly number[],
  now: Date,
  of: { most: number; also: number | null },
): Promise<Assignment[]> {
  const theirs = `a.class_id = any($3::int[]) and a.opens <= $2 and ${hers}`;
  return db.query<Assignment>(
    `select ${columns} ${from} where ${theirs} and (a.id = $5 or a.id = any(array(
        select a.id from assignment a join class c on c.id = a.class_id where ${theirs} order by a.opens desc, a.id desc limit $4)))
      order by a.opens desc, a.id desc`,
    [teacher, now, classes, of.most, of.also],
  );
}

/** What of a teacher's work was assigned because of the result of a piece of work and not called back, the first first. */
export async function assignmentsFollowing(
  db: Queryable,
  teacher: number,
  assignment: number,
  now: Date,
): Promise<Assignment[]> {
  return db.query<Assignment>(
    `select ${columns} ${from} where a.follows_id = $3 and a.called_back is null and ${hers} order by a.opens, a.id`,
    [teacher, now, assignment],
  );
}

/** What these classes still have to do of what a teacher works with, what opens last first: what new work can wait for. */
export async function openWorkOf(
  db: Queryable,
  teacher: number,
  classes: readonly number[],
  now: Date,
): Promise<{ id: number; class: number; title: string; due: Date }[]> {
  return db.query(
    `select a.id, a.class_id class, f.facts ->> 'title' || coalesce(', ' || a.part, '') title, a.due ${from}
      where a.class_id = any($3::int[]) and a.called_back is null and a.due > $2 and ${hers} order by a.opens desc, a.id desc`,
    [teacher, now, classes],
  );
}

/** Which of these assignments a student has. */
export async function assignmentsWith(db: Queryable, ids: readonly number[], student: number): Promise<Set<number>> {
  const rows = await db.query<{ id: number }>(
    "select assignment_id id from recipient where assignment_id = any($1::int[]) and student_id = $2",
    [ids, student],
  );
  return new Set(rows.map(({ id }) => id));
}

/** Whether a teacher works with every one of these assignments. */
export async function mayWorkWith(db: Queryable, teacher: number, ids: readonly number[], now: Date): Promise<boolean> {
  const asked = [...new Set(ids)];
  const rows = await db.query(
    `${OFTEN} select 1 from assignment a join class c on c.id = a.class_id where a.id = any($3::int[]) and ${hers}`,
    [teacher, now, asked],
  );
  return rows.length === asked.length;
}

/** Names of the classes to which somebody has given a resource that is still to be done. */
export async function classesWith(db: Queryable, madeBy: number, resource: number, now: Date): Promise<string[]> {
  const rows = await db.query<{ name: string }>(
    `select distinct c.name from assignment a join class c on c.id = a.class_id
      where a.resource_id = $1 and a.made_by = $2 and a.called_back is null and a.due > $3 order by c.name`,
    [resource, madeBy, now],
  );
  return rows.map(({ name }) => name);
}

export async function assignmentById(db: Queryable, id: number): Promise<Assignment | undefined> {
  return (await db.query<Assignment>(`select ${columns} ${from} where a.id = $1`, [id]))[0];
}

export interface NewAssignment {
  class: number;
  resource: number;
  revision: number;
  students: readonly number[];
  madeBy: number;
  made: Date;
  opens: Date;
  due: Date;
  /** null or left out: it stays open. */
  closes?: Date | null;
  tries: number | null;
  keep: Keep;
  checking: CheckingTime;
  meeting?: { date: string; period: number } | null;
  /** The steps given, where not all are, and what that part is called: "1 of 2". */
  steps?: readonly string[] | null;
  part?: string | null;
  minutes?: number | null;
  openDays?: readonly string[] | null;
  goals?: readonly string[];
  /** Each student gets it when this one is handed in: an assignment's id, or "previous" in the list. */
  after?: number | "previous" | null;
  /** The work whose result it comes after. */
  follows?: number | null;
  /** How students work in single steps, where otherwise than the document says. */
  stepWork?: StepWork | null;
  /** Null: plain, see core/review. */
  sharing?: Sharing | null;
  position?: number;
  /** Students for whom something is different. */
  own?: readonly { student: number; revision?: number; factor?: number; due?: Date | null; closes?: Date | null }[];
}

/** Gives several things at once; only students enrolled in the class get them. Returns the ids in the order of the list. */
export async function addAssignments(tx: Queryable, list: readonly NewAssignment[]): Promise<number[]> {
  const drawn = await tx.query<{ id: number }>(
    "select nextval(pg_get_serial_sequence('assignment', 'id')) id from generate_series(1, $1::int)",
    [list.length],
  );
  const ids = drawn.map(({ id }) => id);
  const rows = list.map((assignment, at) => ({
    ...assignment,
    id: ids[at],
    after: assignment.after === "previous" ? (ids[at - 1] ?? null) : (assignment.after ?? null),
    position: assignment.position ?? 0,
    own: undefined,
    students: undefined,
  }));
  await tx.query(
    `insert into assignment (id, class_id, resource_id, made_by, made, opens, due, closes, tries, keep, checking,
                             meeting_date, meeting_period, step_ids, part, minutes, open_days, after_id, position, step_work, sharing, follows_id)
     select a.id, a.class, a.resource, a."madeBy", a.made, a.opens, a.due, a.closes, a.tries, a.keep, a.checking,
            (a.meeting ->> 'date')::date, (a.meeting ->> 'period')::smallint, a.steps, a.part, a.minutes, a."openDays", a.after, a.position, a."stepWork", a.sharing, a.follows
       from jsonb_to_recordset($1::jsonb) as a(id int, class int, resource int, "madeBy" int, made timestamptz, opens timestamptz,
              due timestamptz, closes timestamptz, tries smallint, keep text, checking text, meeting jsonb, steps text[], part text,
              minutes smallint, "openDays" date[], after int, position int, "stepWork" jsonb, sharing jsonb, follows int)
      order by a.id`,
    [JSON.stringify(rows)],
  );
  // Most students get just what the class gets: their rows are made of a few lists, and only the others are spelt out.
  const special = list.map((assignment) => new Set(assignment.own?.map(({ student }) => student)));
  const plain = list.map((assignment, at) => ({
    assignment: ids[at],
    class: assignment.class,
    revision: assignment.revision,
    students: assignment.students.filter((student) => !special[at]!.has(student)),
  }));
  await tx.query(
    `insert into recipient (assignment_id, student_id, revision_id)
     select a.assignment, n.student_id, a.revision
       from jsonb_to_recordset($1::jsonb) as a(assignment int, class int, revision int, students int[])
       join enrolled n on n.class_id = a.class and n.student_id = any(a.students)`,
    [JSON.stringify(plain)],
  );
  const own = list.flatMap((assignment, at) =>
    (assignment.own ?? [])
      .filter(({ student }) => assignment.students.includes(student))
      .map((entry) => ({
        assignment: ids[at],
        class: assignment.class,
        student: entry.student,
        revision: entry.revision ?? assignment.revision,
        factor: entry.factor ?? 1,
        due: entry.due ?? null,
        closes: entry.closes ?? null,
      })),
  );
  if (own.length > 0)
    await tx.query(
      `insert into recipient (assignment_id, student_id, revision_id, time_factor, own_due, own_closes)
       select r.assignment, r.student, r.revision, r.factor, r.due, r.closes
         from jsonb_to_recordset($1::jsonb) as r(assignment int, class int, student int, revision int, factor numeric, due timestamptz, closes timestamptz)
         join enrolled n on n.class_id = r.class and n.student_id = r.student`,
      [JSON.stringify(own)],
    );
  const goals = list.flatMap((assignment, at) =>
    [...new Set(assignment.goals)].map((tag) => ({ assignment: ids[at], tag })),
  );
  if (goals.length > 0)
    await tx.query(
      `insert into assignment_goal (assignment_id, tag)
       select g.assignment, g.tag from jsonb_to_recordset($1::jsonb) as g(assignment int, tag text)`,
      [JSON.stringify(goals)],
    );
  await countUses(
    tx,
    list.map((assignment) => assignment.resource),
    1,
  );
  return ids;
}

export async function addAssignment(tx: Queryable, assignment: NewAssignment): Promise<number> {
  return (await addAssignments(tx, [assignment]))[0]!;
}

/** Calls an assignment back from its students, or, with null, gives it again. Answers already given are kept. */
export async function setCalledBack(db: Queryable, id: number, at: Date | null): Promise<void> {
  await db.query("update assignment set called_back = $2 where id = $1", [id, at]);
}

/** Takes away what was given by mistake, as if it never had been; what somebody has begun stays. Returns what went. */
export async function removeUnbegun(tx: Queryable, ids: readonly number[]): Promise<number[]> {
  const gone = await tx.query<{ id: number; resource: number }>(
    `delete from assignment a
      where a.id = any($1::int[])
        and not exists (select 1 from recipient r join attempt t on t.recipient_id = r.id where r.assignment_id = a.id)
      returning a.id, a.resource_id resource`,
    [ids],
  );
  await countUses(
    tx,
    gone.map(({ resource }) => resource),
    -1,
  );
  return gone.map(({ id }) => id);
}

/**
 * Which of these students have a resource, or another version of the same thing, and whether they handed it in. Versions are
 * those of its family, what it was adapted from and what was adapted from it.
 */
export async function alreadyHave(
  db: Queryable,
  resources: readonly number[],
  students: readonly number[],
): Promise<{ student: number; did: boolean }[]> {
  return db.query<{ student: number; did: boolean }>(
    `with asked as (
       select unnest($1::int[]) id
       union select e.resource_id from search_entry mine join search_entry e on e.family = mine.family
              where mine.resource_id = any($1::int[]) and mine.family <> 0
       union select v.resource_id from resource r join revision v on v.id = r.source_revision_id where r.id = any($1::int[])
       union select r.id from resource r join revision v on v.id = r.source_revision_id where v.resource_id = any($1::int[]))
     select r.student_id student,
            bool_or(exists (select 1 from attempt t where t.recipient_id = r.id and t.handed_in is not null)) did
       from asked join revision v on v.resource_id = asked.id join recipient r on r.revision_id = v.id
       join assignment a on a.id = r.assignment_id
      where r.student_id = any($2::int[]) and a.called_back is null group by r.student_id`,
    [resources, students],
  );
}

/** How many pieces of work each of these students has due between two moments, in any class. */
export async function dueBetween(
  db: Queryable,
  students: readonly number[],
  from: Date,
  to: Date,
  /** Work that is being moved: it is not in its own way. */
  except: number | null = null,
): Promise<{ student: number; count: number }[]> {
  return db.query(
    `with due as (
       select r.student_id from assignment a join recipient r on r.assignment_id = a.id and r.own_due is null
        where a.due between $2 and $3 and a.called_back is null and r.student_id = any($1::int[]) and a.id is distinct from $4::int
       union all
       select r.student_id from recipient r join assignment a on a.id = r.assignment_id and a.called_back is null
        where r.own_due between $2 and $3 and r.student_id = any($1::int[]) and a.id is distinct from $4::int)
     select student_id student, count(*) count from due group by student_id`,
    [students, from, to, except],
  );
}
