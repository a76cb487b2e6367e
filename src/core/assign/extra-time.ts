import {
  momentAt,
  schoolClock,
  schoolDaysBetween,
  schoolDaysLater,
  type SchoolCalendar,
} from "../calendar/school-calendar";
import type { Times } from "../plan/move";

/** Common practice: 1.25, 1.5 and 2 times as long. */
export const factors = [1, 1.25, 1.5, 2] as const;

export const formatFactor: Record<number, string> = {
  1.25: "a quarter more time",
  1.5: "one and a half times as long",
  2: "twice as long",
};

/**
 * When work is due for someone with more time. Within one day the minutes are multiplied; over several the school days
 * are, rounded up, at the same hour: nobody is due at 3 at night.
 * `withExtraTime(isles, { opens: new Date("2026-12-01T09:00:00Z"), due: new Date("2026-12-01T10:00:00Z"), closes: null }, 1.5).due` gives `new Date("2026-12-01T10:30:00Z")`.
 */
export function withExtraTime(calendar: SchoolCalendar, times: Times, factor: number): Times {
  if (factor === 1) return times;
  const opens = schoolClock(times.opens, calendar.zone);
  const due = schoolClock(times.due, calendar.zone);
  const days = schoolDaysBetween(calendar, opens.date, due.date);
  const later =
    opens.date === due.date || days === 0
      ? new Date(times.opens.getTime() + (times.due.getTime() - times.opens.getTime()) * factor)
      : laterDay(calendar, opens.date, Math.ceil(days * factor), due.time);
  const longer = later ?? times.due;
  return { ...times, due: longer, closes: times.closes && longer > times.closes ? longer : times.closes };
}

function laterDay(calendar: SchoolCalendar, from: string, days: number, time: string): Date | null {
  const date = schoolDaysLater(calendar, from, days);
  return date === null ? null : momentAt(date, time, calendar.zone);
}
