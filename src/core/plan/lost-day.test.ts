import { LostDay } from "./lost-day";

const storm = { classes: [1, 2], date: "2026-12-01", name: " Storm ", move: true };
const problemOf = (more: object) => LostDay.safeParse({ ...storm, ...more }).error?.issues[0]?.message;

test("a lost day says of which classes, which day and why", () => {
  expect(LostDay.parse(storm)).toEqual({ ...storm, name: "Storm" });
  expect(problemOf({ classes: [] })).toBe("Choose at least one class.");
  expect(problemOf({ name: "  " })).toBe("Say why the day is lost.");
  expect(problemOf({ name: "s".repeat(61) })).toBe("Keep it under 60 characters.");
  expect(problemOf({ name: "s".repeat(60) })).toBeUndefined();
});

test.each([
  ["no class at all", { classes: ["5 Kittiwake"] }],
  ["a class that cannot be", { classes: [0] }],
  ["half a class", { classes: [1.5] }],
  ["more classes than anybody has", { classes: Array.from({ length: 21 }, (_, at) => at + 1) }],
  ["no day", { date: "2026-02-30" }],
  ["nothing of what moves", { move: undefined }],
])("%s is refused", (_, more) => expect(problemOf(more)).toBeDefined());

test("one class and twenty are right", () => {
  expect(problemOf({ classes: [1] })).toBeUndefined();
  expect(problemOf({ classes: Array.from({ length: 20 }, (_, at) => at + 1) })).toBeUndefined();
});
