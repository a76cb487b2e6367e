import { newStep } from "./edit";
import { lessonOf } from "./testing/documents";
import { formatStepWork, withWork } from "./work";

let n = 0;
const newId = () => `w${(n += 1)}`;
const [first, notes, last] = ["Look", "For me", "Tell"].map((title) => newStep("en", title, newId));
const lesson = lessonOf([first!, { ...notes!, audience: "teacher" }, last!]);

test("a class works otherwise in the steps that were changed, and as its author says in the others", () => {
  const theirs = withWork(lesson, { [last!.id]: "pairs" });
  expect(theirs.steps.map(({ work }) => work)).toEqual(["alone", "alone", "pairs"]);
  expect(lesson.steps[2]!.work).toBe("alone");
  expect(withWork(lesson, null)).toBe(lesson);
  expect(withWork(lesson, { gone: "class" })).toEqual(lesson);
});

test("it is said by the number students see, and only where it is another", () => {
  expect(formatStepWork(lesson, { [first!.id]: "alone", [last!.id]: "pairs" })).toEqual(["step 2 in pairs"]);
  expect(formatStepWork(lesson, { [first!.id]: "class" })).toEqual(["step 1 with the whole class"]);
});
