import { momentAt, schoolClock, schoolDaysLater, whyClosed } from "../calendar/school-calendar";
import { hourOf, partOfDay, formatDay, formatMoment, formatTime } from "../calendar/format-moment";
import { formatReadingGrade } from "../content/grade";
import { fitOf } from "../fit/fit";
import { splitAfter, stepMinutes } from "../plan/parts";
import { CROWDED } from "../plan/way-out";
import { leaveOut } from "./leave-out";
import type { Finding, LookedAt, LookedClass, LookedResource, Remedy } from "./finding";
import { isProblem, type AssignForm, type When } from "./form";

/** Common practice: more than two things due for one child on one day is too much. */
// With this work it would be a crowded day.
const MOST_DUE_A_DAY = CROWDED - 1;

function dayFindings(of: LookedAt, group: LookedClass, when: When): Finding[] {
  const { zone } = group.calendar;
  const found: Finding[] = [];
  const moments =
    of.form.opens.kind === "now"
      ? (["due"] as const)
      : when.opens <= of.now
        ? (["due"] as const)
        : (["opens", "due"] as const);
  for (const field of moments) {
    const moment = when[field];
    const says = field === "opens" ? "opens" : "is due";
    const { date, time } = schoolClock(moment, zone);
    const to = (other: string, at: string): Partial<AssignForm> =>
      field === "opens"
        ? { opens: { kind: "at", at: `${other}T${at}` } }
        : { due: { kind: "at", at: `${other}T${at}` } };
    const closed = whyClosed(group.calendar, date);
    if (closed) {
      const open = schoolDaysLater(group.calendar, date, 0);
      found.push({
        key: `closed ${field} ${group.id}`,
        level: "remark",
        text: `It ${says} on ${formatDay(moment, zone, of.now)}, and there is no school then: ${closed}.`,
        remedies:
          open === null
            ? []
            : [{ text: `${formatMoment(momentAt(open, time, zone), zone, of.now)}`, change: to(open, time) }],
      });
    }
    const hour = hourOf(moment, zone);
    if (hour >= 18 || hour < 6) {
      const twelve = `${String((hour + 12) % 24).padStart(2, "0")}${time.slice(2)}`;
      found.push({
        key: `hour ${field} ${group.id}`,
        level: "remark",
        text: `It ${says} ${formatTime(hour, Number(time.slice(3)))}, not ${partOfDay((hour + 12) % 24)}.`,
        remedies: [{ text: formatTime((hour + 12) % 24, Number(time.slice(3))), change: to(date, twelve) }],
      });
    }
  }
  if (of.form.opens.kind === "at" && when.opens < of.now)
    found.push({
      key: `past ${group.id}`,
      level: "remark",
      text: `${formatMoment(when.opens, zone, of.now)} is already past: it opens at once.`,
      remedies: [{ text: "Open it now", change: { opens: { kind: "now" } } }],
    });
  return found;
}

/** Tied to no lesson, and with more than a day to do it in: no lesson has to hold it. */
function overDays(form: AssignForm, group: LookedClass, when: When): boolean {
  const { zone } = group.calendar;
  return !when.meeting && schoolClock(when.due, zone).date > schoolClock(when.opens, zone).date;
}

/** Days it is to be open on that come before it opens, or after it closes or is due: nobody works on them as she meant. */
function openDayFindings(of: LookedAt, group: LookedClass, when: When): Finding[] {
  const { form } = of;
  // Spread over lessons each piece has times of its own.
  if (!form.openDays || form.spread === "one a meeting" || form.parts) return [];
  const { zone } = group.calendar;
  const first = schoolClock(when.opens, zone).date;
  const last = schoolClock(when.closes ?? when.due, zone).date;
  const early = form.openDays.filter((day) => day < first);
  const late = form.openDays.filter((day) => day > last);
  if (early.length + late.length === 0) return [];
  const say = (days: readonly string[]) =>
    days.map((day) => formatDay(momentAt(day, "12:00", zone), zone, of.now)).join(", ");
  const ends = when.closes ? "closes" : "is due";
  const kept = form.openDays.filter((day) => day >= first && day <= last);
  return [
    {
      key: `days ${group.id}`,
      level: "remark",
      text: [
        ...(early.length > 0 ? [`You chose ${say(early)}, but it only opens after that.`] : []),
        ...(late.length > 0 ? [`You chose ${say(late)}, but it ${ends} before that.`] : []),
      ].join(" "),
      remedies: [
        kept.length > 0
          ? { text: `Only on ${say(kept)}`, change: { openDays: kept } }
          : { text: "Open it on every day", change: { openDays: null } },
      ],
    },
  ];
}

/** How long what is given of a resource takes. */
function minutesOf({ steps }: AssignForm, { document, facts }: Pick<LookedResource, "document" | "facts">): number {
  if (!steps) return facts.minutes;
  const each = stepMinutes(document, facts);
  return document.steps.reduce((sum, { id }, at) => sum + (steps.includes(id) ? each[at]! : 0), 0);
}

function roomFindings(of: LookedAt, group: LookedClass, when: When): Finding[] {
  const { form, resources } = of;
  if (form.spread === "one a meeting" || form.parts || overDays(form, group, when)) return [];
  const minutes = resources.reduce((sum, resource) => sum + minutesOf(form, resource), 0);
  const room = when.meeting?.minutes ?? group.profile.periodMinutes;
  const found: Finding[] = [];
  // Due before its lesson is over, it has to be done in it.
  const inClass = when.meeting !== null && when.due <= when.meeting.ends;
  if (minutes > room) {
    const [only] = resources;
    const split = resources.length === 1 && only && !form.steps ? partsFor(only, room) : null;
    found.push({
      key: `long ${group.id}`,
      level: "remark",
      text: `${minutes} minutes is more than the ${room} of one lesson of ${group.profile.name}.`,
      remedies: [
        ...(split ? [{ text: `Split it over ${split.length} lessons`, change: splitChange(form, split) }] : []),
        ...(resources.length > 1 ? [{ text: "One in each lesson", change: { spread: "one a meeting" as const } }] : []),
      ],
    });
  } else if ((inClass || when.meeting === null) && group.planned > 0 && group.planned + minutes > room) {
    found.push({
      key: `full ${group.id}`,
      level: "remark",
      text: `${group.profile.name} has ${group.planned} minutes planned ${when.meeting ? "in that lesson" : "on that day"} already: ${group.planned + minutes} of ${room}.`,
      remedies: group.nextRoom
        ? [
            {
              text: `${formatMoment(group.nextRoom.starts, group.calendar.zone, of.now)}`,
              change: { opens: { kind: "place", date: group.nextRoom.date, period: group.nextRoom.period } },
            },
          ]
        : [],
    });
  }
  return found;
}

const splitChange = (form: AssignForm, parts: string[][]): Partial<AssignForm> => ({
  parts,
  spread: "one a meeting",
  ...(form.opens.kind === "now" || form.opens.kind === "at" ? { opens: { kind: "meeting" as const, n: 1 } } : {}),
  due: { kind: "meeting end" },
});

/**
 * The steps of each part when a lesson is split over meetings of this many minutes; null when one step alone is longer.
 * `partsFor({ document: lesson, facts: { minutes: 60 } }, 60).length` gives `1`.
 */
export function partsFor(resource: Pick<LookedResource, "document" | "facts">, room: number): string[][] | null {
  const ids = resource.document.steps.map((step) => step.id);
  let minutes = stepMinutes(resource.document, resource.facts);
  let at = 0;
  const parts: string[][] = [];
  while (minutes.reduce((sum, each) => sum + each, 0) > room) {
    const count = splitAfter(minutes, room);
    if (count === null) return null;
    parts.push(ids.slice(at, at + count));
    at += count;
    minutes = minutes.slice(count);
  }
  return [...parts, ids.slice(at)];
}

/**
 * What is odd about giving it to one class: its times, its room, its students, how it suits them.
 * `classFindings(lookedAt(), lookedAt().classes[0])` gives `[]`.
 */
export function classFindings(of: LookedAt, group: LookedClass): Finding[] {
  const { form } = of;
  if (isProblem(group.when))
    return [{ key: `when ${group.id}`, level: "stop", text: group.when.reason, remedies: nextTimes(group, of.now) }];
  const found = [
    ...dayFindings(of, group, group.when),
    ...openDayFindings(of, group, group.when),
    ...roomFindings(of, group, group.when),
  ];
  // What comes after a result is for children who did it.
  if (group.did.length > 0 && form.follows === null) {
    const all = group.did.length === group.chosen;
    const without = form.to
      .map((one) => ({
        ...one,
        students: one.students.filter((id) => !group.did.some((student) => student.id === id)),
      }))
      .filter(({ students }) => students.length > 0);
    found.push({
      key: `did ${group.id}`,
      level: "remark",
      text: formatAlready(group, all),
      remedies: all || without.length === 0 ? [] : [{ text: "Leave them out", change: { to: without } }],
    });
  }
  const busy = group.alsoDue.filter(({ count }) => count >= MOST_DUE_A_DAY);
  if (busy.length > 0)
    found.push({
      key: `load ${group.id}`,
      level: "remark",
      text: `${busy.length === 1 ? "One student has" : `${busy.length} students have`} ${MOST_DUE_A_DAY} other things or more due on that day.`,
      remedies: later(form, group, group.when, of.now),
    });
  return [...found, ...fitFindings(of, group)];
}

/** Who did it and who only has it are told apart: the one is a question of practice, the other of too much at once. */
function formatAlready({ did: met, profile }: LookedClass, all: boolean): string {
  const did = met.filter((one) => one.did);
  const has = met.filter((one) => !one.did);
  if (all && has.length === 0) return `Everyone you chose in ${profile.name} did it already.`;
  if (all && did.length === 0) return `Everyone you chose in ${profile.name} has it already.`;
  const said = [
    did.length > 0 && `${names(did.map(({ name }) => name))} did it already.`,
    has.length > 0 && `${names(has.map(({ name }) => name))} ${has.length === 1 ? "has" : "have"} it already.`,
  ];
  return said.filter(Boolean).join(" ");
}

function later(form: AssignForm, group: LookedClass, when: When, now: Date): Remedy[] {
  const { date, time } = schoolClock(when.due, group.calendar.zone);
  const next = schoolDaysLater(group.calendar, date, 1);
  if (next === null || form.due.kind === "meeting end") return [];
  const text = `Due ${formatMoment(momentAt(next, time, group.calendar.zone), group.calendar.zone, now)}`;
  return [{ text, change: { due: { kind: "at", at: `${next}T${time}` } } }];
}

function nextTimes(group: LookedClass, now: Date): Remedy[] {
  const today = schoolClock(now, group.calendar.zone).date;
  const next = schoolDaysLater(group.calendar, today, 1);
  const due = next && schoolDaysLater(group.calendar, next, 2);
  if (!next || !due) return [];
  const { zone } = group.calendar;
  return [
    {
      text: `Open ${formatMoment(momentAt(next, "07:00", zone), zone, now)}, due ${formatMoment(momentAt(due, "15:00", zone), zone, now)}`,
      change: { opens: { kind: "at", at: `${next}T07:00` }, due: { kind: "at", at: `${due}T15:00` } },
    },
  ];
}

function names(all: readonly string[]): string {
  return all.length <= 3 ? all.join(", ") : `${all.length} students`;
}

/** What does not suit the class: text far above it, another grade, a language it does not read, devices it has not. */
function fitFindings(of: LookedAt, group: LookedClass): Finding[] {
  return of.resources.flatMap((resource) =>
    fitOf(resource.facts, group.profile)
      .reasons.filter(({ aspect, level }) => level === 0 && aspect !== "length")
      .map(({ aspect, text }) => ({
        key: `${aspect} ${resource.id} ${group.id}`,
        level: "remark" as const,
        text: `“${resource.title}” ${text}.`,
        remedies:
          aspect === "reading"
            ? easierVersion(of, group, resource)
            : aspect === "grade"
              ? rightClass(of, group, resource)
              : [],
      })),
  );
}

function easierVersion(of: LookedAt, group: LookedClass, resource: LookedResource): Remedy[] {
  const most = group.profile.reading?.to ?? 12;
  const easier = of.versions.find(
    ({ id, readingGrade }) => id !== resource.id && readingGrade !== null && readingGrade <= most,
  );
  if (!easier || of.form.resources.length > 1) {
    const out = leaveOut(of.form, resource.id);
    if (out.length > 0) return out;
    return resource.mine ? [{ text: "Make it easier", href: `/adapt/${resource.id}` }] : [];
  }
  return [
    {
      text: `Assign “${easier.title}” (reads at ${formatReadingGrade(easier.readingGrade!)})`,
      change: { resources: [easier.id], versions: [] },
    },
  ];
}

function rightClass(of: LookedAt, group: LookedClass, resource: LookedResource): Remedy[] {
  const { grades } = resource.facts;
  const meant = of.others.find(({ grades: theirs }) => theirs.from <= grades.to && theirs.to >= grades.from);
  if (!meant) return [];
  const to = of.form.to.map((one) =>
    one.class === group.id ? { class: meant.id, students: [...meant.students] } : one,
  );
  return [{ text: `Assign it to ${meant.name}`, change: { to, versions: [], factors: [] } }];
}
