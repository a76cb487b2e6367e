import ICAL from "ical.js";
import { RRuleTemporal } from "rrule-temporal";
import { Temporal } from "temporal-polyfill";

/** RFC 5545, written with ical.js; recurrence read with rrule-temporal, which is right about BYDAY and BYWEEKNO. */

export interface CalendarEvent {
  /** The same event has the same one for ever: a calendar that is read again changes it and does not add another. */
  uid: string;
  title: string;
  text: string;
  starts: Date;
  /** The same moment for something due: it takes no time. */
  ends: Date;
  /** Where it can be opened. */
  address: string;
  changed: Date;
}

const utc = (moment: Date) => ICAL.Time.fromJSDate(moment, true);

/** A calendar that others can subscribe to. Times are UTC: every reader shows them on its own clock. */
export function writeCalendar(name: string, events: readonly CalendarEvent[]): string {
  const calendar = new ICAL.Component("vcalendar");
  calendar.addPropertyWithValue("version", "2.0");
  calendar.addPropertyWithValue("prodid", "-//Skerry Isles//Golden Satchel//EN");
  calendar.addPropertyWithValue("calscale", "GREGORIAN");
  calendar.addPropertyWithValue("name", name);
  calendar.addPropertyWithValue("x-wr-calname", name);
  for (const event of events) {
    const entry = new ICAL.Component("vevent");
    entry.addPropertyWithValue("uid", event.uid);
    entry.addPropertyWithValue("dtstamp", utc(event.changed));
    entry.addPropertyWithValue("dtstart", utc(event.starts));
    if (event.ends > event.starts) entry.addPropertyWithValue("dtend", utc(event.ends));
    entry.addPropertyWithValue("summary", event.title);
    if (event.text) entry.addPropertyWithValue("description", event.text);
    entry.addPropertyWithValue("url", event.address);
    calendar.addSubcomponent(entry);
  }
  return `${calendar.toString()}\r\n`;
}

export interface ReadDaysOff {
  days: { date: string; name: string }[];
  /** What was left out, and why. */
  problems: string[];
}

/** Why a file is no calendar. */
export class CalendarError extends Error {
  constructor(message: string) {
    super(message);
    this.name = "CalendarError";
  }
}

const MOST_DAYS = 400;

/**
 * Days off from a calendar file: its all-day events between two dates, both included, recurring ones written out. Events
 * with a time of day are left out and named.
 * @throws CalendarError when the file is no iCalendar
 */
export function readDaysOff(text: string, from: string, to: string): ReadDaysOff {
  let calendar: InstanceType<typeof ICAL.Component>;
  try {
    const parsed = ICAL.parse(text) as unknown[];
    calendar = new ICAL.Component((Array.isArray(parsed[0]) ? parsed[0] : parsed) as never);
  } catch (error) {
    throw new CalendarError(`This is no calendar file (iCalendar, .ics): ${(error as Error).message}`);
  }
  if (calendar.name !== "vcalendar") throw new CalendarError("This is no calendar file: it does not begin as one.");
  const days = new Map<string, string>();
  const problems: string[] = [];
  for (const entry of calendar.getAllSubcomponents("vevent")) {
    const name = String(entry.getFirstPropertyValue("summary") ?? "Day off").slice(0, 60);
    const start = entry.getFirstPropertyValue("dtstart");
    if (!(start instanceof ICAL.Time)) {
      problems.push(`“${name}” has no date.`);
      continue;
    }
    if (!start.isDate) {
      problems.push(`“${name}” has a time of day: only whole days are taken.`);
      continue;
    }
    const end = entry.getFirstPropertyValue("dtend");
    const first = Temporal.PlainDate.from(start.toString());
    // DTEND of whole days is the day after the last (RFC 5545, 3.6.1).
    const length =
      end instanceof ICAL.Time ? first.until(Temporal.PlainDate.from(end.toString().slice(0, 10))).days : 1;
    try {
      for (const date of occurrences(entry, first, from, to))
        for (let day = 0; day < Math.min(Math.max(1, length), MOST_DAYS); day += 1) {
          const one = date.add({ days: day }).toString();
          if (one >= from && one <= to) days.set(one, name);
        }
    } catch (error) {
      problems.push(`“${name}”: its recurrence could not be read (${(error as Error).message}).`);
    }
  }
  return {
    days: [...days].map(([date, name]) => ({ date, name })).sort((one, other) => one.date.localeCompare(other.date)),
    problems,
  };
}

/** The first days of an event between two dates, its recurrence written out and its exceptions left out. */
function occurrences(
  entry: InstanceType<typeof ICAL.Component>,
  first: Temporal.PlainDate,
  from: string,
  to: string,
): Temporal.PlainDate[] {
  const rule = entry.getFirstProperty("rrule");
  if (!rule) return [first];
  const value = rule.getFirstValue();
  const text = `DTSTART;TZID=UTC:${first.toString().replaceAll("-", "")}T000000\nRRULE:${String(value)}`;
  const except = new Set(
    entry
      .getAllProperties("exdate")
      .flatMap((property) => property.getValues().map((date) => String(date).slice(0, 10))),
  );
  const rules = new RRuleTemporal({ rruleString: text });
  const midnight = (date: string) => new Date(`${date}T00:00:00Z`);
  return rules
    .between(midnight(from), midnight(to), true)
    .slice(0, MOST_DAYS)
    .map((at) => Temporal.PlainDate.from(at.toString().slice(0, 10)))
    .filter((date) => !except.has(date.toString()));
}
