import { Temporal } from "temporal-polyfill";

/** Instants are stored; what is typed is the school's wall clock in its IANA zone. `say-moment` says them. */

/**
 * The instant at which the school's clocks show this. A time skipped in spring is read as the moment after the change;
 * one that comes twice in autumn as the first (ISO 8601 / RFC 5545 leave it open; "compatible" in Temporal).
 * Returns null when the text is no date and time, or one that is not between 2000 and 2199.
 * `fromWallClock("2026-07-01T08:30", "Europe/London").toISOString()` gives `"2026-07-01T07:30:00.000Z"`.
 */
export function fromWallClock(text: string, zone: string): Date | null {
  try {
    const at = Temporal.PlainDateTime.from(text).toZonedDateTime(zone, { disambiguation: "compatible" });
    return at.year >= 2000 && at.year <= 2199 ? new Date(at.epochMilliseconds) : null;
  } catch {
    return null;
  }
}

/**
 * A moment this many school days (Monday to Friday) after `now`'s day, at the hour given.
 * `schoolDayAt(new Date("2026-11-27T09:00Z"), "Europe/London", 1, 15).toISOString()` gives `"2026-11-30T15:00:00.000Z"`.
 */
export function schoolDayAt(now: Date, zone: string, schoolDays: number, hour: number, minute = 0): Date {
  let day = Temporal.Instant.fromEpochMilliseconds(now.getTime()).toZonedDateTimeISO(zone).toPlainDate();
  const step = schoolDays < 0 ? -1 : 1;
  for (let left = Math.abs(schoolDays); left > 0;) {
    day = day.add({ days: step });
    if (day.dayOfWeek <= 5) left -= 1;
  }
  while (day.dayOfWeek > 5) day = day.add({ days: step });
  return new Date(day.toZonedDateTime({ timeZone: zone, plainTime: { hour, minute } }).epochMilliseconds);
}
