import { schoolClock, weekdayOf } from "@/core/calendar/school-calendar";
import { proposeDay, type DayPart } from "@/core/day-pictures/day-pictures";
import type { Class } from "@/data/classes/classes";
import type { Db } from "@/data/engine/db";
import { keptDay } from "@/data/plan/day-pictures";
import { plannedWork } from "@/data/plan/plan";
import type { Visitor } from "../web/session";
import { meetingsOf } from "./plan";

/** A day of a class in pictures: as it was kept, and as the plan proposes it now. */
export interface DayInPictures {
  kept: DayPart[] | null;
  proposed: DayPart[];
}

export async function dayInPictures(db: Db, visitor: Visitor, group: Class, day: string): Promise<DayInPictures> {
  const [kept, { calendar, meetings }] = await Promise.all([
    keptDay(db, group.id, day),
    meetingsOf(db, visitor, [group], day, day),
  ]);
  const works = await plannedWork(db, [group.id], day, day, calendar.zone);
  const time = (at: Date) => schoolClock(at, calendar.zone).time;
  const lessons = meetings.map(({ starts, ends, label, period }) => ({
    ...{ starts: time(starts), ends: time(ends), label, period },
    works: works.filter(({ meeting }) => meeting?.date === day && meeting.period === period),
  }));
  // Between the first and the last of hers the children are with somebody else: what that is she writes.
  const periods = lessons.map(({ period }) => period);
  const others = calendar.bells.filter(
    ({ weekday, period }) =>
      weekday === weekdayOf(day) &&
      period > Math.min(...periods) &&
      period < Math.max(...periods) &&
      !periods.includes(period),
  );
  const between = others.map(({ starts, ends }) => ({ starts, ends, label: "", works: [] }));
  let made = 0;
  return { kept: kept ?? null, proposed: proposeDay([...lessons, ...between], () => `part-${(made += 1)}`) };
}
