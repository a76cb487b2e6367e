import { readRosterAnswers } from "./one-roster-rest";

const org = (id: string, name: string) => ({ sourcedId: id, status: "active", name, type: "school" });
const answers = {
  orgs: [org("s1", "Lighthouse Road Primary")],
  classes: [
    {
      sourcedId: "c1",
      status: "active",
      title: "5 Kittiwake",
      classType: "homeroom",
      grades: ["04", "05"],
      subjects: ["mathematics", "reading"],
      school: { href: "https://directory.example/orgs/s1", sourcedId: "s1", type: "org" },
      terms: [],
    },
  ],
  users: [
    {
      sourcedId: "u1",
      status: "active",
      enabledUser: "true",
      givenName: "Aisha",
      familyName: "Bello",
      grades: ["05"],
      roles: [{ roleType: "primary", role: "student", org: { sourcedId: "s1" } }],
    },
    {
      sourcedId: "t1",
      givenName: "Ines",
      familyName: "Halloran",
      email: "ines.halloran@skerry.example",
      roles: [{ roleType: "primary", role: "teacher", org: { sourcedId: "s1" } }],
    },
    { sourcedId: "p1", givenName: "Mother", familyName: "Bello", roles: [{ role: "parent" }] },
  ],
  enrollments: [
    {
      sourcedId: "e1",
      class: { sourcedId: "c1" },
      user: { sourcedId: "u1" },
      school: { sourcedId: "s1" },
      role: "student",
      beginDate: "2026-08-31",
      endDate: "2027-06-30",
    },
    { sourcedId: "e2", class: { sourcedId: "c1" }, user: { sourcedId: "t1" }, role: "teacher", primary: "true" },
  ],
};

test("a directory's answers are read as the file would be: who there is, what classes, who is in them", () => {
  expect(readRosterAnswers(answers)).toEqual({
    version: "1.2",
    mode: "bulk",
    schools: [],
    students: [{ rosterId: "u1", givenName: "Aisha", familyName: "Bello", grade: 5 }],
    teachers: [{ rosterId: "t1", name: "Ines Halloran", email: "ines.halloran@skerry.example" }],
    classes: [{ rosterId: "c1", name: "5 Kittiwake", subject: "mathematics", grades: [4, 5], homeroom: true }],
    enrolments: [
      { class: "c1", person: "u1", role: "student", from: "2026-08-31", to: "2027-06-30" },
      { class: "c1", person: "t1", role: "teacher", from: null, to: null },
    ],
    gone: { students: [], enrolments: [] },
    problems: [],
  });
});

test("a student who is to be deleted is gone, and so is her place", () => {
  const [pupil, ...rest] = answers.users;
  const read = readRosterAnswers({
    ...answers,
    users: [{ ...pupil, status: "tobedeleted" }, ...rest],
    enrollments: [{ ...answers.enrollments[0], status: "tobedeleted" }],
  });
  expect(read.students).toEqual([]);
  expect(read.gone).toEqual({ students: ["u1"], enrolments: [{ class: "c1", person: "u1" }] });
});

test("of a directory with two schools one is chosen; the other's people stay out", () => {
  const two = {
    ...answers,
    orgs: [...answers.orgs, org("s2", "Gull Hill Primary")],
    classes: [
      ...answers.classes,
      { ...answers.classes[0], sourcedId: "c2", title: "2 Gull", school: { sourcedId: "s2" } },
    ],
    users: [
      ...answers.users,
      { ...answers.users[0], sourcedId: "u2", givenName: "Bo", roles: [{ role: "student", org: { sourcedId: "s2" } }] },
    ],
  };
  expect(readRosterAnswers(two).schools.map(({ name }) => name)).toEqual([
    "Gull Hill Primary",
    "Lighthouse Road Primary",
  ]);
  expect(readRosterAnswers(two, "s1").students.map(({ givenName }) => givenName)).toEqual(["Aisha"]);
});

test("one thing that cannot be read is named and the rest is read; nothing that can be read is no roster", () => {
  const [pupil] = answers.users;
  const read = readRosterAnswers({
    ...answers,
    users: [...answers.users, { ...pupil, sourcedId: "u9", roles: "none" }],
  });
  expect(read.problems).toEqual([{ file: "users", line: 4, text: "roles cannot be read." }]);
  expect(read.students).toHaveLength(1);
  expect(() => readRosterAnswers({ ...answers, users: [{ name: "?" }] })).toThrow(
    "What the directory says of its users cannot be read.",
  );
  expect(() => readRosterAnswers({ ...answers, classes: [] })).toThrow("The directory has no classes to bring in.");
});
