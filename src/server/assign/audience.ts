import {
  addDays,
  meetingsBetween,
  schoolClock,
  schoolDays,
  schoolDaysBetween,
  SEMESTER_WEEKS,
  type Meeting,
  type SchoolCalendar,
} from "@/core/calendar/school-calendar";
import type { AssignForm } from "@/core/assign/form";
import { dayComesFirst } from "@/core/locale/country";
import { formatGoal } from "@/core/results/goal-tag";
import { stepTitle } from "@/core/resource/changes";
import type { Work } from "@/core/resource/work";
import { alreadyHave, openWorkOf, type Assignment } from "@/data/assign/assignments";
import { goalTagsOf } from "@/data/assign/goal-tags";
import { classesOf, type Student } from "@/data/classes/classes";
import type { Db } from "@/data/engine/db";
import { groupsOf, plannedIn, studentGoals, type StudentGroup } from "@/data/plan/plan";
import { recipientsOf } from "@/data/assign/recipients";
import { plainSharing } from "@/core/review/sharing";
import { partsOfWork, stepsOf } from "@/data/assign/split";
import { groupsFor } from "./assigning";
import { resourcesToAssign, versionsForAll } from "./resources-to-assign";
import type { Visitor } from "../web/session";

/** What of earlier work is assigned again: how, for whom in which version, how far apart it opens and is due, in which parts. */
type LikeBefore = Pick<
  AssignForm,
  | "tries"
  | "keep"
  | "checking"
  | "goals"
  | "closes"
  | "sharing"
  | "stepWork"
  | "versions"
  | "parts"
  | "steps"
  | "spread"
  | "due"
>;

/** The earlier work's settings, as they are for the classes of today. */
async function likeBefore(
  db: Db,
  like: Assignment,
  calendar: SchoolCalendar | undefined,
  students: readonly number[],
): Promise<LikeBefore> {
  const [parts, recipients, { steps }] = await Promise.all([
    partsOfWork(db, like.id),
    recipientsOf(db, like.id),
    stepsOf(db, like.id),
  ]);
  const zone = calendar?.zone;
  const opens = zone && schoolClock(like.opens, zone);
  const due = zone && schoolClock(like.due, zone);
  const sameDay = opens && due && opens.date === due.date;
  return {
    tries: like.tries,
    keep: like.keep,
    checking: like.checking,
    goals: like.goals,
    // A moment from which it was closed is past by now.
    sharing: { ...(like.sharing ?? plainSharing), until: null },
    closes: like.closes ? "due" : "never",
    stepWork: Object.entries(like.stepWork ?? {}).map(([step, work]) => ({ step, work })),
    // Of those who are in her classes now: who had another version has it again.
    versions: recipients
      .filter(({ student, resource }) => resource !== like.resource && students.includes(student))
      .map(({ student, resource }) => ({ student, of: like.resource, resource })),
    parts,
    steps: parts ? null : steps,
    spread: parts ? "one a meeting" : "together",
    due:
      like.meeting && sameDay
        ? { kind: "meeting end" }
        : {
            kind: "days",
            days: opens && due ? Math.min(90, schoolDaysBetween(calendar, opens.date, due.date)) : 2,
            time: due ? due.time : "15:00",
          },
  };
}

export interface AudienceClass {
  id: number;
  name: string;
  subject: string;
  periodMinutes: number;
  students: (Student & { has: boolean })[];
  groups: StudentGroup[];
  /** The meetings of the next weeks, with the minutes planned in each. */
  meetings: (Meeting & { planned: number })[];
}

/** What a teacher chooses from when she gives something: whom, when, which version. */
export interface Audience {
  classes: AudienceClass[];
  versions: {
    id: number;
    /** Which of the resources it is a version of. */
    of: number;
    title: string;
    author: string;
    minutes: number;
    readingGrade: number | null;
    /** BCP 47, the first is the main one. */
    languages: readonly string[];
  }[];
  /** The resources assigned, for versions to be compared with. */
  mains: { id: number; minutes: number; readingGrade: number | null; languages: readonly string[] }[];
  /** "3/12" is 3 December in her country. */
  dayFirst: boolean;
  /** The steps students see, of each resource. */
  steps: { of: number; id: string; title: string; work: Work }[];
  goalTags: string[];
  /** Goals students work on by themselves, "Reads charts aloud (2026)": offered only where that student gets it. */
  individualGoals: { student: number; text: string }[];
  zone: string;
  /** Work of each class that is still to be done, which new work can wait for. */
  earlier: { id: number; class: number; title: string; due: Date }[];
  /** The days of school as far ahead as anything is planned. */
  schoolDays: string[];
  /** Settings of earlier work to be taken over. */
  like: LikeBefore | null;
}

const WEEKS_AHEAD = 6;

export async function audienceOf(
  db: Db,
  visitor: Visitor,
  resources: readonly number[],
  now: Date,
  like: Assignment | null,
): Promise<Audience> {
  const groups = await groupsFor(db, await classesOf(db, visitor.id, now));
  const ids = groups.map((group) => group.class.id);
  const today = schoolClock(now, visitor.zone).date;
  const until = addDays(today, WEEKS_AHEAD * 7);
  const students = [...new Set(groups.flatMap((group) => group.students.map(({ id }) => id)))];
  const [has, named, planned, goalTags, goals, earlier] = await Promise.all([
    alreadyHave(db, resources, students),
    groupsOf(db, ids),
    plannedIn(db, ids, today, until),
    goalTagsOf(db, visitor.id),
    studentGoals(db, students),
    openWorkOf(db, visitor.id, ids, now),
  ]);
  const [versions, mains] = await Promise.all([
    versionsForAll(db, visitor, resources),
    resourcesToAssign(db, visitor, resources),
  ]);
  return {
    classes: groups.map(({ class: group, calendar, rules, students: roster }) => ({
      id: group.id,
      name: group.name,
      subject: group.subject,
      periodMinutes: group.periodMinutes,
      students: roster.map((student) => ({ ...student, has: has.some((one) => one.student === student.id) })),
      groups: named.filter((one) => one.class === group.id),
      meetings: meetingsBetween(calendar, rules, today, until)
        .filter(({ starts }) => starts > now)
        .map((meeting) => ({
          ...meeting,
          planned:
            planned.find((one) => one.class === group.id && one.date === meeting.date && one.period === meeting.period)
              ?.minutes ?? 0,
        })),
    })),
    versions: versions.map(({ id, of, ownerName, facts }) => ({
      id,
      of,
      title: facts.title,
      author: ownerName,
      minutes: facts.minutes,
      readingGrade: facts.readingGrade,
      languages: facts.languages,
    })),
    mains: mains.map(({ id, facts: { minutes, readingGrade, languages } }) => ({
      id,
      minutes,
      readingGrade,
      languages,
    })),
    dayFirst: dayComesFirst(visitor.country),
    steps: mains.flatMap(({ id: of, document: { steps: all, languages } }) =>
      all
        .filter(({ audience }) => audience !== "teacher")
        .map((step) => ({ of, id: step.id, title: stepTitle(step, languages), work: step.work })),
    ),
    goalTags,
    individualGoals: goals
      .filter(({ closed }) => closed === null)
      .map((goal) => ({ student: goal.student, text: formatGoal(goal) })),
    earlier,
    zone: visitor.zone,
    schoolDays: groups[0]
      ? schoolDays(groups[0].calendar, today, addDays(today, SEMESTER_WEEKS * 7))
          .filter(({ open }) => open)
          .map(({ date }) => date)
      : [],
    like: like && (await likeBefore(db, like, groups[0]?.calendar, students)),
  };
}
