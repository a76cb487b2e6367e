import type { Queryable } from "./db";

/** Minutes planned in each meeting of these classes between two dates, both included. */
export async function plannedIn(
  db: Queryable,
  classes: readonly number[],
  from: string,
  to: string,
): Promise<{ class: number; date: string; period: number; minutes: number }[]> {
  return db.query(
    `select a.class_id class, a.meeting_date date, a.meeting_period period,
            sum(coalesce(a.minutes, (f.facts ->> 'minutes')::int))::int minutes
       from assignment a join resource_facts f on f.resource_id = a.resource_id
      where a.class_id = any($1::int[]) and a.meeting_date between $2 and $3 and a.called_back is null
      group by 1, 2, 3`,
    [classes, from, to],
  );
}

/**
 * Other versions of a resource: those of its family, what it was adapted from and what was adapted from it. Whether she may
 * read them is asked elsewhere.
 */
export async function kinOf(db: Queryable, resource: number): Promise<number[]> {
  const rows = await db.query<{ id: number }>(
    `select e.resource_id id from search_entry e, search_entry mine
      where mine.resource_id = $1 and mine.family <> 0 and e.family = mine.family and e.resource_id <> $1
     union select v.resource_id from resource r join revision v on v.id = r.source_revision_id where r.id = $1
     union select r.id from resource r join revision v on v.id = r.source_revision_id
            where v.resource_id = $1 and r.head_revision_id is not null
      order by id limit 40`,
    [resource],
  );
  return rows.map(({ id }) => id);
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
}

/** Individual goals of students, the latest year first. */
export async function studentGoals(db: Queryable, students: readonly number[]): Promise<StudentGoal[]> {
  return db.query<StudentGoal>(
    "select id, student_id student, year, goal from student_goal where student_id = any($1::int[]) order by year desc, goal",
    [students],
  );
}
