import type { MeetingRule, SchoolCalendar } from "@/core/calendar/school-calendar";
import { one, type Queryable } from "../engine/db";

/** The calendar of a school, with the days on which single classes do not meet. */
export async function calendarOf(db: Queryable, school: number): Promise<SchoolCalendar> {
  const [base, terms, daysOff, classDaysOff, bells] = await Promise.all([
    one<Pick<SchoolCalendar, "zone" | "weekdays" | "cycle">>(
      db,
      "select time_zone zone, weekdays, cycle from school where id = $1",
      [school],
    ),
    db.query<SchoolCalendar["terms"][number]>(
      `select name, from_date "from", to_date "to" from term where school_id = $1 order by from_date`,
      [school],
    ),
    db.query<SchoolCalendar["daysOff"][number]>(
      `select date, name, kind, until_time "until" from day_off where school_id = $1 order by date`,
      [school],
    ),
    db.query<SchoolCalendar["classDaysOff"][number]>(
      `select o.class_id class, o.date, o.name from class_day_off o join class c on c.id = o.class_id
        where c.school_id = $1 order by o.date`,
      [school],
    ),
    db.query<SchoolCalendar["bells"][number]>(
      "select weekday, period, starts, ends from bell_time where school_id = $1 order by weekday, period",
      [school],
    ),
  ]);
  return { ...base, terms, daysOff, classDaysOff, bells };
}

/** The IANA zone of a school. */
export async function zoneOf(db: Queryable, school: number): Promise<string> {
  return (await one<{ zone: string }>(db, "select time_zone zone from school where id = $1", [school])).zone;
}

/** When these classes meet. */
export async function meetingRulesOf(db: Queryable, classes: readonly number[]): Promise<MeetingRule[]> {
  return db.query<MeetingRule>(
    `select class_id class, label, period, weekday, cycle_day "cycleDay"
       from class_meeting where class_id = any($1::int[]) order by class_id, period, id`,
    [classes],
  );
}

export async function setTerms(tx: Queryable, school: number, terms: SchoolCalendar["terms"]): Promise<void> {
  await tx.query("delete from term where school_id = $1", [school]);
  await tx.query(
    `insert into term (school_id, name, from_date, to_date)
     select $1, t.name, t.from_date, t.to_date
       from jsonb_to_recordset($2::jsonb) as t(name text, from_date date, to_date date)`,
    [school, JSON.stringify(terms.map(({ name, from, to }) => ({ name, from_date: from, to_date: to })))],
  );
}

export async function setWeek(
  db: Queryable,
  school: number,
  week: Pick<SchoolCalendar, "weekdays" | "cycle">,
): Promise<void> {
  await db.query("update school set weekdays = $2::smallint[], cycle = $3::text[] where id = $1", [
    school,
    week.weekdays,
    week.cycle,
  ]);
}

export async function setBells(tx: Queryable, school: number, bells: SchoolCalendar["bells"]): Promise<void> {
  await tx.query("delete from bell_time where school_id = $1", [school]);
  await tx.query(
    `insert into bell_time (school_id, weekday, period, starts, ends)
     select $1, b.weekday, b.period, b.starts, b.ends
       from jsonb_to_recordset($2::jsonb) as b(weekday smallint, period smallint, starts text, ends text)`,
    [school, JSON.stringify(bells)],
  );
}

/** Adds days off; one that is there already gets the new name and kind. */
export async function addDaysOff(
  db: Queryable,
  school: number,
  days: readonly SchoolCalendar["daysOff"][number][],
): Promise<void> {
  await db.query(
    `insert into day_off (school_id, date, name, kind, until_time)
     select $1, d.date, d.name, d.kind, d.until
       from jsonb_to_recordset($2::jsonb) as d(date date, name text, kind text, until text)
     on conflict (school_id, date) do update set name = excluded.name, kind = excluded.kind, until_time = excluded.until_time`,
    [school, JSON.stringify(days)],
  );
}

export async function removeDayOff(db: Queryable, school: number, date: string): Promise<void> {
  await db.query("delete from day_off where school_id = $1 and date = $2", [school, date]);
}

export async function addClassDaysOff(
  db: Queryable,
  classes: readonly number[],
  date: string,
  name: string,
): Promise<void> {
  await db.query(
    `insert into class_day_off (class_id, date, name) select unnest($1::int[]), $2, $3
     on conflict (class_id, date) do update set name = excluded.name`,
    [classes, date, name],
  );
}

export async function removeClassDaysOff(db: Queryable, classes: readonly number[], date: string): Promise<void> {
  await db.query("delete from class_day_off where class_id = any($1::int[]) and date = $2", [classes, date]);
}

export async function setMeetingRules(
  tx: Queryable,
  classId: number,
  rules: readonly Omit<MeetingRule, "class">[],
): Promise<void> {
  await tx.query("delete from class_meeting where class_id = $1", [classId]);
  await tx.query(
    `insert into class_meeting (class_id, label, period, weekday, cycle_day)
     select $1, m.label, m.period, m.weekday, m.cycle_day
       from jsonb_to_recordset($2::jsonb) as m(label text, period smallint, weekday smallint, cycle_day text)`,
    [classId, JSON.stringify(rules.map(({ cycleDay, ...rule }) => ({ ...rule, cycle_day: cycleDay })))],
  );
}
