import { addDays, mondayOf, schoolClock, schoolDays, type Meeting } from "@/core/calendar/school-calendar";
import { formatDay } from "@/core/calendar/format-moment";
import { dueOn } from "@/core/team/board";
import type { Class } from "@/data/classes/classes";
import type { Queryable } from "@/data/engine/db";
import { plannedWork } from "@/data/plan/plan";
import { dueParts } from "@/data/share/teams";
import { meetingsOf } from "./plan";
import type { Visitor } from "../web/session";

export interface StripMeeting {
  class: number;
  date: string;
  period: number;
  label: string;
  time: string;
  minutes: number;
  planned: number;
  /** The first thing planned then. */
  title: string | null;
}

export interface StripDay {
  date: string;
  day: string;
  today: boolean;
  /** Why there are no lessons; null when there are. */
  off: string | null;
  meetings: StripMeeting[];
  /** Parts of her teams' work she has to have ready by then. */
  due: { team: number; text: string }[];
}

const DAYS_SHOWN = 8;

/** The lessons of the class on top in the next two weeks, with what is planned in each. */
export async function weekStrip(db: Queryable, visitor: Visitor, group: Class, now: Date): Promise<StripDay[]> {
  const { zone } = visitor;
  const today = schoolClock(now, zone).date;
  const to = addDays(today, 13);
  const [{ calendar, meetings }, work, parts] = await Promise.all([
    meetingsOf(db, visitor, [group], today, to),
    plannedWork(db, [group.id], today, to, zone),
    dueParts(db, visitor.id, mondayOf(today), to),
  ]);
  const planned = (meeting: Meeting) =>
    work.filter((one) => one.meeting?.date === meeting.date && one.meeting.period === meeting.period);
  const clock = (moment: Date) => schoolClock(moment, zone).time.replace(/^0/, "");
  const days = schoolDays(calendar, today, to);
  const openDays = days.filter(({ open }) => open).map(({ date }) => date);
  return days.slice(0, DAYS_SHOWN).map((day) => ({
    date: day.date,
    day: formatDay(new Date(`${day.date}T12:00:00Z`), "UTC", now),
    today: day.date === today,
    off: day.open
      ? (calendar.classDaysOff.find((one) => one.class === group.id && one.date === day.date)?.name ?? null)
      : (day.off?.name ?? "no school"),
    due: parts
      .filter(({ week }) => dueOn(week, openDays, openDays[0] ?? today) === day.date)
      .map(({ team, line, name }) => ({ team, text: `${line}, ${name}` })),
    meetings: meetings
      .filter(({ date, ends }) => date === day.date && ends > now)
      .map((meeting) => ({
        class: group.id,
        date: meeting.date,
        period: meeting.period,
        label: meeting.label,
        time: clock(meeting.starts),
        minutes: meeting.minutes,
        planned: planned(meeting).reduce((sum, { minutes }) => sum + minutes, 0),
        title: planned(meeting)[0]?.title ?? null,
      })),
  }));
}
