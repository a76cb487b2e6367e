import { averageOf, sortedRows } from "./sort-rows";
import { classOf } from "./testing/answered";

const table = classOf(["BA", "AA", "BB", "AB"]);
const rows = table.rows.map((row, at) => ({ ...row, marks: [1, 0, 2, 1][at]!, outOf: 2, minutes: [4, 9, 2, 5][at]! }));
const ids = (sorted: typeof rows) => sorted.map(({ student }) => student.id);

test("the weakest first, or the strongest; who is level stays by name", () => {
  expect(ids(sortedRows(rows, { column: "marks" }, false))).toEqual([2, 1, 4, 3]);
  expect(ids(sortedRows(rows, { column: "marks" }, true))).toEqual([3, 1, 4, 2]);
  expect(ids(sortedRows(rows, { column: "question", question: "q2" }, false))).toEqual([1, 2, 3, 4]);
  expect(ids(sortedRows(rows, { column: "minutes" }, true))).toEqual([2, 4, 1, 3]);
});

test("who has not begun stands at the end, whichever way it is sorted", () => {
  const some = rows.with(2, { ...rows[2]!, state: "not begun" });
  for (const down of [true, false]) expect(ids(sortedRows(some, { column: "marks" }, down)).at(-1)).toBe(3);
  expect(ids(sortedRows(some, { column: "state" }, false))[0]).toBe(3);
});

test("the average is of those who have begun, each child counting the same", () => {
  expect(averageOf(rows)).toEqual({ students: 4, share: 0.5, minutes: 5 });
  const some = rows.with(1, { ...rows[1]!, state: "not begun" });
  expect(averageOf(some).share).toBeCloseTo(2 / 3, 12);
  expect(averageOf([])).toEqual({ students: 0, share: null, minutes: 0 });
});
