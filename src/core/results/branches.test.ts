import { areasOf, branchesOf, gradesAsked, gradesIn, lessonsFor, type Statement } from "./branches";

const node = (id: number, parent: number | null, code: string, grade: number | null = null): Statement => ({
  ...{ id, parent, code, statement: `Statement ${code}`, gradeFrom: grade, gradeTo: grade },
});
const statements = [
  node(1, null, "MA"),
  node(2, 1, "MA.N"),
  node(3, 2, "MA.4.N.1", 4),
  node(4, 2, "MA.5.N.1", 5),
  node(5, 1, "MA.M"),
  node(6, 5, "MA.5.M.1", 5),
  node(7, null, "SC"),
  node(8, 7, "SC.1"),
];
const codes = (area: number | null, grades: { from: number; to: number } | null) =>
  branchesOf(statements, area, grades).map(({ heading, statements: some }) => [
    heading?.code,
    some.map(({ code }) => code),
  ]);

test("statements stand under their headings, of one area and the grades asked for", () => {
  expect(codes(1, { from: 5, to: 5 })).toEqual([
    ["MA.N", ["MA.5.N.1"]],
    ["MA.M", ["MA.5.M.1"]],
  ]);
  expect(codes(null, null)).toEqual([
    ["MA.N", ["MA.4.N.1", "MA.5.N.1"]],
    ["MA.M", ["MA.5.M.1"]],
    ["SC", ["SC.1"]],
  ]);
  // Without a grade it is for every grade.
  expect(codes(7, { from: 2, to: 2 })).toEqual([["SC", ["SC.1"]]]);
  expect(areasOf(statements).map(({ code }) => code)).toEqual(["MA", "SC"]);
  expect(gradesIn(statements)).toEqual([4, 5]);
});

test("lessons called like the area are left for it; where none is, all of them", () => {
  const lessons = [
    { label: "Maths", left: 31 },
    { label: "Reading", left: 30 },
  ];
  expect(lessonsFor(lessons, "Mathematics, kindergarten to grade 8")).toBe(31);
  expect(lessonsFor(lessons, "Science")).toBe(61);
});

test("the grades asked for are all, one, or those of the classes; what cannot be a grade is not asked for", () => {
  const classes = [{ grades: { from: 5, to: 5 } }, { grades: { from: 4, to: 5 } }];
  expect(gradesAsked("all", classes)).toBeNull();
  expect(gradesAsked("0", classes)).toEqual({ from: 0, to: 0 });
  for (const said of [null, "99", "x", ""]) expect(gradesAsked(said, classes)).toEqual({ from: 4, to: 5 });
});
