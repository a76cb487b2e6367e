import { addDays, type SchoolCalendar } from "@/core/calendar/school-calendar";

/** A stretch of school days: a term, or all of a school year. */
export interface Stretch {
  name: string;
  from: string;
  to: string;
}

/** The terms of a calendar that have begun, the latest first, and the year they make. */
export function stretchesOf(calendar: SchoolCalendar, today: string): Stretch[] {
  const begun = calendar.terms
    .filter(({ from }) => from <= today)
    .toSorted((one, other) => (one.from < other.from ? 1 : -1));
  if (begun.length === 0) return [{ name: "the last year", from: addDays(today, -365), to: addDays(today, 126) }];
  const year = begun.filter(({ from }) => from > addDays(today, -330));
  const all = calendar.terms.filter(({ from }) => from >= (year.at(-1) ?? begun[0]!).from);
  const last = all
    .map(({ to }) => to)
    .toSorted()
    .at(-1)!;
  const whole = { name: "the school year", from: (year.at(-1) ?? begun[0]!).from, to: last };
  return [...begun.map(({ name, from, to }) => ({ name, from, to })), whole];
}
