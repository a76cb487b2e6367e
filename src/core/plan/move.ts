import {
  momentAt,
  schoolClock,
  schoolDaysBetween,
  schoolDaysLater,
  type Meeting,
  type SchoolCalendar,
} from "../calendar/school-calendar";

/** When work is given: instants. `closes` null: it stays open after it is due. */
export interface Times {
  opens: Date;
  due: Date;
  closes: Date | null;
}

/** Work with the meeting it is planned for. */
export interface Planned extends Times {
  id: number;
  meeting: { date: string; period: number };
}

export interface Move {
  id: number;
  to: { date: string; period: number };
  times: Times;
}

type Place = Pick<Meeting, "date" | "period">;
/** `samePlace({ date: "2026-12-01", period: 1 }, { date: "2026-12-01", period: 2 })` gives `false`. */
export const samePlace = (one: Place, other: Place): boolean => one.date === other.date && one.period === other.period;

/**
 * The times of work that goes from one meeting to another. What was at the old meeting's beginning or end is at the new
 * one's; everything else keeps its wall-clock time and its distance in school days, so that "due two school days later
 * at 3" stays that over a weekend, a day off and a change of the clocks. Null when the calendar ends before that.
 * `movedTimes(isles, { opens: new Date("2026-12-01T09:00:00Z"), due: new Date("2026-12-01T15:00:00Z"), closes: null }, { date: "2026-12-01", starts: new Date("2026-12-01T09:00:00Z"), ends: new Date("2026-12-01T09:45:00Z") }, { date: "2026-12-03", starts: new Date("2026-12-03T13:00:00Z"), ends: new Date("2026-12-03T14:00:00Z") }).opens` gives `new Date("2026-12-03T13:00:00Z")`.
 */
export function movedTimes(
  calendar: SchoolCalendar,
  times: Times,
  from: Pick<Meeting, "date" | "starts" | "ends">,
  to: Pick<Meeting, "date" | "starts" | "ends">,
): Times | null {
  const moved = (moment: Date): Date | null => {
    if (moment.getTime() === from.starts.getTime()) return to.starts;
    if (moment.getTime() === from.ends.getTime()) return to.ends;
    const { date, time } = schoolClock(moment, calendar.zone);
    const days =
      date >= from.date ? schoolDaysBetween(calendar, from.date, date) : -schoolDaysBetween(calendar, date, from.date);
    const target = days === 0 ? to.date : schoolDaysLater(calendar, to.date, days);
    return target === null ? null : momentAt(target, time, calendar.zone);
  };
  const [opens, due, closes] = [moved(times.opens), moved(times.due), times.closes && moved(times.closes)];
  if (!opens || !due || (times.closes && !closes)) return null;
  // A meeting that is shorter, or later in the day, must not turn the order round.
  const ordered = due > opens ? due : new Date(opens.getTime() + (times.due.getTime() - times.opens.getTime()));
  return { opens, due: ordered, closes: closes && closes < ordered ? ordered : closes };
}

export interface Reflow {
  moves: Move[];
  /** Work for which no meeting is left before the calendar ends. */
  stuck: number[];
}

/**
 * Moves everything that is planned from a day on. `before` and `after` are the meetings of one column (a class and what
 * it does then) in order: as they were, and as they are. With `by` 0 what stood in the n-th meeting from that day on
 * stands in the n-th again, which is what a lost day needs; `by` 1 leaves the first meeting free.
 *
 *   before   Mon  Tue  Wed  Thu          after a storm on Tue, by 0
 *             a    b    c    d
 *   after    Mon   .   Wed  Thu  Fri      a stays, b → Wed, c → Thu, d → Fri
 */
export function reflow(
  calendar: SchoolCalendar,
  planned: readonly Planned[],
  before: readonly Meeting[],
  after: readonly Meeting[],
  from: Place,
  by: number,
): Reflow {
  const atOrAfter = (meeting: Place) =>
    meeting.date > from.date || (meeting.date === from.date && meeting.period >= from.period);
  const old = before.filter(atOrAfter);
  const now = after.filter(atOrAfter);
  const result: Reflow = { moves: [], stuck: [] };
  for (const work of planned) {
    const at = old.findIndex((meeting) => samePlace(meeting, work.meeting));
    if (at < 0) continue;
    const target = now[at + by];
    if (target && samePlace(target, work.meeting)) continue;
    const times = target && movedTimes(calendar, work, old[at]!, target);
    if (times) result.moves.push({ id: work.id, to: { date: target.date, period: target.period }, times });
    else result.stuck.push(work.id);
  }
  return result;
}
