import { ClassSaid } from "./class-said";

const said = {
  ...{ name: "Lamp group", subject: "reading", gradeFrom: 3, gradeTo: 4, periodMinutes: 45 },
  ...{ reading: { from: 2.5, to: 4 }, languages: ["en"], devices: [] },
};
const problems = (more: object) =>
  ClassSaid.safeParse({ ...said, ...more }).error?.issues.map(({ path, message }) => [path.join("."), message]) ?? [];

test("everything that is wrong is said at once, what comes first among two fields too", () => {
  expect(problems({})).toEqual([]);
  expect(problems({ name: " ", gradeFrom: 7, reading: { from: 6, to: 2 } })).toEqual([
    ["name", "A class needs a name."],
    ["gradeFrom", "The lower grade comes first."],
    ["reading", "The lower reading grade comes first."],
  ]);
});

test("fields that cannot be read are not compared", () => {
  expect(problems({ gradeFrom: 40, reading: { from: 60, to: 2 } }).map(([field]) => field)).toEqual([
    "gradeFrom",
    "reading.from",
  ]);
  expect(problems({ reading: null })).toEqual([]);
});
