import type { LookedAt, LookedClass } from "@/core/assign/finding";
import { consentMissing } from "./consent-missing";
import { onceEach } from "@/core/assign/once";
import { isProblem, whenFor, type AssignForm, type When, type WhenProblem } from "@/core/assign/form";
import { formatShare, formatSteps } from "@/core/assign/format";
import {
  addDays,
  meetingsBetween,
  momentAt,
  schoolClock,
  type Meeting,
  type SchoolCalendar,
} from "@/core/calendar/school-calendar";
import { formatSharing, problemOfSharing } from "@/core/review/sharing";
import { formatStepWork } from "@/core/resource/work";
import { alreadyHave, dueBetween, type NewAssignment } from "@/data/assign/assignments";
import { calendarOf, meetingRulesOf } from "@/data/plan/calendar";
import { classesOf, studentsOf, type Class, type Student } from "@/data/classes/classes";
import type { Db } from "@/data/engine/db";
import { plannedIn, plannedLoosely } from "@/data/plan/plan";
import { bareProfile } from "../find/fit";
import { assignmentsFor, factorOf, versionFor, workOf, type Group } from "./assignments-for";
import { resourcesToAssign, versionNames, versionsForAll, type ResourceToAssign } from "./resources-to-assign";
import type { Visitor } from "../web/session";
import { waitedFor } from "./waited-for";

/** What comes of a form: what to say, what to look at, and, when its times are right, what to write down. */
export interface Prepared {
  looked: LookedAt;
  /** A sentence a class. */
  said: string[];
  list: NewAssignment[];
  /** Why it cannot be given like this, beside what the last look finds; null: it can. */
  problem: string | null;
}

export async function groupsFor(db: Db, classes: readonly Class[]): Promise<Group[]> {
  const calendars = new Map<number, SchoolCalendar>();
  for (const { school } of classes) if (!calendars.has(school)) calendars.set(school, await calendarOf(db, school));
  const rules = await meetingRulesOf(
    db,
    classes.map(({ id }) => id),
  );
  return Promise.all(
    classes.map(async (group) => ({
      class: group,
      calendar: calendars.get(group.school)!,
      rules: rules.filter((rule) => rule.class === group.id),
      students: await studentsOf(db, group.id),
    })),
  );
}

const ROOM_DAYS = 40;

interface Chosen {
  group: Group;
  students: readonly Student[];
  when: When | WhenProblem;
}

/** What has to be looked up about all classes at once: a question a class would be most of the time it takes. */
async function lookAtClasses(
  db: Db,
  form: AssignForm,
  chosen: readonly Chosen[],
  resources: readonly ResourceToAssign[],
  moved: number | null,
): Promise<LookedClass[]> {
  const everyone = chosen.flatMap(({ students }) => students.map(({ id }) => id));
  const meetings = chosen.flatMap(({ when }) => (!isProblem(when) && when.meeting ? [when.meeting.date] : [])).sort();
  const dayOf = ({ group, when }: Chosen) =>
    isProblem(when) ? null : (when.meeting?.date ?? schoolClock(when.opens, group.calendar.zone).date);
  const opening = chosen.flatMap((one) => dayOf(one) ?? []).sort();
  const days = new Map<string, string>();
  for (const { group, when } of chosen)
    if (!isProblem(when)) days.set(schoolClock(when.due, group.calendar.zone).date, group.calendar.zone);
  const [did, planned, loose, ...due] = await Promise.all([
    alreadyHave(
      db,
      resources.map(({ id }) => id),
      everyone,
    ),
    meetings.length === 0
      ? []
      : plannedIn(
          db,
          chosen.map(({ group }) => group.class.id),
          meetings[0]!,
          addDays(meetings.at(-1)!, ROOM_DAYS),
          moved,
        ),
    opening.length === 0
      ? []
      : plannedLoosely(
          db,
          chosen.map(({ group }) => group.class.id),
          opening[0]!,
          opening.at(-1)!,
          moved,
        ),
    ...[...days].map(async ([date, zone]) => ({
      date,
      counts: await dueBetween(
        db,
        everyone,
        momentAt(date, "00:00", zone),
        new Date(momentAt(addDays(date, 1), "00:00", zone).getTime() - 1),
        moved,
      ),
    })),
  ]);
  // Of work that is moved everybody has it, and is meant to.
  const had = new Map(moved === null ? did.map((one) => [one.student, one.did]) : []);
  return Promise.all(
    chosen.map(async (one): Promise<LookedClass> => {
      const { group, students, when } = one;
      const { calendar } = group;
      const onDay = dayOf(one);
      const unplaced = loose.find(({ class: id, date }) => id === group.class.id && date === onDay)?.minutes ?? 0;
      const room = roomFrom(group, isProblem(when) ? null : when.meeting, resources, planned);
      const name = (student: Student) => `${student.givenName} ${student.familyName}`;
      const day = isProblem(when) ? null : schoolClock(when.due, calendar.zone).date;
      const counts = due.find(({ date }) => date === day)?.counts ?? [];
      return {
        id: group.class.id,
        profile: await bareProfile(db, group.class),
        calendar,
        when,
        chosen: students.length,
        did: students
          .filter(({ id }) => had.has(id))
          .map((student) => ({ id: student.id, name: name(student), did: had.get(student.id)! })),
        alsoDue: counts.filter(({ student }) => students.some(({ id }) => id === student)),
        ...room,
        planned: room.planned + unplaced,
      };
    }),
  );
}

/** How full the meeting is, and the next one of its sort with room. */
function roomFrom(
  group: Group,
  meeting: Meeting | null,
  resources: readonly ResourceToAssign[],
  planned: Awaited<ReturnType<typeof plannedIn>>,
): Pick<LookedClass, "planned" | "nextRoom"> {
  if (!meeting) return { planned: 0, nextRoom: null };
  const at = (date: string, period: number) =>
    planned.find((one) => one.class === group.class.id && one.date === date && one.period === period)?.minutes ?? 0;
  const wanted = resources.reduce((sum, { facts }) => sum + facts.minutes, 0);
  const same = group.rules.filter(({ label }) => label === meeting.label);
  const next = meetingsBetween(group.calendar, same, meeting.date, addDays(meeting.date, ROOM_DAYS)).find(
    (one) => one.starts > meeting.starts && at(one.date, one.period) + wanted <= one.minutes,
  );
  return {
    planned: at(meeting.date, meeting.period),
    nextRoom: next ? { date: next.date, period: next.period, starts: next.starts } : null,
  };
}

/**
 * Reads a form against everything that decides what comes of it. What it says about students, classes and resources has
 * been permitted before.
 */
export async function prepareAssigning(
  db: Db,
  visitor: Visitor,
  form: AssignForm,
  barClass: number | null,
  now: Date,
  /** Work that is there already, and only gets other times. */
  moved: number | null = null,
): Promise<Prepared> {
  const all = await groupsFor(db, await classesOf(db, visitor.id, now));
  const resources = await resourcesToAssign(db, visitor, form.resources);
  const versions = await versionsForAll(
    db,
    visitor,
    resources
      .filter(({ id }) => form.versions.some(({ of }) => of === id) || resources.length === 1)
      .map(({ id }) => id),
  );
  const chosenClasses = onceEach(form.to).flatMap(({ class: id, students }): Chosen[] => {
    const group = all.find((one) => one.class.id === id);
    if (!group) return [];
    return [
      {
        group,
        students: group.students.filter((student) => students.includes(student.id)),
        when: whenFor(form, group.calendar, group.rules, now),
      },
    ];
  });
  const classes = await lookAtClasses(db, form, chosenClasses, resources, moved);
  const chosenVersions = new Set(form.versions.map(({ resource }) => resource));
  const several = resources.length > 1;
  const ofTitle = ({ title }: ResourceToAssign) => (several ? ` of “${title}”` : "");
  const names = new Map(
    resources.map((main) => [
      main.id,
      versionNames(
        versions.filter(({ id, of }) => of === main.id && chosenVersions.has(id)),
        main.facts,
      ),
    ]),
  );
  const waiting = await waitedFor(db, form.after);
  const said: string[] = [];
  const list: NewAssignment[] = [];
  let problem =
    resources.length < form.resources.length
      ? "Publish it first: students get what is published."
      : problemOfSharing(form.sharing);
  for (const { group, students: chosen, when } of chosenClasses) {
    const more = assignmentsFor(form, group, chosen, resources, versions, { by: visitor.id, now });
    if ("reason" in more) problem ??= more.reason;
    else list.push(...more);
    if (isProblem(when)) continue;
    const special = chosen.flatMap((student) => {
      const own = resources.flatMap((main) => {
        const version = versionFor(form, student.id, main.id, versions);
        return version ? [`${names.get(main.id)!.get(version.id)!}${ofTitle(main)}`] : [];
      });
      const factor = factorOf(form, student);
      return own.length > 0 || factor !== 1 ? [{ version: own.length > 0 ? own.join(" and ") : null, factor }] : [];
    });
    said.push(
      formatShare(
        {
          className: group.class.name,
          students: chosen.length,
          all: chosen.length === group.students.length,
          when,
          zone: group.calendar.zone,
          tries: form.tries,
          steps: form.steps && resources.length === 1 ? formatSteps(resources[0]!.document, form.steps) : null,
          pieces:
            form.parts || resources.length > 1
              ? {
                  parts: form.parts?.length ?? null,
                  oneALesson: form.spread === "one a meeting",
                  inOrder: form.inOrder,
                }
              : null,
          openDays: form.openDays?.length ?? null,
          after: waiting && `“${waiting.title}”`,
          stepWork: resources.flatMap((main) => formatStepWork(main.document, workOf(form, main) ?? {}, ofTitle(main))),
          sharing: formatSharing(form.sharing),
          special,
        },
        resources.map(({ title }) => title),
        form.opens.kind === "now",
        now,
      ),
    );
  }
  const others = all
    .filter((group) => !form.to.some((one) => one.class === group.class.id))
    .map((group) => ({
      id: group.class.id,
      name: group.class.name,
      students: group.students.map(({ id }) => id),
      grades: { from: group.class.gradeFrom, to: group.class.gradeTo },
    }));
  const bar = all.find((group) => group.class.id === barClass);
  const versionsToAssign = await resourcesToAssign(
    db,
    visitor,
    versions.map(({ id }) => id).filter((id) => chosenVersions.has(id)),
  );
  return {
    looked: {
      form,
      resources,
      versionsToAssign,
      versions: versions.map(({ id, of, facts }) => ({
        id,
        of,
        title: facts.title,
        readingGrade: facts.readingGrade,
        minutes: facts.minutes,
      })),
      classes,
      others,
      waitsFor: waiting,
      withoutConsent: await consentMissing(db, form, [...resources, ...versionsToAssign]),
      barClass: bar ? { id: bar.class.id, name: bar.class.name } : null,
      me: visitor.id,
      now,
    },
    said,
    list,
    problem,
  };
}
