import type { PlanWork } from "@/core/plan/board";
import { one, type Queryable } from "../engine/db";

/** One piece of work as the database hands it over: moments in milliseconds, a date and a period of the meeting or nulls. */
type WorkRow = [
  id: number,
  group: number,
  title: string,
  part: string | null,
  opens: number,
  due: number,
  closes: number | null,
  minutes: number,
  subjects: string[],
  date: string | null,
  period: number | null,
];
const epoch = (column: string) => `(extract(epoch from ${column}) * 1000)::bigint`;

/** Work of these classes that opens or is due between two dates of the school, both included, by opening. */
export async function plannedWork(
  db: Queryable,
  classes: readonly number[],
  from: string,
  to: string,
  zone: string,
): Promise<PlanWork[]> {
  const { rows } = await one<{ rows: WorkRow[] }>(
    db,
    // Facts are taken apart once for each resource, however many classes have it. All of it in one value: a semester has
    // thousands of rows, and rows cost more to hand over than to find.
    `with work as materialized (
       select * from assignment a
        where a.class_id = any($1::int[]) and a.called_back is null
          and (a.meeting_date between $2 and $3
               or a.opens >= $2::date::timestamp at time zone $4 and a.opens < ($3::date + 1)::timestamp at time zone $4
               or a.due >= $2::date::timestamp at time zone $4 and a.due < ($3::date + 1)::timestamp at time zone $4)),
     known as materialized (
       select resource_id, facts ->> 'title' title, (facts ->> 'minutes')::int minutes, facts -> 'subjects' subjects
         from resource_facts where resource_id in (select resource_id from work))
     select coalesce(json_agg(json_build_array(a.id, a.class_id, f.title, a.part, ${epoch("a.opens")}, ${epoch("a.due")},
              ${epoch("a.closes")}, coalesce(a.minutes, f.minutes), f.subjects, a.meeting_date, a.meeting_period)
              order by a.opens, a.position, a.id), '[]') rows
       from work a join known f on f.resource_id = a.resource_id`,
    [classes, from, to, zone],
  );
  return rows.map(([id, group, title, part, opens, due, closes, minutes, subjects, date, period]) => ({
    id,
    class: group,
    title,
    part,
    opens: new Date(opens),
    due: new Date(due),
    closes: closes === null ? null : new Date(closes),
    minutes,
    subjects,
    meeting: date === null ? null : { date, period: period! },
  }));
}

/** Students of these classes with `least` things or more due on one day, in any class: who they are, by day. */
export async function crowdedDays(
  db: Queryable,
  classes: readonly number[],
  from: string,
  to: string,
  zone: string,
  least: number,
): Promise<{ date: string; students: { id: number; name: string }[] }[]> {
  return db.query(
    // The day is worked out once for each piece of work, not once for each child who has it: a semester has tens of
    // thousands of those.
    `with mine as materialized (select distinct student_id from enrolled where class_id = any($1::int[])),
     work as materialized (
       select id, (due at time zone $4)::date date from assignment
        where called_back is null and due between $2::date - 1 and $3::date + 2),
     load as materialized (
       select student_id, date from (
         select r.student_id, w.date from work w join recipient r on r.assignment_id = w.id and r.own_due is null
         union all
         select r.student_id, (r.own_due at time zone $4)::date from recipient r join assignment a on a.id = r.assignment_id
          where a.called_back is null and r.own_due between $2::date - 1 and $3::date + 2) d
        where date between $2 and $3 and student_id in (select student_id from mine)
        group by 1, 2 having count(*) >= $5)
     select date, jsonb_agg(jsonb_build_object('id', p.id, 'name', p.given_name || ' ' || p.family_name)
                            order by p.given_name, p.family_name, p.id) students
       from load join person p on p.id = load.student_id group by date order by date`,
    [classes, from, to, zone, least],
  );
}

/** How many things each of these students has due on each day between two dates, in any class. */
export async function dueByDay(
  db: Queryable,
  students: readonly number[],
  from: string,
  to: string,
  zone: string,
): Promise<Map<string, Map<number, number>>> {
  const rows = await db.query<{ date: string; student: number; count: number }>(
    `select (coalesce(r.own_due, a.due) at time zone $4)::date date, r.student_id student, count(*)::int count
       from recipient r join assignment a on a.id = r.assignment_id
      where r.student_id = any($1::int[]) and a.called_back is null
        and (coalesce(r.own_due, a.due) at time zone $4)::date between $2 and $3 group by 1, 2`,
    [students, from, to, zone],
  );
  const days = new Map<string, Map<number, number>>();
  for (const { date, student, count } of rows) {
    if (!days.has(date)) days.set(date, new Map());
    days.get(date)!.set(student, count);
  }
  return days;
}

/** What these students have due on a day, in these classes: with the class, or (`alone`) at a time of their own. */
export async function dueThenFor(
  db: Queryable,
  students: readonly number[],
  classes: readonly number[],
  date: string,
  zone: string,
): Promise<
  {
    assignment: number;
    student: number;
    name: string;
    title: string;
    resource: number;
    factor: number;
    due: Date;
    classDue: Date;
    alone: boolean;
  }[]
> {
  return db.query(
    `select a.id assignment, r.student_id student, p.given_name || ' ' || p.family_name as name,
            f.facts ->> 'title' || coalesce(', ' || a.part, '') title, v.resource_id resource, r.time_factor::float8 factor,
            coalesce(r.own_due, a.due) due, a.due "classDue", r.own_due is not null alone
       from recipient r join assignment a on a.id = r.assignment_id join revision v on v.id = r.revision_id
       join resource_facts f on f.resource_id = v.resource_id join person p on p.id = r.student_id
      where r.student_id = any($1::int[]) and a.class_id = any($2::int[]) and a.called_back is null
        and (coalesce(r.own_due, a.due) at time zone $4)::date = $3 order by a.due, a.id, r.student_id`,
    [students, classes, date, zone],
  );
}

/** Work of these classes that is due on a day for its class, with those who have it. */
export async function dueOn(
  db: Queryable,
  classes: readonly number[],
  date: string,
  zone: string,
): Promise<{ id: number; title: string; className: string; opens: Date; due: Date; students: number[] }[]> {
  return db.query(
    `select a.id, f.facts ->> 'title' || coalesce(', ' || a.part, '') title, c.name "className", a.opens, a.due,
            array(select r.student_id from recipient r where r.assignment_id = a.id and r.own_due is null) students
       from assignment a join class c on c.id = a.class_id join resource_facts f on f.resource_id = a.resource_id
      where a.class_id = any($1::int[]) and a.called_back is null and (a.due at time zone $3)::date = $2
      order by a.due, a.position, a.id`,
    [classes, date, zone],
  );
}

/** Minutes planned in each meeting of these classes between two dates, both included. `except`: work that is being moved. */
export async function plannedIn(
  db: Queryable,
  classes: readonly number[],
  from: string,
  to: string,
  except: number | null = null,
): Promise<{ class: number; date: string; period: number; minutes: number }[]> {
  return db.query(
    `select a.class_id class, a.meeting_date date, a.meeting_period period,
            sum(coalesce(a.minutes, (f.facts ->> 'minutes')::int))::int minutes
       from assignment a join resource_facts f on f.resource_id = a.resource_id
      where a.class_id = any($1::int[]) and a.meeting_date between $2 and $3 and a.called_back is null
        and a.id is distinct from $4::int
      group by 1, 2, 3`,
    [classes, from, to, except],
  );
}

/**
 * Minutes of work that is tied to no lesson and begins and ends within one day, by class and day: it is done in a lesson of that
 * day all the same. `except`: work that is being moved.
 */
export async function plannedLoosely(
  db: Queryable,
  classes: readonly number[],
  from: string,
  to: string,
  except: number | null,
): Promise<{ class: number; date: string; minutes: number }[]> {
  return db.query(
    `select a.class_id class, (a.opens at time zone s.time_zone)::date::text date,
            sum(coalesce(a.minutes, (f.facts ->> 'minutes')::int))::int minutes
       from assignment a join resource_facts f on f.resource_id = a.resource_id
       join class c on c.id = a.class_id join school s on s.id = c.school_id
      where a.class_id = any($1::int[]) and a.meeting_date is null and a.called_back is null and a.id is distinct from $4::int
        and (a.opens at time zone s.time_zone)::date between $2::date and $3::date
        and (a.opens at time zone s.time_zone)::date = (a.due at time zone s.time_zone)::date
      group by 1, 2`,
    [classes, from, to, except],
  );
}

/**
 * Other versions of resources, forty of each at most: those of its family, what it was adapted from and what was adapted from
 * it. Whether she may read them is asked elsewhere.
 */
export async function kinOf(db: Queryable, resources: readonly number[]): Promise<{ of: number; id: number }[]> {
  return db.query(
    `select asked.of, kin.id from unnest($1::int[]) with ordinality asked(of, nth), lateral (
       select e.resource_id id from search_entry e, search_entry mine
        where mine.resource_id = asked.of and mine.family <> 0 and e.family = mine.family and e.resource_id <> asked.of
       union select v.resource_id from resource r join revision v on v.id = r.source_revision_id where r.id = asked.of
       union select r.id from resource r join revision v on v.id = r.source_revision_id
              where v.resource_id = asked.of and r.head_revision_id is not null
        order by id limit 40) kin
      order by asked.nth, kin.id`,
    [resources],
  );
}

export interface StudentGroup {
  id: number;
  class: number;
  name: string;
  students: number[];
}

export async function groupsOf(db: Queryable, classes: readonly number[]): Promise<StudentGroup[]> {
  return db.query<StudentGroup>(
    `select g.id, g.class_id class, g.name, array(select m.student_id from group_member m where m.group_id = g.id) students
       from student_group g where g.class_id = any($1::int[]) order by g.class_id, g.position, g.id`,
    [classes],
  );
}

export interface StudentGoal {
  id: number;
  student: number;
  year: number;
  goal: string;
  /** Reached, or given up; null: she works on it. */
  closed: Date | null;
  /** When it counts as met; null: nothing is said. */
  criterion: { share: number; times: number } | null;
}

/** Individual goals of students, those they work on first, then the latest year. */
export async function studentGoals(db: Queryable, students: readonly number[]): Promise<StudentGoal[]> {
  return db.query<StudentGoal>(
    `select id, student_id student, year, goal, closed,
            case when times is null then null else jsonb_build_object('share', share, 'times', times) end criterion
       from student_goal where student_id = any($1::int[]) order by closed is not null, year desc, goal`,
    [students],
  );
}
