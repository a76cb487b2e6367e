import { Temporal } from "temporal-polyfill";

/** Instants are stored; what is shown and typed is the school's wall clock in its IANA zone. */

const months = ["Jan", "Feb", "Mar", "Apr", "May", "Jun", "Jul", "Aug", "Sep", "Oct", "Nov", "Dec"];
const weekdays = ["Mon", "Tue", "Wed", "Thu", "Fri", "Sat", "Sun"];
const longWeekdays = ["Monday", "Tuesday", "Wednesday", "Thursday", "Friday", "Saturday", "Sunday"];

function zoned(instant: Date, zone: string): Temporal.ZonedDateTime {
  return Temporal.Instant.fromEpochMilliseconds(instant.getTime()).toZonedDateTimeISO(zone);
}

/** The part of the day in words: morning until noon, evening from six. */
export function partOfDay(hour: number): "at night" | "in the morning" | "in the afternoon" | "in the evening" {
  if (hour < 5) return "at night";
  if (hour < 12) return "in the morning";
  if (hour < 18) return "in the afternoon";
  return "in the evening";
}

/** "7 in the morning", "quarter past 10 in the morning", "noon", "3:20 in the afternoon". */
export function sayTime(hour: number, minute: number): string {
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

/** "Tue 2 Mar, 7 in the morning"; the year is said when it is not this one. */
export function sayMoment(instant: Date, zone: string, now: Date): string {
  const at = zoned(instant, zone);
  return `${sayDay(instant, zone, now)}, ${sayTime(at.hour, at.minute)}`;
}

/** "Tue 2 Mar", with the year when it is not this one. */
export function sayDay(instant: Date, zone: string, now: Date): string {
  const at = zoned(instant, zone);
  const year = at.year === zoned(now, zone).year ? "" : ` ${at.year}`;
  return `${weekdays[at.dayOfWeek - 1]} ${at.day} ${months[at.month - 1]}${year}`;
}

/** For children: "today", "tomorrow", "Thursday", or a date further off; then the time in words. */
export function sayForChildren(instant: Date, zone: string, now: Date): string {
  const at = zoned(instant, zone);
  const days = zoned(now, zone).toPlainDate().until(at.toPlainDate(), { largestUnit: "days" }).days;
  const day =
    days === 0
      ? "today"
      : days === 1
        ? "tomorrow"
        : days > 1 && days < 7
          ? longWeekdays[at.dayOfWeek - 1]!
          : `${weekdays[at.dayOfWeek - 1]} ${at.day} ${months[at.month - 1]}`;
  return `${day}, ${sayTime(at.hour, at.minute)}`;
}

/** Day and month as a postmark shows them: { day: "24", month: "NOV" }. */
export function postmark(instant: Date, zone: string): { day: string; month: string } {
  const at = zoned(instant, zone);
  return { day: String(at.day), month: months[at.month - 1]!.toUpperCase() };
}

/** The value of an `<input type="datetime-local">`: "2026-12-01T07:00". */
export function toWallClock(instant: Date, zone: string): string {
  return zoned(instant, zone).toPlainDateTime().toString({ smallestUnit: "minute" });
}

/**
 * The instant at which the school's clocks show this. A time skipped in spring is read as the moment after the change;
 * one that comes twice in autumn as the first (ISO 8601 / RFC 5545 leave it open; "compatible" in Temporal).
 * Returns null when the text is no date and time.
 */
export function fromWallClock(text: string, zone: string): Date | null {
  try {
    const at = Temporal.PlainDateTime.from(text).toZonedDateTime(zone, { disambiguation: "compatible" });
    return new Date(at.epochMilliseconds);
  } catch {
    return null;
  }
}

/** A moment so many school days (Monday to Friday) after `now`'s day, at the hour given. */
export function schoolDayAt(now: Date, zone: string, schoolDays: number, hour: number, minute = 0): Date {
  let day = zoned(now, zone).toPlainDate();
  const step = schoolDays < 0 ? -1 : 1;
  for (let left = Math.abs(schoolDays); left > 0;) {
    day = day.add({ days: step });
    if (day.dayOfWeek <= 5) left -= 1;
  }
  while (day.dayOfWeek > 5) day = day.add({ days: step });
  return new Date(day.toZonedDateTime({ timeZone: zone, plainTime: { hour, minute } }).epochMilliseconds);
}

export function isWeekend(instant: Date, zone: string): boolean {
  return zoned(instant, zone).dayOfWeek > 5;
}

export function hourOf(instant: Date, zone: string): number {
  return zoned(instant, zone).hour;
}
