import { paceOf } from "./pace";
import { classOf } from "./testing/answered";
import type { ResultTable } from "./table";

/** One question, and how many seconds each child took. */
function taking(seconds: readonly number[], factors: readonly number[] = []): ResultTable {
  const table = classOf(seconds.map(() => "B"));
  return {
    ...table,
    rows: table.rows.map((row, at) => ({
      ...row,
      factor: factors[at] ?? 1,
      cells: { q1: { ...row.cells.q1!, seconds: seconds[at]! } },
    })),
  };
}
const usual = [40, 44, 48, 50, 52, 55, 60];

test("who took ten times as long as the others, and who was through in three seconds", () => {
  expect(paceOf(taking([...usual, 500, 3]))).toEqual({ q1: { 8: "long", 9: "raced" } });
});

test("a child who is allowed twice the time is judged by hers", () => {
  expect(paceOf(taking([...usual, 110], [...usual.map(() => 1), 2]))).toEqual({});
  expect(paceOf(taking([...usual, 110]))).toEqual({ q1: { 8: "long" } });
});

test("nothing is said of fewer than five children, of a question all take the same time for, or of a few seconds", () => {
  expect(paceOf(taking([40, 41, 42, 900]))).toEqual({});
  expect(paceOf(taking([40, 40, 40, 40, 40, 900]))).toEqual({});
  expect(paceOf(taking([2, 2.1, 2.2, 2.3, 2.4, 19]))).toEqual({});
});
