import type { Roster } from "@/core/roster/import-plan";
import { readRoster, type ReadRoster, type RosterField } from "@/core/roster/read-roster";
import type { Class } from "@/data/classes";
import { readTable } from "@/formats/csv";

/** A pasted or typed table as a roster of one class. */
export function pastedRoster(
  text: string,
  columns: readonly (RosterField | null)[] | null,
  group: Pick<Class, "id" | "name" | "subject" | "gradeFrom" | "gradeTo">,
): { read: ReadRoster; roster: Roster } {
  const read = readRoster(readTable(text), columns ?? undefined);
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
      classes: [{ key: "class", rosterId: null, ...group }],
      enrolments: students.map(({ key }) => ({ class: "class", student: key, from: null, to: null })),
      over: [],
      whole: false,
    },
  };
}
