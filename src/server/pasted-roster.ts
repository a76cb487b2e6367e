import type { Roster } from "@/core/roster/import-plan";
import type { ReadRoster, RosterField } from "@/core/roster/read-roster";
import type { Class } from "@/data/classes";
import { readFile } from "./read-file";

const sameName = (one: string, other: string) => one.trim().toLowerCase() === other.trim().toLowerCase();

/** A pasted or typed table as a roster of one class. */
export async function pastedRoster(
  text: string,
  columns: readonly (RosterField | null)[] | null,
  group: Pick<Class, "id" | "name" | "subject" | "gradeFrom" | "gradeTo">,
): Promise<{ read: ReadRoster; roster: Roster }> {
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
    // Whoever has no grade in the list is of the class's grade, where it has only one.
    grade: student.grade ?? (group.gradeFrom === group.gradeTo ? group.gradeFrom : null),
    homeLanguage: student.homeLanguage,
    factor: student.factor,
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
