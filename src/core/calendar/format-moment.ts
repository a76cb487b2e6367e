import type { Temporal } from "temporal-polyfill";

/**
 * Moments in words, by the school's clock. Pages that only say a time need not load what computes with calendars: the
 * clock is read by what the browser brings along.
 */

/** Short names, January first. */
export const months = ["Jan", "Feb", "Mar", "Apr", "May", "Jun", "Jul", "Aug", "Sep", "Oct", "Nov", "Dec"];
/** "Sep, Oct" for 9 and 10, in the order of the year. `formatMonths([10, 9])` gives `"Sep, Oct"`. */
export const formatMonths = (list: readonly number[]): string =>
  [...list]
    .sort((one, other) => one - other)
    .map((month) => months[month - 1])
    .join(", ");
const weekdays = ["Sun", "Mon", "Tue", "Wed", "Thu", "Fri", "Sat"];
const longWeekdays = ["Sunday", "Monday", "Tuesday", "Wednesday", "Thursday", "Friday", "Saturday"];

interface Clock {
  year: number;
  /** 1 to 12. */
  month: number;
  day: number;
  /** 0 to 23. */
  hour: number;
  minute: number;
}

const readers = new Map<string, Intl.DateTimeFormat>();

/**
 * What clock and calendar show in an IANA zone. Throws a RangeError when there is no such zone. Temporal is asked where
 * the browser has it: the first `DateTimeFormat` of a page takes some 40 ms, which is a sixth of opening the editor.
 */
function clockAt(instant: Date, zone: string): Clock {
  const { Temporal: own } = globalThis as { Temporal?: typeof Temporal };
  if (own) return own.Instant.fromEpochMilliseconds(instant.getTime()).toZonedDateTimeISO(zone);
  let reader = readers.get(zone);
  if (!reader) {
    reader = new Intl.DateTimeFormat("en-u-ca-gregory-nu-latn", {
      timeZone: zone,
      hourCycle: "h23",
      year: "numeric",
      month: "numeric",
      day: "numeric",
      hour: "numeric",
      minute: "numeric",
    });
    readers.set(zone, reader);
  }
  const shown = new Map(reader.formatToParts(instant).map(({ type, value }) => [type, Number(value)]));
  const read = (part: keyof Clock) => shown.get(part)!;
  return { year: read("year"), month: read("month"), day: read("day"), hour: read("hour"), minute: read("minute") };
}

/** Days since 1 January 1970, of the date alone. */
const dayNumber = ({ year, month, day }: Clock) => Date.UTC(year, month - 1, day) / 86_400_000;
/** 0 is Sunday. */
const weekday = (at: Clock) => new Date(Date.UTC(at.year, at.month - 1, at.day)).getUTCDay();

/** The part of the day in words: morning until noon, evening from six. `partOfDay(13)` gives `"in the afternoon"`. */
export function partOfDay(hour: number): "at night" | "in the morning" | "in the afternoon" | "in the evening" {
  if (hour < 5) return "at night";
  if (hour < 12) return "in the morning";
  if (hour < 18) return "in the afternoon";
  return "in the evening";
}

/**
 * "7 in the morning", "quarter past 10 in the morning", "noon", "3:20 in the afternoon".
 * `formatTime(15, 20)` gives `"3:20 in the afternoon"`.
 */
export function formatTime(hour: number, minute: number): string {
  if (minute === 0 && hour === 12) return "noon";
  if (minute === 0 && hour === 0) return "midnight";
  const twelve = hour % 12 === 0 ? 12 : hour % 12;
  const next = (hour + 1) % 12 === 0 ? 12 : (hour + 1) % 12;
  const words =
    minute === 0
      ? `${twelve}`
      : minute === 15
        ? `quarter past ${twelve}`
        : minute === 30
          ? `half past ${twelve}`
          : minute === 45
            ? `quarter to ${next}`
            : `${twelve}:${String(minute).padStart(2, "0")}`;
  return `${words} ${partOfDay(hour)}`;
}

/**
 * "Tue 2 Mar, 7 in the morning"; the year is said when it is not this one.
 * `formatMoment(new Date("2026-12-01T07:00Z"), "Europe/London", new Date("2026-11-30T09:00Z"))` gives `"Tue 1 Dec, 7 in the morning"`.
 */
export function formatMoment(instant: Date, zone: string, now: Date): string {
  const at = clockAt(instant, zone);
  return `${formatDay(instant, zone, now)}, ${formatTime(at.hour, at.minute)}`;
}

/**
 * "Tue 2 Mar", with the year when it is not this one.
 * `formatDay(new Date("2026-12-01T07:00Z"), "Europe/London", new Date("2026-11-30T09:00Z"))` gives `"Tue 1 Dec"`.
 */
export function formatDay(instant: Date, zone: string, now: Date): string {
  const at = clockAt(instant, zone);
  const year = at.year === clockAt(now, zone).year ? "" : ` ${at.year}`;
  return `${weekdays[weekday(at)]} ${at.day} ${months[at.month - 1]}${year}`;
}

/**
 * The hour as a clock shows it, "03:43"; with its day when that is not today: "Wed 25 Nov, 03:43".
 * `formatClock(new Date("2026-11-30T09:05Z"), "Europe/London", new Date("2026-11-30T12:00Z"))` gives `"09:05"`.
 */
export function formatClock(instant: Date, zone: string, now: Date): string {
  const day = formatDay(instant, zone, now);
  const clock = toWallClock(instant, zone).slice(11);
  return day === formatDay(now, zone, now) ? clock : `${day}, ${clock}`;
}

/**
 * For children: "today", "tomorrow", "Thursday", or a date further off; then the time in words.
 * `formatForChildren(new Date("2026-12-01T07:00Z"), "Europe/London", new Date("2026-11-30T09:00Z"))` gives `"tomorrow, 7 in the morning"`.
 */
export function formatForChildren(instant: Date, zone: string, now: Date): string {
  const at = clockAt(instant, zone);
  const days = dayNumber(at) - dayNumber(clockAt(now, zone));
  const day =
    days === 0
      ? "today"
      : days === 1
        ? "tomorrow"
        : days > 1 && days < 7
          ? longWeekdays[weekday(at)]!
          : `${weekdays[weekday(at)]} ${at.day} ${months[at.month - 1]}`;
  return `${day}, ${formatTime(at.hour, at.minute)}`;
}

/**
 * Day and month as a postmark shows them: { day: "24", month: "NOV" }.
 * `postmark(new Date("2026-11-24T09:00Z"), "Europe/London")` gives `{ day: "24", month: "NOV" }`.
 */
export function postmark(instant: Date, zone: string): { day: string; month: string } {
  const at = clockAt(instant, zone);
  return { day: String(at.day), month: months[at.month - 1]!.toUpperCase() };
}

/**
 * A moment as fields keep it, on the wall: "2026-12-01T07:00".
 * `toWallClock(new Date("2026-07-01T07:00Z"), "Europe/London")` gives `"2026-07-01T08:00"`.
 */
export function toWallClock(instant: Date, zone: string): string {
  const { year, month, day, hour, minute } = clockAt(instant, zone);
  const two = (number: number) => String(number).padStart(2, "0");
  return `${String(year).padStart(4, "0")}-${two(month)}-${two(day)}T${two(hour)}:${two(minute)}`;
}

/** `hourOf(new Date("2026-07-01T07:00Z"), "Europe/London")` gives `8`. */
export function hourOf(instant: Date, zone: string): number {
  return clockAt(instant, zone).hour;
}
