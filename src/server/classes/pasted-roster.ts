import { planImport, type ImportPlan, type Roster } from "@/core/roster/import-plan";
import type { ReadRoster, RosterField } from "@/core/roster/read-roster";
import type { Class } from "@/data/classes/classes";
import type { Queryable } from "@/data/engine/db";
import { knownToTeacher, presentAt } from "@/data/office/rosters";
import { readFile } from "../web/read-file";

const sameName = (one: string, other: string) => one.trim().toLowerCase() === other.trim().toLowerCase();

/** A pasted or typed table, and what of it is a roster of one class. */
export interface PastedRoster {
  read: ReadRoster;
  roster: Roster;
}

/** Takes a thread and its time: nothing may wait for it, a transaction least of all. */
export async function readPasted(
  { text, columns }: { text: string; columns: readonly (RosterField | null)[] | null },
  group: Pick<Class, "id" | "name" | "subject" | "gradeFrom" | "gradeTo">,
): Promise<PastedRoster> {
  const all = await readFile("table of students", text, columns ?? undefined);
  // A table of a whole school pasted into one class: what belongs to another class is named and left out.
  const elsewhere = all.students.filter(({ className }) => className !== null && !sameName(className, group.name));
  const read: ReadRoster = {
    ...all,
    students: all.students.filter((student) => !elsewhere.includes(student)),
    problems: [
      ...all.problems,
      ...elsewhere.map(({ line, givenName, familyName, className }) => ({
        line,
        text: `This student is of ${className}, not of ${group.name}.`,
        row: `${givenName} ${familyName}`,
      })),
    ].sort((one, other) => one.line - other.line),
  };
  const students = read.students.map((student) => ({
    key: student.rosterId ?? `line ${student.line}`,
    rosterId: student.rosterId,
    givenName: student.givenName,
    familyName: student.familyName,
    // Anyone who has no grade in the list is of the class's grade, where it has only one.
    grade: student.grade ?? (group.gradeFrom === group.gradeTo ? group.gradeFrom : null),
    homeLanguage: student.homeLanguage,
    factor: student.factor,
    readingGrade: student.readingGrade,
    languages: student.languages,
  }));
  return {
    read,
    roster: {
      students,
      classes: [{ key: "class", rosterId: null, homeroom: false, ...group }],
      enrolments: students.map(({ key }) => ({ class: "class", student: key, from: null, to: null })),
      over: [],
      goneStudents: [],
      whole: false,
    },
  };
}

/**
 * What bringing a pasted roster in would do, for the teacher of a class. A child of the school she does not know comes into her
 * class through the office only: who may make new cards for a child could otherwise take over any child's account.
 */
export async function planPasted(
  db: Queryable,
  teacher: number,
  { read, roster }: PastedRoster,
  group: Class,
): Promise<{ read: ReadRoster; plan: ImportPlan }> {
  const plan = planImport(roster, await presentAt(db, group.school));
  const known = await knownToTeacher(db, teacher, group.id, Object.values(plan.known.students));
  const strange = new Set(Object.entries(plan.known.students).flatMap(([key, id]) => (known.has(id) ? [] : [key])));
  if (strange.size === 0) return { read, plan };
  const strangers = read.students.filter((student) => strange.has(student.rosterId ?? `line ${student.line}`));
  return {
    read: {
      ...read,
      students: read.students.filter((student) => !strangers.includes(student)),
      problems: [
        ...read.problems,
        ...strangers.map(({ line, givenName, familyName }) => ({
          line,
          text: "This child is at the school already, in another class. Ask the school office to add the child here.",
          row: `${givenName} ${familyName}`,
        })),
      ].sort((one, other) => one.line - other.line),
    },
    plan: {
      ...plan,
      enrol: plan.enrol.filter(({ student }) => !strange.has(student)),
      changeStudents: plan.changeStudents.filter(({ id }) => known.has(id)),
    },
  };
}
