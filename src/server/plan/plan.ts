import {
  addDays,
  meetingsBetween,
  schoolClock,
  schoolDays,
  SEMESTER_WEEKS,
  type Meeting,
  type MeetingRule,
  type SchoolCalendar,
} from "@/core/calendar/school-calendar";
import { planBoard, type PlanBoard, type PlanWork } from "@/core/plan/board";
import { calendarOf, meetingRulesOf } from "@/data/plan/calendar";
import { teachingTimes, type Class } from "@/data/classes/classes";
import type { Queryable } from "@/data/engine/db";
import { CROWDED } from "@/core/plan/way-out";
import { crowdedDays, plannedWork } from "@/data/plan/plan";
import type { Visitor } from "../web/session";

export interface PlanData {
  from: string;
  weeks: number;
  board: PlanBoard;
  work: PlanWork[];
  /** Days on which students have three things or more due, and who they are. */
  crowded: { date: string; students: { id: number; name: string }[] }[];
  /** Days on which one class does not meet, though the school is open. */
  away: SchoolCalendar["classDaysOff"];
  /** Whether the school has any bells: without them there are no lessons to plan for. */
  bells: boolean;
}

/** The calendar of her school, and when her classes meet, between the dates she has them. */
export async function meetingsOf(
  db: Queryable,
  visitor: Visitor,
  classes: readonly Class[],
  from: string,
  to: string,
): Promise<{ calendar: SchoolCalendar; rules: MeetingRule[]; meetings: Meeting[] }> {
  const ids = classes.map(({ id }) => id);
  const calendars = new Map<number, SchoolCalendar>();
  for (const { school } of classes) if (!calendars.has(school)) calendars.set(school, await calendarOf(db, school));
  const own = visitor.school === null ? undefined : calendars.get(visitor.school);
  const calendar = own ?? calendars.values().next().value ?? (await calendarOf(db, visitor.school ?? -1));
  const [rules, times] = await Promise.all([meetingRulesOf(db, ids), teachingTimes(db, visitor.id)]);
  const meetings = classes.flatMap((group) => {
    const mine = times.find((one) => one.class === group.id);
    // Anyone who covers a class sees the days she covers and no others.
    const [first, last] = [mine?.from ?? from, mine?.to ?? to];
    return meetingsBetween(
      calendars.get(group.school)!,
      rules.filter((rule) => rule.class === group.id),
      first > from ? first : from,
      last < to ? last : to,
    );
  });
  return { calendar, rules, meetings };
}

export async function planOf(
  db: Queryable,
  visitor: Visitor,
  classes: readonly Class[],
  from: string,
  weeks: number,
  now: Date,
): Promise<PlanData> {
  const span = Math.min(SEMESTER_WEEKS, Math.max(1, weeks));
  const to = addDays(from, span * 7 - 1);
  const ids = classes.map(({ id }) => id);
  // What was too much on a day that is over can no longer be helped.
  const today = schoolClock(now, visitor.zone).date;
  const [{ calendar, meetings }, work, crowded, times] = await Promise.all([
    meetingsOf(db, visitor, classes, from, to),
    plannedWork(db, ids, from, to, visitor.zone),
    crowdedDays(db, ids, from < today ? today : from, to, visitor.zone, CROWDED),
    teachingTimes(db, visitor.id),
  ]);
  const hers = (classId: number, date: string) => {
    const mine = times.find((one) => one.class === classId);
    return (mine?.from ?? date) <= date && date <= (mine?.to ?? date);
  };
  // A day on which she has no class at all is not hers to plan, nor is what is given on it.
  const days = schoolDays(calendar, from, to).filter(({ date }) => classes.some(({ id }) => hers(id, date)));
  const own = work.filter((one) => hers(one.class, one.meeting?.date ?? schoolClock(one.opens, visitor.zone).date));
  return {
    from,
    weeks: span,
    board: planBoard(classes, days, meetings, own, visitor.zone),
    work: own,
    crowded,
    away: calendar.classDaysOff,
    bells: calendar.bells.length > 0,
  };
}
