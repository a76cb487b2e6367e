import { z } from "zod";
import { PlainDate } from "../calendar/plain-date";
import {
  addDays,
  momentAt,
  nthMeeting,
  schoolClock,
  schoolDaysLater,
  SEMESTER_WEEKS,
  type Meeting,
  type MeetingRule,
  type SchoolCalendar,
} from "../calendar/school-calendar";
import { formatMoment } from "../calendar/format-moment";
import { fromWallClock } from "../calendar/wall-clock";
import type { Times } from "../plan/move";
import { works } from "../content/vocabulary";
import { Sharing } from "../review/sharing";

const Id = z.number().int().positive();
const WallTime = z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$/, "A time is written like 08:50.");

/** When work opens. "meeting": the n-th next meeting of each class, 1 the next; "place": one meeting that was picked. */
export const Opens = z.discriminatedUnion("kind", [
  z.object({ kind: z.literal("now") }),
  z.object({ kind: z.literal("at"), at: z.string().max(30) }),
  z.object({ kind: z.literal("meeting"), n: z.number().int().min(1).max(200) }),
  z.object({ kind: z.literal("place"), date: PlainDate, period: z.number().int().min(1).max(20) }),
]);
export type Opens = z.infer<typeof Opens>;

/** When it is due. "meeting end": when the meeting it opens at is over; "days": school days after it opens. */
export const Due = z.discriminatedUnion("kind", [
  z.object({ kind: z.literal("at"), at: z.string().max(30) }),
  z.object({ kind: z.literal("meeting end") }),
  z.object({ kind: z.literal("days"), days: z.number().int().min(0).max(90), time: WallTime }),
]);
export type Due = z.infer<typeof Due>;

/** Until when it can be handed in. "never": also after it is due. "due": until then. Else a time of its own, not before it is due. */
export const Closes = z.union([z.enum(["never", "due"]), z.object({ at: z.string().max(30) })]);
export type Closes = z.infer<typeof Closes>;

/** What a teacher decides when she gives work. Times are the school's wall clock, as typed. */
export const AssignForm = z.object({
  resources: z.array(Id).min(1).max(60),
  to: z
    .array(z.object({ class: Id, students: z.array(Id).min(1, "Choose at least one student.").max(400) }))
    .min(1, "Choose at least one student.")
    .max(12),
  /** Who gets another version than the resource itself; `of`: which of the resources it is a version of. */
  versions: z.array(z.object({ student: Id, of: Id, resource: Id })).max(2_000),
  /** Whose time is another than what is kept of her. */
  factors: z.array(z.object({ student: Id, factor: z.number().min(1).max(2) })).max(400),
  opens: Opens,
  due: Due,
  closes: Closes,
  /** Several resources: all at once, or one in each meeting from the first on. */
  spread: z.enum(["together", "one a meeting"]),
  /** Several resources: each opens when the one before has been handed in. */
  inOrder: z.boolean(),
  /** Opens for each student when this earlier work of the same class is handed in; null: it waits for nothing. */
  after: Id.nullable(),
  /** The only days it is open, where not on every one. */
  openDays: z.array(PlainDate).max(90).nullable(),
  /** Split over this many lessons at these steps: the steps of each part. */
  parts: z
    .array(z.array(z.string().max(40)).min(1))
    .min(2)
    .max(20)
    .nullable(),
  /** Only these steps of the one resource, in one piece; null: all of it. */
  steps: z.array(z.string().max(40)).min(1, "Choose at least one step.").max(100).nullable(),
  /** The work it comes after because of its result: the two are compared; null: it stands by itself. */
  follows: Id.nullable(),
  /** Steps, of whichever of the resources, done otherwise than their author says. */
  stepWork: z.array(z.object({ step: z.string().max(40), work: z.enum(works) })).max(600),
  tries: z.number().int().min(1).max(20).nullable(),
  keep: z.enum(["best", "last", "first"]),
  checking: z.enum(["at once", "at the end", "after due", "never"]),
  goals: z.array(z.string().trim().min(1).max(60)).max(8),
  sharing: Sharing,
});
export type AssignForm = z.infer<typeof AssignForm>;

export interface When extends Times {
  /** The meeting it is planned for, when it opens at one. */
  meeting: Meeting | null;
}

/** A time that cannot be: refused, with the reason. */
export interface WhenProblem {
  field: "opens" | "due" | "closes";
  reason: string;
}

/** `isProblem({ field: "due", reason: "Say when it is due." })` gives `true`. */
export const isProblem = (when: When | WhenProblem): when is WhenProblem => "reason" in when;

type Timed = Pick<AssignForm, "opens" | "due" | "closes">;

interface Opened {
  opens: Date;
  meeting: Meeting | null;
}

function opening(
  form: Opens,
  calendar: SchoolCalendar,
  rules: readonly MeetingRule[],
  now: Date,
  later: number,
): Opened | WhenProblem {
  switch (form.kind) {
    case "now":
      return { opens: now, meeting: null };
    case "at": {
      const at = fromWallClock(form.at, calendar.zone);
      return at ? { opens: at, meeting: null } : { field: "opens", reason: "This is not a date and time we can read." };
    }
    case "meeting":
    case "place": {
      const [after, n] =
        form.kind === "meeting"
          ? [now, form.n + later]
          : [new Date(momentAt(form.date, "00:00", calendar.zone).getTime() - 1), 1 + later];
      const wanted =
        form.kind === "meeting"
          ? nthMeeting(calendar, rules, after, n)
          : meetingFrom(calendar, rules, form.date, form.period, later);
      return wanted
        ? { opens: wanted.starts, meeting: wanted }
        : { field: "opens", reason: "The class no longer meets then. Choose another lesson." };
    }
  }
}

/** The meeting on a date in a period, or this many of the class's meetings after it. */
function meetingFrom(
  calendar: SchoolCalendar,
  rules: readonly MeetingRule[],
  date: string,
  period: number,
  later: number,
): Meeting | null {
  const midnight = new Date(momentAt(date, "00:00", calendar.zone).getTime() - 1);
  for (let n = 1; n <= 20; n += 1) {
    const meeting = nthMeeting(calendar, rules, midnight, n);
    if (!meeting || meeting.date !== date) return null;
    // Of the same sort: maths goes on in maths, not in the next lesson of the day.
    const same = rules.filter((rule) => rule.label === meeting.label);
    if (meeting.period === period) return later === 0 ? meeting : nthMeeting(calendar, same, meeting.starts, later);
  }
  return null;
}

function dueMoment(form: Due, opened: Opened, calendar: SchoolCalendar): Date | WhenProblem {
  switch (form.kind) {
    case "at":
      return fromWallClock(form.at, calendar.zone) ?? { field: "due", reason: "Say when it is due." };
    case "meeting end":
      return (
        opened.meeting?.ends ?? {
          field: "due",
          reason: "It does not open in a lesson, so it cannot be due at the end of one.",
        }
      );
    case "days": {
      const date = schoolDaysLater(calendar, schoolClock(opened.opens, calendar.zone).date, form.days);
      return date === null
        ? { field: "due", reason: "The school's calendar ends before that." }
        : momentAt(date, form.time, calendar.zone);
    }
  }
}

/**
 * When work opens, is due and closes for one class. `later`: how many meetings after the first, for what is spread over
 * several.
 * `whenFor(base, isles, daily, new Date("2026-11-26T08:00:00Z")).due` gives `new Date("2026-12-01T15:00:00Z")`.
 */
export function whenFor(
  form: Timed,
  calendar: SchoolCalendar,
  rules: readonly MeetingRule[],
  now: Date,
  later = 0,
): When | WhenProblem {
  const opened = opening(form.opens, calendar, rules, now, later);
  if ("reason" in opened) return opened;
  const due = dueMoment(form.due, opened, calendar);
  if ("reason" in due) return due;
  const { zone } = calendar;
  if (due <= now)
    return { field: "due", reason: `${formatMoment(due, zone, now)} is already past. Choose a later time.` };
  if (due <= opened.opens)
    return { field: "due", reason: `It would be due before it opens (${formatMoment(opened.opens, zone, now)}).` };
  const last = addDays(schoolClock(now, zone).date, SEMESTER_WEEKS * 7);
  if (schoolClock(due, zone).date > last)
    return { field: "due", reason: `Nothing is planned further ahead than ${SEMESTER_WEEKS} weeks.` };
  const closes = closingMoment(form.closes, due, zone, now);
  return closes && "reason" in closes ? closes : { ...opened, due, closes };
}

/**
 * When it closes; null: never. A time of its own is not before it is due.
 * `closingMoment("never", new Date(), "Europe/London", new Date())` gives `null`.
 */
export function closingMoment(closes: Closes, due: Date, zone: string, now: Date): Date | null | WhenProblem {
  if (closes === "never") return null;
  if (closes === "due") return due;
  const at = fromWallClock(closes.at, zone);
  if (!at) return { field: "closes", reason: "Say when it closes." };
  return at < due
    ? { field: "closes", reason: `It would close before it is due (${formatMoment(due, zone, now)}).` }
    : at;
}

export type AssignmentState = "scheduled" | "open" | "finished" | "called back";

/** `stateOf({ opens: new Date("2026-12-01"), due: new Date("2026-12-04"), calledBack: null }, new Date("2026-11-30"))` gives `"scheduled"`. */
export function stateOf(assignment: { opens: Date; due: Date; calledBack: Date | null }, now: Date): AssignmentState {
  if (assignment.calledBack) return "called back";
  if (now < assignment.opens) return "scheduled";
  return now <= assignment.due ? "open" : "finished";
}
