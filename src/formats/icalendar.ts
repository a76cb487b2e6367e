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
const MOST_EVENTS = 5_000;
const MOST_PROBLEMS = 100;
/** As far as one rule is followed, and all rules of a file together, in days, weeks, months or years as each counts. */
const MOST_TURNS = 10_000;
const MOST_TURNS_IN_ALL = 10_000;

type Component = InstanceType<typeof ICAL.Component>;

/**
 * Days off from a calendar file: its all-day events between two dates, both included, recurring ones written out. Events
 * with a time of day, or that cannot be read, are left out and named; the others are taken.
 * @throws CalendarError when the file is no iCalendar
 */
export function readDaysOff(text: string, from: string, to: string): ReadDaysOff {
  const events = eventsOf(text);
  const days = new Map<string, string>();
  const problems: string[] = [];
  const rules: Rules = { known: new Map(), turnsLeft: MOST_TURNS_IN_ALL };
  for (const lines of events.slice(0, MOST_EVENTS)) {
    let name = "Day off";
    try {
      const entry = readEvent(lines);
      name = textOf(entry, "summary").slice(0, 60) || name;
      if (textOf(entry, "status") === "CANCELLED") continue;
      for (const date of daysOf(entry, rules, from, to)) days.set(date, name);
    } catch (error) {
      name = /^SUMMARY[^:\r\n]*:(.{1,60})/m.exec(lines)?.[1] ?? name;
      problems.push(`“${name}” ${error instanceof EventProblem ? error.message : "cannot be read."}`);
    }
  }
  if (events.length > MOST_EVENTS) problems.push(`Only the first ${MOST_EVENTS} events were read.`);
  const more = problems.length - MOST_PROBLEMS;
  return {
    days: [...days].map(([date, name]) => ({ date, name })).sort((one, other) => one.date.localeCompare(other.date)),
    problems: more > 0 ? [...problems.slice(0, MOST_PROBLEMS), `And ${more} more like these.`] : problems,
  };
}

/** Why one event is left out; goes on from its name. */
class EventProblem extends Error {}

/** The lines of each event. They are read one by one, so that a bad one among many spoils only itself. */
function eventsOf(text: string): string[] {
  const lines = text.replace(/^\uFEFF/, "").split(/\r\n|\r|\n/);
  const first = lines.find((line) => line.trim() !== "") ?? "";
  if (first.trim().toUpperCase() !== "BEGIN:VCALENDAR")
    throw new CalendarError("This is not a calendar file (iCalendar, .ics).");
  const events: string[] = [];
  let open: string[] | null = null;
  for (const line of lines) {
    const sign = line.trimEnd().toUpperCase();
    if (sign === "BEGIN:VEVENT") open = [];
    open?.push(line);
    if (sign === "END:VEVENT" && open) {
      events.push(open.join("\r\n"));
      open = null;
    }
  }
  if (open) throw new CalendarError("This calendar file is cut off: its last event has no end.");
  return events;
}

/** @throws Error of the library's for what is no event */
function readEvent(lines: string): Component {
  const calendar = ICAL.parse(`BEGIN:VCALENDAR\r\n${lines}\r\nEND:VCALENDAR`);
  return new ICAL.Component(calendar as never).getFirstSubcomponent("vevent")!;
}

const textOf = (entry: Component, name: string): string => String(entry.getFirstPropertyValue(name) ?? "");

/** Rules written out already, by their text, and how far rules may still be followed. */
interface Rules {
  known: Map<string, Temporal.PlainDate[]>;
  turnsLeft: number;
}

/** The days of one event that lie between two dates. */
function daysOf(entry: Component, rules: Rules, from: string, to: string): string[] {
  const start = entry.getFirstPropertyValue("dtstart");
  if (!(start instanceof ICAL.Time)) throw new EventProblem("has no date.");
  if (!start.isDate) throw new EventProblem("has a time of day: only whole days are taken.");
  const first = dateOf(entry, "dtstart");
  const length = lengthOf(entry, first);
  const found: string[] = [];
  for (const date of occurrences(entry, first, rules, from, to))
    for (let day = 0; day < Math.min(Math.max(1, length), MOST_DAYS); day += 1) {
      const one = date.add({ days: day }).toString();
      if (one >= from && one <= to) found.push(one);
    }
  return found;
}

/**
 * A whole day as the file writes it: the library would make 3 March of 31 February.
 * @throws EventProblem for a day that is in no calendar
 */
function dateOf(entry: Component, name: "dtstart" | "dtend"): Temporal.PlainDate {
  const written = String((entry.getFirstProperty(name)!.toJSON() as unknown[])[3]);
  try {
    return Temporal.PlainDate.from(written, { overflow: "reject" });
  } catch {
    throw new EventProblem(`has an impossible date: ${written.slice(0, 20)}.`);
  }
}

/** How many days an event takes: up to the day before DTEND, or DURATION, or one (RFC 5545, 3.6.1). */
function lengthOf(entry: Component, first: Temporal.PlainDate): number {
  if (entry.getFirstProperty("dtend")) return first.until(dateOf(entry, "dtend"), { largestUnit: "days" }).days;
  const duration = entry.getFirstPropertyValue("duration");
  return duration instanceof ICAL.Duration ? Math.ceil(duration.toSeconds() / 86_400) : 1;
}

const midnight = (date: string) => new Date(`${date}T00:00:00Z`);

/** The first days of an event between two dates, its recurrence written out and its exceptions left out. */
function occurrences(
  entry: Component,
  first: Temporal.PlainDate,
  rules: Rules,
  from: string,
  to: string,
): Temporal.PlainDate[] {
  const rule = entry.getFirstProperty("rrule");
  if (!rule) return [first];
  const value = String(rule.getFirstValue());
  const key = `${first} ${value}`;
  const dates = rules.known.get(key) ?? datesOf(first, value, rules, from, to);
  rules.known.set(key, dates);
  const except = new Set(
    entry
      .getAllProperties("exdate")
      .flatMap((property) => property.getValues().map((date) => String(date).slice(0, 10))),
  );
  return dates.filter((date) => !except.has(date.toString()));
}

const daysIn = { DAILY: 1, WEEKLY: 7, MONTHLY: 28, YEARLY: 365 };

function datesOf(
  first: Temporal.PlainDate,
  rule: string,
  rules: Rules,
  from: string,
  to: string,
): Temporal.PlainDate[] {
  const frequency = /FREQ=(DAILY|WEEKLY|MONTHLY|YEARLY)/.exec(rule)?.[1] as keyof typeof daysIn | undefined;
  if (!frequency) throw new EventProblem("repeats in a way that is not by days, weeks, months or years.");
  const start = nearer(first, frequency, rule, from);
  const turns = start.until(to, { largestUnit: "days" }).days / daysIn[frequency];
  if (turns > rules.turnsLeft) throw new EventProblem("repeats; there are too many repeating events in this file.");
  rules.turnsLeft -= Math.max(1, turns);
  try {
    return new RRuleTemporal({
      rruleString: `DTSTART;TZID=UTC:${start.toString().replaceAll("-", "")}T000000\nRRULE:${rule}`,
      maxIterations: MOST_TURNS,
      maxCandidateEvaluations: 4 * MOST_TURNS,
    })
      .between(midnight(from), midnight(to), true)
      .slice(0, MOST_DAYS)
      .map((at) => Temporal.PlainDate.from(at.toString().slice(0, 10)));
  } catch {
    throw new EventProblem("repeats in a way that cannot be read.");
  }
}

/** A rule by days or weeks that is not counted goes on the same from any of its turns: the last before `from` is enough. */
function nearer(first: Temporal.PlainDate, frequency: string, rule: string, from: string): Temporal.PlainDate {
  if (/COUNT=/.test(rule) || (frequency !== "DAILY" && frequency !== "WEEKLY")) return first;
  const interval = Number(/INTERVAL=(\d{1,4})/.exec(rule)?.[1] ?? 1);
  const turn = (frequency === "DAILY" ? 1 : 7) * Math.max(1, interval);
  const away = first.until(from, { largestUnit: "days" }).days;
  return away > 2 * turn ? first.add({ days: (Math.floor(away / turn) - 1) * turn }) : first;
}
