import { stepAt } from "./step-at";

test.each([
  [null, 0],
  ["3", 2],
  ["2.7", 1],
  ["99", 4],
  ["0", 0],
  ["-4", 0],
  ["abc", 0],
  ["", 0],
  ["Infinity", 4],
])("of five steps, step=%s is the one at %i", (text, at) => {
  expect(stepAt(text, 5)).toBe(at);
});

test("where there are no steps it is the first place", () => {
  expect(stepAt("2", 0)).toBe(0);
});
