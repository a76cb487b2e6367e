import type { ImportPlan, Roster } from "@/core/roster/import-plan";
import { changesNothing, planImport, unsaid } from "@/core/roster/import-plan";
import { adultsAt } from "@/data/classes/classes";
import type { Db, Queryable } from "@/data/engine/db";
import { applyImport, linkTeachers, presentAt } from "@/data/office/rosters";
import { decodeText } from "@/formats/decode-text";
import type { OneRoster } from "@/formats/one-roster";
import { changeSchool } from "./change-school";
import { readFile, UnreadableFile } from "../web/read-file";

export interface SchoolRoster {
  roster: Roster;
  /** Where each thing that could not be read stands. */
  problems: string[];
  teachers: { classRosterId: string; email: string }[];
  /** The schools of a file that holds several, before one of them is chosen. */
  schools: { id: string; name: string }[];
  /** What it was read as: "OneRoster 1.1, whole", "a table". */
  kind: string;
}

/** A zip is a OneRoster file; anything else a table with a column for the class. @throws UnreadableFile */
export async function readSchoolRoster(
  bytes: Uint8Array,
  name = "",
  school: string | null = null,
): Promise<SchoolRoster> {
  // "PK": how every zip begins.
  if (bytes[0] === 0x50 && bytes[1] === 0x4b) return fromOneRoster(bytes, school);
  if (/\.zip$/i.test(name)) throw new UnreadableFile("This file is named .zip, but it is not a zip file.");
  return fromTable(decodeText(bytes));
}

const fromOneRoster = async (bytes: Uint8Array, school: string | null): Promise<SchoolRoster> =>
  asSchoolRoster(await readFile("roster", bytes, school), school);

/** A OneRoster roster, from a file or from a directory, as a school brings it in. `school`: the one chosen of several. */
export function asSchoolRoster(read: OneRoster, school: string | null): SchoolRoster {
  const emails = new Map(read.teachers.map(({ rosterId, email }) => [rosterId, email]));
  const silent = read.teachers.filter(({ email }) => !email);
  return {
    schools: school === null ? read.schools : [],
    kind: `OneRoster ${read.version}, ${read.mode === "bulk" ? "whole" : "changes only"}`,
    problems: [
      ...silent.map(({ name }) => `${name} teaches and has no e-mail address: add her to the class by hand.`),
      ...read.problems.map(({ file, line, text }) => `${file}, line ${line}: ${text}`),
    ],
    teachers: read.enrolments.flatMap(({ class: group, person, role }) =>
      role === "teacher" && emails.get(person) ? [{ classRosterId: group, email: emails.get(person)! }] : [],
    ),
    roster: {
      students: read.students.map((student) => ({
        key: student.rosterId,
        ...student,
        ...unsaid,
      })),
      classes: read.classes
        .map(({ rosterId, name, subject, grades, homeroom }) => ({
          key: rosterId,
          rosterId,
          name,
          subject,
          gradeFrom: Math.min(...grades, 12),
          gradeTo: Math.max(...grades, 0),
          homeroom,
        }))
        .map((group) => (group.gradeFrom > group.gradeTo ? { ...group, gradeFrom: 0, gradeTo: 12 } : group)),
      enrolments: read.enrolments
        .filter(({ role }) => role === "student")
        .map(({ class: group, person, from, to }) => ({ class: group, student: person, from, to })),
      goneStudents: read.gone.students,
      over: read.gone.enrolments.map(({ class: group, person }) => ({ class: group, student: person })),
      whole: read.mode === "bulk",
    },
  };
}

async function fromTable(text: string): Promise<SchoolRoster> {
  const read = await readFile("table of students", text);
  const problems = read.problems.map(({ line, text: why, row }) => `Line ${line}: ${why} (${row})`);
  const students = read.students.map((student) => ({
    key: student.rosterId ?? `line ${student.line}`,
    rosterId: student.rosterId,
    givenName: student.givenName,
    familyName: student.familyName,
    grade: student.grade,
    homeLanguage: student.homeLanguage,
    factor: student.factor,
    readingGrade: student.readingGrade,
    languages: student.languages,
    className: student.className,
  }));
  const names = [...new Set(students.flatMap(({ className }) => className ?? []))];
  return {
    schools: [],
    kind: "a table",
    problems,
    teachers: [],
    roster: {
      students,
      classes: names.map((name) => {
        const grades = students.flatMap(({ className, grade }) =>
          className === name && grade !== null ? [grade] : [],
        );
        return {
          key: name,
          rosterId: null,
          name,
          subject: "",
          gradeFrom: grades.length > 0 ? Math.min(...grades) : 0,
          gradeTo: grades.length > 0 ? Math.max(...grades) : 12,
          homeroom: false,
        };
      }),
      enrolments: students.flatMap(({ key, className }) =>
        className === null ? [] : [{ class: className, student: key, from: null, to: null }],
      ),
      over: [],
      goneStudents: [],
      whole: false,
    },
  };
}

/** What bringing a roster in would change, or has changed, in numbers. */
export interface RosterEffect {
  kind: string;
  students: number;
  added: number;
  changed: number;
  classes: number;
  /** Classes that are here already, and are known by the roster's number from then on. */
  joined: number;
  enrolled: number;
  left: number;
  problems: string[];
  nothing: boolean;
  /** Of a file that holds several schools: which one is asked before anything is read. */
  schools: { id: string; name: string }[];
  /** What undoes it, once it is brought in. */
  event: number | null;
}

const MOST_PROBLEMS_SAID = 100;

const effectOf = (read: SchoolRoster, plan: ImportPlan, strangers: readonly string[]): RosterEffect => ({
  kind: read.kind,
  students: read.roster.students.length,
  added: plan.addStudents.length,
  changed: plan.changeStudents.length,
  classes: plan.addClasses.length,
  joined: plan.numberClasses.length,
  enrolled: plan.enrol.length,
  left: plan.leave.length,
  problems: [
    ...strangers.map((email) => `No teacher of the school has the address ${email}: add her to the class by hand.`),
    ...read.problems,
  ].slice(0, MOST_PROBLEMS_SAID),
  nothing: changesNothing(plan),
  schools: read.schools,
  event: null,
});

/** Looks at a roster: what bringing it in would change. Changes nothing. */
export async function lookAtRoster(db: Queryable, school: number, read: SchoolRoster): Promise<RosterEffect> {
  return effectOf(read, planImport(read.roster, await presentAt(db, school)), await strangersOf(db, school, read));
}

/** Teachers' addresses nobody at the school has. */
async function strangersOf(db: Queryable, school: number, read: SchoolRoster): Promise<string[]> {
  const here = new Set((await adultsAt(db, school)).map(({ email }) => email.toLowerCase()));
  return [...new Set(read.teachers.map(({ email }) => email))].filter((email) => !here.has(email.toLowerCase()));
}

/** Brings a roster in: all of it or nothing, in one act that can be undone. @throws UnreadableFile where it holds several schools */
export async function bringInRoster(
  db: Db,
  to: { district: number; school: number; year: number },
  read: SchoolRoster,
  made: { by: number; at: Date },
): Promise<RosterEffect> {
  if (read.schools.length > 0)
    throw new UnreadableFile(`This roster holds ${read.schools.length} schools. Choose one of them.`);
  const what = { ...made, what: "brought in a roster", school: to.school };
  const { event, value } = await changeSchool(db, what, async (tx) => {
    const plan = planImport(read.roster, await presentAt(tx, to.school));
    await applyImport(tx, to, plan);
    await linkTeachers(tx, to.school, read.teachers);
    return effectOf(read, plan, await strangersOf(tx, to.school, read));
  });
  return { ...value, event };
}
