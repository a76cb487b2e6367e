import {
  addDays,
  meetingsBetween,
  momentAt,
  schoolClock,
  schoolDaysLater,
  SEMESTER_WEEKS,
  type Meeting,
  type MeetingRule,
  type SchoolCalendar,
} from "@/core/calendar/school-calendar";
import { movedTimes, reflow, samePlace, type Planned, type Times } from "@/core/plan/move";
import { partOf, stepMinutes } from "@/core/plan/parts";
import { partsFor } from "@/core/assign/look-at-class";
import { withExtraTime } from "@/core/assign/extra-time";
import { assignmentById } from "@/data/assign/assignments";
import { type Place } from "@/data/assign/places";
import { recipientsOf } from "@/data/assign/recipients";
import { calendarOf, meetingRulesOf, zoneOf } from "@/data/plan/calendar";
import { classById } from "@/data/classes/classes";
import type { Queryable } from "@/data/engine/db";
import { plannedIn, plannedWork } from "@/data/plan/plan";
import { factsOfHead, revisionById } from "@/data/adapt/resources";
import { stepsOf, type Part } from "@/data/assign/split";
import { problemOf, type Problem } from "../web/problem";

interface At {
  date: string;
  period: number;
}

export interface Column {
  calendar: SchoolCalendar;
  rules: MeetingRule[];
  meetings: Meeting[];
}

/** A day further than anything is planned: work is given for a semester, and what is moved may go beyond it. */
const FARTHEST_DAYS = SEMESTER_WEEKS * 7 * 2;

/** What a class does under one name, from a day on: its meetings in order. */
export async function columnOf(db: Queryable, classId: number, label: string | null, from: string): Promise<Column> {
  const group = (await classById(db, classId))!;
  const calendar = await calendarOf(db, group.school);
  const all = await meetingRulesOf(db, [classId]);
  const rules = label === null ? all : all.filter((rule) => rule.label === label);
  return { calendar, rules, meetings: meetingsBetween(calendar, rules, from, addDays(from, FARTHEST_DAYS)) };
}

type MovedPlace = Place & { id: number };

/** Where a piece of work goes when it is moved to a meeting; null when the class does not meet then. */
export async function moveTo(db: Queryable, assignment: number, to: At): Promise<MovedPlace | null> {
  const work = (await assignmentById(db, assignment))!;
  const from = work.meeting?.date ?? schoolClock(work.opens, await zoneOf(db, work.school)).date;
  const { calendar, meetings } = await columnOf(db, work.class, null, from < to.date ? from : to.date);
  const target = meetings.find((meeting) => samePlace(meeting, to));
  if (!target) return null;
  const old = work.meeting && meetings.find((meeting) => samePlace(meeting, work.meeting!));
  // Work without a meeting, or whose meeting was lost, keeps its hour and goes to the other day.
  const origin = old ?? { date: from, starts: new Date(0), ends: new Date(0) };
  const times = movedTimes(calendar, work, origin, target);
  return times && { id: assignment, ...times, meeting: { date: target.date, period: target.period } };
}

/** Where a piece of work goes whose lesson is not there any more: the next lesson of its class, today at the earliest. */
export async function nextPlace(db: Queryable, assignment: number, now: Date): Promise<MovedPlace | null> {
  const work = (await assignmentById(db, assignment))!;
  const zone = await zoneOf(db, work.school);
  const today = schoolClock(now, zone).date;
  const date = work.meeting?.date ?? schoolClock(work.opens, zone).date;
  const { meetings } = await columnOf(db, work.class, null, date > today ? date : today);
  const next = meetings.find(({ starts }) => starts > now);
  return next ? moveTo(db, assignment, next) : null;
}

async function plannedFrom(db: Queryable, classId: number, from: string, zone: string): Promise<Planned[]> {
  const work = await plannedWork(db, [classId], from, addDays(from, FARTHEST_DAYS), zone);
  return work.flatMap((one) =>
    one.meeting && one.meeting.date >= from
      ? [{ id: one.id, meeting: one.meeting, opens: one.opens, due: one.due, closes: one.closes }]
      : [],
  );
}

/** Everything a class has planned under one name, moved by this many meetings from one on. */
export async function reflowColumn(
  db: Queryable,
  of: { class: number; label: string },
  from: At,
  by: number,
): Promise<{ moves: MovedPlace[]; stuck: number[] }> {
  // Going back needs the meeting before the first.
  const { calendar, meetings } = await columnOf(db, of.class, of.label, addDays(from.date, by < 0 ? -30 : 0));
  const planned = await plannedFrom(db, of.class, from.date, calendar.zone);
  const at = meetings.findIndex((meeting) => samePlace(meeting, from));
  if (at < 0) return { moves: [], stuck: [] };
  const start = by < 0 ? meetings[Math.max(0, at + by)]! : meetings[at]!;
  const mine = planned.filter(
    ({ meeting }) => meeting.date > from.date || (meeting.date === from.date && meeting.period >= from.period),
  );
  const { moves, stuck } = reflow(calendar, mine, meetings, meetings, start, by);
  return { moves: moves.map(({ id, to, times }) => ({ id, ...times, meeting: to })), stuck };
}

/** What these classes had planned from a day on, when that day is lost to them. */
export async function withoutDay(
  db: Queryable,
  classes: readonly number[],
  date: string,
  name: string,
): Promise<{ moves: MovedPlace[]; stuck: number[] }> {
  const result: { moves: MovedPlace[]; stuck: number[] } = { moves: [], stuck: [] };
  for (const group of classes) {
    const { calendar, rules, meetings } = await columnOf(db, group, null, date);
    const lost: SchoolCalendar = {
      ...calendar,
      classDaysOff: [...calendar.classDaysOff, { class: group, date, name }],
    };
    const planned = await plannedFrom(db, group, date, calendar.zone);
    result.moves.push(...(await dueLater(db, group, calendar, date)));
    for (const label of new Set(rules.map((rule) => rule.label))) {
      const same = rules.filter((rule) => rule.label === label);
      const { moves, stuck } = reflow(
        lost,
        planned,
        meetings.filter((meeting) => meeting.label === label),
        meetingsBetween(lost, same, date, addDays(date, FARTHEST_DAYS)),
        { date, period: 0 },
        0,
      );
      result.moves.push(...moves.map(({ id, to, times }) => ({ id, ...times, meeting: to })));
      result.stuck.push(...stuck);
    }
  }
  return result;
}

/** What was given before a lost day and is due on it: due at the same hour of the next day with school. */
async function dueLater(db: Queryable, classId: number, calendar: SchoolCalendar, date: string): Promise<MovedPlace[]> {
  const next = schoolDaysLater(calendar, date, 1);
  if (next === null) return [];
  const work = await plannedWork(db, [classId], date, date, calendar.zone);
  return work.flatMap((one): MovedPlace[] => {
    const due = schoolClock(one.due, calendar.zone);
    const given = one.meeting?.date ?? schoolClock(one.opens, calendar.zone).date;
    if (due.date !== date || given >= date) return [];
    const later = momentAt(next, due.time, calendar.zone);
    const closes = one.closes && one.closes < later ? later : one.closes;
    return [{ id: one.id, opens: one.opens, due: later, closes, meeting: one.meeting }];
  });
}

/** How work that is longer than its lesson is split: the first part stays, the others go to the lessons after it. */
export async function partsInMeeting(db: Queryable, assignment: number): Promise<{ parts: Part[] } | Problem> {
  const work = (await assignmentById(db, assignment))!;
  if (!work.meeting) return problemOf("notPlanned");
  if (work.begun > 0) return problemOf("splitBegun");
  const given = await stepsOf(db, assignment);
  const whole = (await revisionById(db, given.revision))!.document;
  const document = partOf(whole, given.steps);
  const { calendar, meetings } = await columnOf(db, work.class, null, work.meeting.date);
  const at = meetings.findIndex((meeting) => samePlace(meeting, work.meeting!));
  if (at < 0) return problemOf("lessonGone");
  const here = meetings[at]!;
  const same = meetings.slice(at).filter(({ label }) => label === here.label);
  const planned = await plannedIn(db, [work.class], here.date, here.date);
  const others = (planned.find((one) => one.period === here.period)?.minutes ?? work.minutes) - work.minutes;
  const facts = { ...(await factsOfHead(db, work.resource)), minutes: work.minutes };
  const room = Math.max(here.minutes - others, Math.min(...stepMinutes(document, facts)));
  const parts = partsFor({ document, facts }, room);
  if (!parts || parts.length < 2) return problemOf("stepTooLong");
  if (parts.length > same.length) return problemOf("tooFewLessons");
  const minutes = stepMinutes(document, facts);
  const recipients = await recipientsOf(db, assignment);
  const list: Part[] = [];
  for (const [nth, steps] of parts.entries()) {
    const times = movedTimes(calendar, work, here, same[nth]!);
    if (!times) return problemOf("calendarEnds");
    list.push({
      steps,
      minutes: minutes.filter((_, step) => steps.includes(document.steps[step]!.id)).reduce((sum, one) => sum + one, 0),
      part: `${nth + 1} of ${parts.length}`,
      place: { ...times, meeting: { date: same[nth]!.date, period: same[nth]!.period } },
      openDays: daysWithin(given.openDays, times, calendar.zone),
      own: recipients.flatMap((one) => {
        const own = ownTimes(calendar, work, times, one);
        return own ? [{ student: one.student, ...own }] : [];
      }),
    });
  }
  return { parts: list };
}

/** Those of some days that lie in a part's time; null where that leaves none: then every day will do. */
function daysWithin(days: readonly string[] | null, times: Times, zone: string): string[] | null {
  const [from, to] = [schoolClock(times.opens, zone).date, schoolClock(times.closes ?? times.due, zone).date];
  const within = days?.filter((day) => day >= from && day <= to) ?? [];
  return within.length > 0 ? within : null;
}

/** The times a part has for a student who had others than the class for the whole; null: the class's. */
function ownTimes(
  calendar: SchoolCalendar,
  whole: Times,
  part: Times,
  { factor, ownDue }: { factor: number; ownDue: Date | null },
): { due: Date; closes: Date | null } | null {
  if (factor === 1 && !ownDue) return null;
  const extra = withExtraTime(calendar, part, factor).due;
  // Given more days by hand: as much later than the class as she was for the whole.
  const byHand = ownDue ? new Date(part.due.getTime() + ownDue.getTime() - whole.due.getTime()) : extra;
  const due = factor === 1 || byHand > extra ? byHand : extra;
  return { due, closes: part.closes && due > part.closes ? due : part.closes };
}
