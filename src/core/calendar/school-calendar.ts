import { Temporal } from "temporal-polyfill";

/**
 * A school's calendar: terms, days off, rotating days and bells; and the class meetings that follow from them. Dates are
 * ISO 8601 calendar dates ("2026-12-01") and times are wall-clock times ("08:50") of the school's IANA zone.
 *
 *   terms       |------------ autumn ------------|      |---- spring …
 *   days        M T W T F   M T W T F   M T W T F
 *   off                         x                       a planned day off takes no letter of the cycle
 *   lost                                  l             a lost day keeps its letter: families have the calendar already
 *   cycle       A B A B A   B A   B A   B A B A B
 */
export interface SchoolCalendar {
  zone: string;
  /** Weekdays with school, 1 Monday … 7 Sunday (ISO 8601). */
  weekdays: readonly number[];
  /** First and last day of each; without any, every week of the year is one of school. */
  terms: readonly { name: string; from: string; to: string }[];
  daysOff: readonly DayOff[];
  /** Days on which one class does not meet, though the school is open. */
  classDaysOff: readonly { class: number; date: string; name: string }[];
  /** Names of the rotating days in order, ["A", "B"]; empty: none. Starts anew with each term. */
  cycle: readonly string[];
  bells: readonly BellTime[];
}

/** "off": planned. "half": lessons end at `until`. "lost": a storm took it after the calendar had gone out. */
export interface DayOff {
  date: string;
  name: string;
  kind: "off" | "half" | "lost";
  until: string | null;
}

export interface BellTime {
  weekday: number;
  period: number;
  starts: string;
  ends: string;
}

/** When a class meets: at a period, on one weekday or on one day of the cycle; on every school day when neither is said. */
export interface MeetingRule {
  class: number;
  /** What is taught then, where a class meets for several subjects: "Reading". */
  label: string;
  period: number;
  weekday: number | null;
  cycleDay: string | null;
}

export interface SchoolDay {
  date: string;
  weekday: number;
  cycleDay: string | null;
  /** Why there is no school, or less of it. */
  off: DayOff | null;
  /** Whether there are lessons at all. */
  open: boolean;
}

export interface Meeting {
  class: number;
  label: string;
  date: string;
  period: number;
  cycleDay: string | null;
  starts: Date;
  ends: Date;
  minutes: number;
}

const dateOf = (text: string) => Temporal.PlainDate.from(text);

/**
 * A plan asks for the same few thousand moments over and over, and zones are slow to ask: the last answers are kept. What is
 * kept never changes, so it is only a matter of time saved.
 */
class Remembered<Value> {
  private readonly known = new Map<string, Value>();
  constructor(private readonly most: number) {}
  get(key: string, make: () => Value): Value {
    const known = this.known.get(key);
    if (known !== undefined) return known;
    if (this.known.size >= this.most) this.known.clear();
    const made = make();
    this.known.set(key, made);
    return made;
  }
}

const moments = new Remembered<number>(20_000);
const offsets = new Remembered<number>(20_000);

/**
 * The moment at which the school's clocks show this; a time skipped in spring is the moment after the change.
 * `momentAt("2026-07-01", "08:30", "Europe/London").toISOString()` gives `"2026-07-01T07:30:00.000Z"`.
 */
export function momentAt(date: string, time: string, zone: string): Date {
  return new Date(
    moments.get(
      `${date}T${time} ${zone}`,
      () =>
        Temporal.PlainDateTime.from(`${date}T${time}`).toZonedDateTime(zone, { disambiguation: "compatible" })
          .epochMilliseconds,
    ),
  );
}

/** Clocks change at full quarters of an hour, everywhere and since long: within one the distance to UTC stays. */
const QUARTER_MS = 900_000;

/**
 * The school's calendar date and wall-clock time at a moment.
 * `schoolClock(new Date("2026-07-01T07:30Z"), "Europe/London")` gives `{ date: "2026-07-01", time: "08:30" }`.
 */
export function schoolClock(moment: Date, zone: string): { date: string; time: string } {
  const at = moment.getTime();
  const quarter = Math.floor(at / QUARTER_MS);
  const offset = offsets.get(
    `${quarter} ${zone}`,
    () => Temporal.Instant.fromEpochMilliseconds(quarter * QUARTER_MS).toZonedDateTimeISO(zone).offsetNanoseconds / 1e6,
  );
  const wall = new Date(at + offset).toISOString();
  return { date: wall.slice(0, 10), time: wall.slice(11, 16) };
}

/** `addDays("2026-11-30", 1)` gives `"2026-12-01"`. */
export const addDays = (date: string, days: number): string => dateOf(date).add({ days }).toString();

/** `daysFrom("2026-11-30", "2026-12-04")` gives `4`. */
export const daysFrom = (from: string, to: string): number =>
  dateOf(from).until(dateOf(to), { largestUnit: "days" }).days;

/** `weekdayOf("2026-11-30")` gives `1`. */
export const weekdayOf = (date: string): number => dateOf(date).dayOfWeek;

/** The Monday of a date's week. `mondayOf("2026-12-04")` gives `"2026-11-30"`. */
export const mondayOf = (date: string): string => addDays(date, 1 - weekdayOf(date));

/** ISO 8601 week: { year: 2026, week: 53 } for 2027-01-01. `isoWeek("2027-01-01")` gives `{ year: 2026, week: 53 }`. */
export function isoWeek(date: string): { year: number; week: number } {
  const { yearOfWeek, weekOfYear } = dateOf(date);
  return { year: yearOfWeek!, week: weekOfYear! };
}

/** Common practice: a semester. Nothing is planned further ahead. */
export const SEMESTER_WEEKS = 18;

/** The days of one term, or of any stretch of school, lettered from its first day on. */
function daysOfTerm(calendar: SchoolCalendar, term: { from: string; to: string }): SchoolDay[] {
  const off = new Map(calendar.daysOff.map((day) => [day.date, day]));
  const days: SchoolDay[] = [];
  let turn = 0;
  const last = dateOf(term.to);
  for (let at = dateOf(term.from); Temporal.PlainDate.compare(at, last) <= 0; at = at.add({ days: 1 })) {
    if (!calendar.weekdays.includes(at.dayOfWeek)) continue;
    const date = at.toString();
    const reason = off.get(date) ?? null;
    const lettered = reason?.kind !== "off" && calendar.cycle.length > 0;
    const cycleDay = lettered ? calendar.cycle[turn % calendar.cycle.length]! : null;
    if (lettered) turn += 1;
    days.push({ date, weekday: at.dayOfWeek, cycleDay, off: reason, open: reason === null || reason.kind === "half" });
  }
  return days;
}

/** All days of a calendar's terms, worked out once for each calendar that was read. */
const daysOfTerms = new WeakMap<SchoolCalendar, SchoolDay[]>();

function allDays(calendar: SchoolCalendar): SchoolDay[] {
  const known = daysOfTerms.get(calendar);
  if (known) return known;
  const terms = [...calendar.terms].sort((one, other) => one.from.localeCompare(other.from));
  const days = terms.flatMap((term) => daysOfTerm(calendar, term));
  daysOfTerms.set(calendar, days);
  return days;
}

/**
 * The days of school between two dates, both included; days off within terms come along, said to be off.
 * `schoolDays(isles, "2026-12-01", "2026-12-03").map(({ open }) => open)` gives `[true, false, true]`.
 */
export function schoolDays(calendar: SchoolCalendar, from: string, to: string): SchoolDay[] {
  if (calendar.terms.length === 0) return from <= to ? daysOfTerm(calendar, { from, to }) : [];
  return allDays(calendar).filter(({ date }) => date >= from && date <= to);
}

const minutesOf = (time: string) => Number(time.slice(0, 2)) * 60 + Number(time.slice(3, 5));

/**
 * The meetings of classes between two dates, both included, in the order they happen.
 * `meetingsBetween(isles, daily, "2026-12-01", "2026-12-03").map(({ date }) => date)` gives `["2026-12-01", "2026-12-03"]`.
 */
export function meetingsBetween(
  calendar: SchoolCalendar,
  rules: readonly MeetingRule[],
  from: string,
  to: string,
): Meeting[] {
  const meetings: Meeting[] = [];
  const bells = new Map(calendar.bells.map((bell) => [`${bell.weekday} ${bell.period}`, bell]));
  const away = new Set(calendar.classDaysOff.map((day) => `${day.class} ${day.date}`));
  const moment = (date: string, time: string) => momentAt(date, time, calendar.zone);
  for (const day of schoolDays(calendar, from, to)) {
    if (!day.open) continue;
    const until = day.off?.until ?? null;
    for (const rule of rules) {
      if (away.has(`${rule.class} ${day.date}`)) continue;
      if (rule.weekday !== null && rule.weekday !== day.weekday) continue;
      if (rule.cycleDay !== null && rule.cycleDay !== day.cycleDay) continue;
      const bell = bells.get(`${day.weekday} ${rule.period}`);
      if (!bell || (until !== null && bell.starts >= until)) continue;
      const ends = until !== null && bell.ends > until ? until : bell.ends;
      meetings.push({
        class: rule.class,
        label: rule.label,
        date: day.date,
        period: rule.period,
        cycleDay: day.cycleDay,
        starts: moment(day.date, bell.starts),
        ends: moment(day.date, ends),
        minutes: minutesOf(ends) - minutesOf(bell.starts),
      });
    }
  }
  return meetings.sort((one, other) => one.starts.getTime() - other.starts.getTime() || one.class - other.class);
}

/**
 * The n-th next meeting that starts after a moment, 1 the next one; within a year, else null.
 * `nthMeeting(isles, daily, new Date("2026-12-01T12:00:00Z"), 1)?.date` gives `"2026-12-03"`.
 */
export function nthMeeting(
  calendar: SchoolCalendar,
  rules: readonly MeetingRule[],
  after: Date,
  n: number,
): Meeting | null {
  let from = schoolClock(after, calendar.zone).date;
  const last = addDays(from, 366);
  let left = n;
  // Most questions are about the next days: the year is looked through by months.
  while (from <= last) {
    const to = addDays(from, 30);
    for (const meeting of meetingsBetween(calendar, rules, from, to)) {
      if (meeting.starts <= after) continue;
      left -= 1;
      if (left === 0) return meeting;
    }
    from = addDays(to, 1);
  }
  return null;
}

const SEARCH_DAYS = 200;

/**
 * The date that many days with school later (or earlier, when negative); 0 is the day itself, or the next with school. Within 200 days
 * of the date, else null.
 * `schoolDaysLater(isles, "2026-12-01", 1)` gives `"2026-12-03"`.
 */
export function schoolDaysLater(calendar: SchoolCalendar, date: string, n: number): string | null {
  if (n < 0) {
    const before = schoolDays(calendar, addDays(date, -SEARCH_DAYS), addDays(date, -1)).filter(({ open }) => open);
    return before.at(n)?.date ?? null;
  }
  const days = schoolDays(calendar, date, addDays(date, SEARCH_DAYS)).filter(({ open }) => open);
  return days[days[0]?.date === date || n === 0 ? n : n - 1]?.date ?? null;
}

/**
 * How many days with school lie after the first date up to the second; 0 for the same day.
 * `schoolDaysBetween(isles, "2026-12-01", "2026-12-04")` gives `2`.
 */
export function schoolDaysBetween(calendar: SchoolCalendar, from: string, to: string): number {
  if (to <= from) return 0;
  return schoolDays(calendar, addDays(from, 1), to).filter(({ open }) => open).length;
}

/** Why there is no school on a date; null when there is. `whyClosed(isles, "2026-12-02")` gives `"Boat day"`. */
export function whyClosed(calendar: SchoolCalendar, date: string): string | null {
  const [day] = schoolDays(calendar, date, date);
  if (day?.open) return null;
  if (day?.off) return day.off.name;
  return calendar.weekdays.includes(weekdayOf(date)) ? "between terms" : "the weekend";
}
