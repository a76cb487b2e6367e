import { addDays, schoolClock } from "@/core/calendar/school-calendar";
import { samePlace } from "@/core/plan/move";
import { classById } from "@/data/classes/classes";
import type { Queryable } from "@/data/engine/db";
import { plannedWork } from "@/data/plan/plan";
import { writeCalendar, type CalendarEvent } from "@/formats/icalendar";
import { columnOf } from "../plan/reflow";

const DAYS_BACK = 60;
const DAYS_ON = 190;

/** What a class has, as a calendar: each piece of work in its lesson, and when it is due. */
export async function classCalendar(db: Queryable, classId: number, base: string, now: Date): Promise<string> {
  const group = (await classById(db, classId))!;
  const today = schoolClock(now, "UTC").date;
  const { calendar, meetings } = await columnOf(db, classId, null, addDays(today, -DAYS_BACK));
  const work = await plannedWork(db, [classId], addDays(today, -DAYS_BACK), addDays(today, DAYS_ON), calendar.zone);
  const events = work.flatMap((one): CalendarEvent[] => {
    const title = one.part ? `${one.title}, ${one.part}` : one.title;
    const meeting = one.meeting && meetings.find((other) => samePlace(other, one.meeting!));
    const common = { address: `${base}/student/${one.id}`, changed: now };
    const text = `${group.name}, ${one.minutes} minutes`;
    const due: CalendarEvent = {
      ...common,
      uid: `work-${one.id}-due@golden-satchel`,
      title: `Due: ${title}`,
      text,
      starts: one.due,
      ends: one.due,
    };
    const opening: CalendarEvent = {
      ...common,
      uid: `work-${one.id}@golden-satchel`,
      title,
      text,
      starts: meeting?.starts ?? one.opens,
      ends: meeting?.ends ?? one.opens,
    };
    // What is done in its lesson is one event and not two.
    return meeting && one.due <= meeting.ends ? [opening] : [opening, due];
  });
  return writeCalendar(group.name, events);
}
