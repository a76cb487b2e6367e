import { schoolClock, type Meeting } from "@/core/calendar/school-calendar";
import type { Assignment } from "@/data/assign/assignments";
import type { Place } from "@/data/assign/places";
import type { Queryable } from "@/data/engine/db";
import { columnOf, moveTo } from "../plan/reflow";

/** The next lesson of a class, and where work goes that is to go on in it; null: none is to come. */
export async function nextLesson(
  db: Queryable,
  work: Pick<Assignment, "id" | "class" | "meeting" | "due" | "closes">,
  now: Date,
  zone: string,
): Promise<{ meeting: Meeting; place: Place & { id: number } } | null> {
  const { meetings } = await columnOf(db, work.class, null, schoolClock(now, zone).date);
  const meeting = meetings.find(({ starts }) => starts > now);
  if (!meeting) return null;
  if (work.meeting) {
    const place = await moveTo(db, work.id, meeting);
    return place && { meeting, place };
  }
  // What was opened on the spot has no lesson of its own yet: it opens and is due with this one.
  const { starts, ends, date, period } = meeting;
  const [due, closes] = [work.due > ends ? work.due : ends, work.closes && work.closes > ends ? work.closes : null];
  return { meeting, place: { id: work.id, opens: starts, due, closes, meeting: { date, period } } };
}
