/** What a roster can say of a student beside who she is; null: it does not say. */
export interface RosterFacts {
  homeLanguage: string | null;
  factor: number | null;
  readingGrade: number | null;
  languages: readonly string[] | null;
}

/** Of whom only the name is said. */
export const unsaid: RosterFacts = { homeLanguage: null, factor: null, readingGrade: null, languages: null };

/** A roster, from whatever it was read, in one shape. `key`: what joins its parts; a roster's identifier or a line. */
export interface Roster {
  students: ({
    key: string;
    rosterId: string | null;
    givenName: string;
    familyName: string;
    grade: number | null;
  } & RosterFacts)[];
  classes: {
    key: string;
    rosterId: string | null;
    name: string;
    subject: string;
    gradeFrom: number;
    gradeTo: number;
    homeroom: boolean;
  }[];
  enrolments: { class: string; student: string; from: string | null; to: string | null }[];
  /** Enrolments that are over, by keys of a class and a student. */
  over: { class: string; student: string }[];
  /** Students who are gone from the school: they leave all its classes; their work is kept. */
  goneStudents: readonly string[];
  /** Anyone who came with an earlier roster and is not in this one has left the classes of this one. */
  whole: boolean;
}

/** Who is there already. */
export interface Present {
  students: ({
    id: number;
    rosterId: string | null;
    givenName: string;
    familyName: string;
    grade: number | null;
  } & RosterFacts)[];
  classes: { id: number; rosterId: string | null; name: string }[];
  /** `now`: whether the student is in the class today. */
  enrolments: { class: number; student: number; from: string | null; to: string | null; now: boolean }[];
}

/** What bringing the roster in would change. Keys stand for what is new. */
export interface ImportPlan {
  addStudents: Roster["students"];
  /** Those of whom the roster says something else than is known. */
  changeStudents: Present["students"];
  addClasses: Roster["classes"];
  /** Classes known by their names so far, and the number the roster has for them. */
  numberClasses: { id: number; rosterId: string }[];
  enrol: { class: string; student: string; from: string | null; to: string | null }[];
  leave: { class: number; student: number }[];
  /** Keys of what is there already. */
  known: { students: Record<string, number>; classes: Record<string, number> };
}

const plain = (text: string) => text.trim().toLowerCase();
const nameKey = (student: { givenName: string; familyName: string }) =>
  `${plain(student.givenName)} ${plain(student.familyName)}`;

/**
 * Compares a roster with who is there. A student is known by the roster's identifier, else by the name; bringing the same
 * roster in again changes nothing.
 * `planImport({ students: [], classes: [], enrolments: [], over: [], goneStudents: [] }, { students: [], classes: [], enrolments: [] }).addStudents` gives `[]`.
 */
export function planImport(roster: Roster, present: Present): ImportPlan {
  const byRosterId = new Map(present.students.flatMap((one) => (one.rosterId ? [[one.rosterId, one] as const] : [])));
  const byName = new Map(present.students.map((one) => [nameKey(one), one]));
  const classByRosterId = new Map(
    present.classes.flatMap((one) => (one.rosterId ? [[one.rosterId, one] as const] : [])),
  );
  const classByName = new Map(present.classes.map((one) => [plain(one.name), one]));
  const plan: ImportPlan = {
    addStudents: [],
    changeStudents: [],
    addClasses: [],
    numberClasses: [],
    enrol: [],
    leave: [],
    known: { students: {}, classes: {} },
  };
  const taken = new Set<number>();
  for (const student of roster.students) {
    const named = byName.get(nameKey(student));
    // A namesake with another identifier is somebody else.
    const match =
      (student.rosterId ? byRosterId.get(student.rosterId) : undefined) ??
      (named && (!student.rosterId || !named.rosterId) ? named : undefined);
    if (!match || taken.has(match.id)) {
      plan.addStudents.push(student);
      continue;
    }
    taken.add(match.id);
    plan.known.students[student.key] = match.id;
    // What the roster does not say stays as it is known.
    const merged = {
      id: match.id,
      givenName: student.givenName,
      familyName: student.familyName,
      grade: student.grade ?? match.grade,
      rosterId: student.rosterId ?? match.rosterId,
      homeLanguage: student.homeLanguage ?? match.homeLanguage,
      factor: student.factor ?? match.factor,
      readingGrade: student.readingGrade ?? match.readingGrade,
      languages: student.languages ?? match.languages,
    };
    const differs = (Object.keys(merged) as (keyof typeof merged)[]).some(
      (field) => String(merged[field]) !== String(match[field]),
    );
    if (differs) plan.changeStudents.push(merged);
  }
  for (const group of roster.classes) {
    const match =
      (group.rosterId ? classByRosterId.get(group.rosterId) : undefined) ?? classByName.get(plain(group.name));
    if (!match) {
      plan.addClasses.push(group);
      continue;
    }
    plan.known.classes[group.key] = match.id;
    if (group.rosterId && match.rosterId === null) {
      plan.numberClasses.push({ id: match.id, rosterId: group.rosterId });
      // Two classes of one name in the roster are not both this one.
      classByName.delete(plain(group.name));
    }
  }
  const studentId = (key: string) => plan.known.students[key] ?? byRosterId.get(key)?.id;
  const classId = (key: string) => plan.known.classes[key] ?? classByRosterId.get(key)?.id;
  const enrolled = new Map(present.enrolments.map((one) => [`${one.class} ${one.student}`, one]));
  /** A student who is there stays as she is; one whose time is over or to come, or has other dates, is written down anew. */
  const stands = (key: string, { from, to }: { from: string | null; to: string | null }) => {
    const known = enrolled.get(key);
    if (!known) return false;
    const dated = from !== null || to !== null;
    return dated ? known.from === from && known.to === to : known.now;
  };
  const wanted = new Set<string>();
  for (const enrolment of roster.enrolments) {
    const [group, student] = [classId(enrolment.class), studentId(enrolment.student)];
    // Of a delta, either may have come with an earlier file.
    if (student !== undefined) plan.known.students[enrolment.student] = student;
    if (group !== undefined) plan.known.classes[enrolment.class] = group;
    if (group !== undefined && student !== undefined) {
      wanted.add(`${group} ${student}`);
      if (stands(`${group} ${student}`, enrolment)) continue;
    }
    plan.enrol.push(enrolment);
  }
  const leaving = new Set<string>();
  for (const { class: group, student } of roster.over) {
    const key = `${classId(group)} ${studentId(student)}`;
    if (enrolled.has(key)) leaving.add(key);
  }
  const gone = new Set(roster.goneStudents.map(studentId));
  for (const { class: group, student } of present.enrolments) if (gone.has(student)) leaving.add(`${group} ${student}`);
  if (roster.whole) {
    const concerned = new Set(Object.values(plan.known.classes));
    const fromRoster = new Set(present.students.filter(({ rosterId }) => rosterId !== null).map(({ id }) => id));
    for (const { class: group, student } of present.enrolments)
      if (concerned.has(group) && fromRoster.has(student) && !wanted.has(`${group} ${student}`))
        leaving.add(`${group} ${student}`);
  }
  plan.leave = [...leaving].map((key) => {
    const [group, student] = key.split(" ").map(Number);
    return { class: group!, student: student! };
  });
  return plan;
}

/**
 * Whether bringing a roster in would leave everything as it is.
 * `changesNothing(planImport({ students: [], classes: [], enrolments: [], over: [], goneStudents: [] }, { students: [], classes: [], enrolments: [] }))` gives `true`.
 */
export const changesNothing = (plan: ImportPlan): boolean =>
  plan.addStudents.length +
    plan.changeStudents.length +
    plan.addClasses.length +
    plan.numberClasses.length +
    plan.enrol.length +
    plan.leave.length ===
  0;
