import { changesNothing, planImport, unsaid, type Present, type Roster } from "./import-plan";

const student = (key: string, givenName: string, more: Partial<Roster["students"][number]> = {}) => ({
  key,
  rosterId: key,
  givenName,
  familyName: "Test",
  grade: 5,
  ...unsaid,
  ...more,
});
const kittiwake = {
  key: "c1",
  rosterId: "c1",
  name: "5 Kittiwake",
  subject: "",
  gradeFrom: 5,
  gradeTo: 5,
  homeroom: false,
};
const roster = (students: Roster["students"], more: Partial<Roster> = {}): Roster => ({
  students,
  classes: [kittiwake],
  enrolments: students.map(({ key }) => ({ class: "c1", student: key, from: null, to: null })),
  over: [],
  goneStudents: [],
  whole: false,
  ...more,
});
const present: Present = {
  students: [
    { id: 1, rosterId: "u1", givenName: "Aisha", familyName: "Test", grade: 5, ...unsaid },
    { id: 2, rosterId: null, givenName: "Bo", familyName: "Test", grade: 5, ...unsaid },
    { id: 3, rosterId: "u3", givenName: "Cato", familyName: "Test", grade: 5, ...unsaid },
  ],
  classes: [{ id: 9, rosterId: "c1", name: "5 Kittiwake" }],
  enrolments: [
    { class: 9, student: 1, from: null, to: null, now: true },
    { class: 9, student: 2, from: null, to: null, now: true },
    { class: 9, student: 3, from: null, to: null, now: true },
  ],
};

test("the same roster again changes nothing", () => {
  expect(changesNothing(planImport(roster([student("u1", "Aisha"), student("u3", "Cato")]), present))).toBe(true);
});

test("anyone who is new is added and enrolled; anyone who is there already is enrolled only", () => {
  const puffin = { ...kittiwake, key: "c2", rosterId: "c2", name: "4/5 Puffin" };
  const plan = planImport(
    roster([student("u1", "Aisha"), student("u8", "Dina")], {
      classes: [puffin],
      enrolments: ["u1", "u8"].map((key) => ({ class: "c2", student: key, from: null, to: null })),
    }),
    present,
  );
  expect(plan.addStudents.map(({ givenName }) => givenName)).toEqual(["Dina"]);
  expect(plan.addClasses).toEqual([puffin]);
  expect(plan.enrol).toHaveLength(2);
  expect(plan.known.students).toEqual({ u1: 1 });
});

test("a new name or grade is changed, and an identifier is written to anyone who was typed in by hand", () => {
  const plan = planImport(roster([student("u1", "Aïsha", { grade: 6 }), student("u2", "Bo")]), present);
  expect(plan.changeStudents).toEqual([
    { id: 1, givenName: "Aïsha", familyName: "Test", grade: 6, rosterId: "u1", ...unsaid },
    { id: 2, givenName: "Bo", familyName: "Test", grade: 5, rosterId: "u2", ...unsaid },
  ]);
  expect(plan.addStudents).toEqual([]);
});

test("a namesake with another identifier is somebody else", () => {
  expect(planImport(roster([student("u7", "Aisha")]), present).addStudents).toHaveLength(1);
});

test("in a whole roster, anyone who came with one and is missing has left; anyone who was typed in stays", () => {
  const plan = planImport(roster([student("u1", "Aisha")], { whole: true }), present);
  expect(plan.leave).toEqual([{ class: 9, student: 3 }]);
});

test("in a delta only what is said to be over is over", () => {
  const delta = roster([], { enrolments: [], over: [{ class: "c1", student: "u3" }] });
  expect(planImport(delta, present).leave).toEqual([{ class: 9, student: 3 }]);
  expect(planImport(roster([]), present).leave).toEqual([]);
});

test("a student who is gone leaves every class, and only what she is in", () => {
  const gone = roster([], { classes: [], enrolments: [], goneStudents: ["u1", "u99"] });
  expect(planImport(gone, present)).toMatchObject({ leave: [{ class: 9, student: 1 }], addStudents: [] });
});

test("a list without identifiers knows students by their names", () => {
  const list = roster([student("line 1", "bo ", { rosterId: null }), student("line 2", "Eve", { rosterId: null })]);
  const plan = planImport(list, present);
  expect(plan.addStudents.map(({ givenName }) => givenName)).toEqual(["Eve"]);
  expect(plan.enrol).toEqual([{ class: "c1", student: "line 2", from: null, to: null }]);
});

describe("the days of an enrolment", () => {
  const dated = (from: string | null, to: string | null) =>
    roster([student("u1", "Aisha")], { enrolments: [{ class: "c1", student: "u1", from, to }] });
  const here = (one: { from: string | null; to: string | null; now: boolean }) => ({
    ...present,
    enrolments: [{ class: 9, student: 1, ...one }],
  });

  test("another first or last day is written down", () => {
    const now = here({ from: "2026-08-31", to: null, now: true });
    expect(planImport(dated("2026-08-31", "2027-06-30"), now).enrol).toHaveLength(1);
    expect(planImport(dated("2026-08-31", null), now).enrol).toEqual([]);
  });

  test("a list without days leaves them as they are, and brings back a child whose time was over", () => {
    expect(planImport(dated(null, null), here({ from: "2026-08-31", to: "2027-06-30", now: true })).enrol).toEqual([]);
    expect(planImport(dated(null, null), here({ from: null, to: "2026-10-01", now: false })).enrol).toHaveLength(1);
  });
});

test("what the roster says anew of somebody is brought up to date, and what it does not say stays", () => {
  const known: Present = {
    ...present,
    students: [{ ...present.students[0]!, homeLanguage: "es", factor: 1.5, readingGrade: 4, languages: ["es"] }],
  };
  const same = planImport(roster([student("u1", "Aisha")]), known);
  expect(same.changeStudents).toEqual([]);
  const news = planImport(roster([student("u1", "Aisha", { readingGrade: 5.5, languages: ["es", "en"] })]), known);
  expect(news.changeStudents).toEqual([{ ...known.students[0], readingGrade: 5.5, languages: ["es", "en"] }]);
});

test("a class made by hand is known by its name and learns the roster's number; of two of one name only one does", () => {
  const byHand: Present = { ...present, classes: [{ id: 9, rosterId: null, name: "5 kittiwake" }] };
  const plan = planImport(roster([student("u1", "Aisha")]), byHand);
  expect(plan.numberClasses).toEqual([{ id: 9, rosterId: "c1" }]);
  expect(plan.addClasses).toEqual([]);
  expect(changesNothing(plan)).toBe(false);
  const namesake = { ...kittiwake, key: "c7", rosterId: "c7" };
  const both = planImport(roster([student("u1", "Aisha")], { classes: [kittiwake, namesake] }), byHand);
  expect(both.numberClasses).toEqual([{ id: 9, rosterId: "c1" }]);
  expect(both.addClasses).toEqual([namesake]);
  expect(planImport(roster([student("u1", "Aisha")]), present).numberClasses).toEqual([]);
});
