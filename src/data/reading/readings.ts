import { countedSeconds } from "@/core/reading/minutes";
import { isInterest, type Interest } from "@/core/reading/interests";
import { one, type Queryable } from "../engine/db";

/** What a child reads or has read. */
export interface Reading {
  resource: number;
  step: string;
  beat: Date;
  finished: Date | null;
}

export const readingsOf = (db: Queryable, student: number): Promise<Reading[]> =>
  db.query<Reading>(
    `select resource_id resource, step_id step, beat, finished from reading where student_id = $1 order by beat desc`,
    [student],
  );

export async function interestsOf(db: Queryable, student: number): Promise<Interest[]> {
  const rows = await db.query<{ name: string }>("select name from interest where student_id = $1 order by name", [
    student,
  ]);
  return rows.map(({ name }) => name).filter(isInterest);
}

export async function setInterests(tx: Queryable, student: number, names: readonly Interest[]): Promise<void> {
  await tx.query("delete from interest where student_id = $1 and name <> all($2::text[])", [student, names]);
  await tx.query("insert into interest (student_id, name) select $1, unnest($2::text[]) on conflict do nothing", [
    student,
    names,
  ]);
}

/** Seconds a child has read between two days, by day and reading, the newest first. */
export const secondsOf = (
  db: Queryable,
  student: number,
  from: string,
  to: string,
): Promise<{ date: string; resource: number; title: string; seconds: number }[]> =>
  db.query(
    `select s.date, s.resource_id resource, f.facts ->> 'title' title, s.seconds
       from reading_seconds s join resource_facts f on f.resource_id = s.resource_id
      where s.student_id = $1 and s.date between $2::date and $3::date order by s.date desc, s.seconds desc`,
    [student, from, to],
  );

/** The same for every child of a class. */
export const secondsIn = (
  db: Queryable,
  classId: number,
  from: string,
  to: string,
): Promise<{ student: number; date: string; seconds: number }[]> =>
  db.query(
    `select s.student_id student, s.date, sum(s.seconds)::int seconds
       from reading_seconds s join enrolled n on n.student_id = s.student_id and n.class_id = $1
      where s.date between $2::date and $3::date group by 1, 2 order by 1, 2`,
    [classId, from, to],
  );

/** What every child of a class reads, has finished and likes. */
export const readersIn = (
  db: Queryable,
  classId: number,
): Promise<{ student: number; reading: string | null; finished: number; likes: string[] }[]> =>
  db.query(
    `select n.student_id student,
            (select f.facts ->> 'title' from reading g join resource_facts f on f.resource_id = g.resource_id
              where g.student_id = n.student_id order by g.beat desc limit 1) reading,
            (select count(*) from reading g where g.student_id = n.student_id and g.finished is not null) finished,
            array(select i.name from interest i where i.student_id = n.student_id order by i.name) likes
       from enrolled n where n.class_id = $1`,
    [classId],
  );

/** A screen says that a child reads, and where. Only what has passed since it last said so counts; see countedSeconds. */
export async function beat(
  tx: Queryable,
  of: { student: number; resource: number; revision: number; step: string; seconds: number; date: string; now: Date },
): Promise<number> {
  // All of a child's screens together: two readings open at once count one after the other.
  await tx.query("select 1 from person where id = $1 for update", [of.student]);
  const { last } = await one<{ last: Date | null }>(tx, "select max(beat) last from reading where student_id = $1", [
    of.student,
  ]);
  const counted = countedSeconds(last, of.now, of.seconds);
  await tx.query(
    `insert into reading (student_id, resource_id, revision_id, step_id, began, beat) values ($1, $2, $3, $4, $5, $5)
     on conflict (student_id, resource_id) do update set revision_id = excluded.revision_id, step_id = excluded.step_id,
       beat = greatest(reading.beat, excluded.beat)`,
    [of.student, of.resource, of.revision, of.step, of.now],
  );
  if (counted > 0)
    await tx.query(
      `insert into reading_seconds (student_id, resource_id, date, seconds) values ($1, $2, $3, $4)
       on conflict (student_id, date, resource_id) do update set seconds = reading_seconds.seconds + excluded.seconds`,
      [of.student, of.resource, of.date, counted],
    );
  return counted;
}

/** A child has come to the end. It may be said before any minute was: then the reading begins with it. */
export async function setFinished(
  db: Queryable,
  of: { student: number; resource: number; revision: number; step: string; at: Date },
): Promise<void> {
  await db.query(
    `insert into reading (student_id, resource_id, revision_id, step_id, began, beat, finished) values ($1, $2, $3, $4, $5, $5, $5)
     on conflict (student_id, resource_id) do update set finished = excluded.finished`,
    [of.student, of.resource, of.revision, of.step, of.at],
  );
}
