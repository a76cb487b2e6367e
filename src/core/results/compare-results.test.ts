import { compareResults } from "./compare-results";
import { classOf } from "./testing/answered";

test("the same questions are compared, whatever else the new work asks", () => {
  const before = classOf(["BBAA", "BAAA", "BBBB"]);
  const now = classOf(["BBBBAA", "BAAABB", "BBBABB"]);
  const compared = compareResults(before, now);
  expect(compared).toMatchObject({ shared: 4, better: 1, worse: 1 });
  expect(compared.rows.map(({ before, now }) => [before, now])).toEqual([
    [0.5, 1],
    [0.25, 0.25],
    [1, 0.75],
  ]);
});

test("without a question in common the whole is compared with the whole", () => {
  const now = classOf(["BB", "AA"]);
  const other = {
    questions: now.questions.map((entry) => ({ ...entry, id: `n${entry.id}` })),
    rows: now.rows.map((row) => ({
      ...row,
      cells: Object.fromEntries(Object.entries(row.cells).map(([id, cell]) => [`n${id}`, cell])),
    })),
  };
  expect(compareResults(classOf(["BBAA", "BBBA"]), other)).toMatchObject({ shared: 0, better: 1, worse: 1 });
});

test("only who handed in both is compared", () => {
  const before = classOf(["BA", "BA", "BA"]);
  const now = classOf(["BB", "BB", "BB"]);
  before.rows[0] = { ...before.rows[0]!, state: "working" };
  now.rows[1] = { ...now.rows[1]!, state: "not begun" };
  expect(compareResults(before, now).rows.map(({ student }) => student.id)).toEqual([3]);
});

test("a question that counts nowhere now, and one that a child was not asked, is not compared", () => {
  const before = classOf(["BA", "AB"]);
  const now = classOf(["BB", "AA"]);
  for (const { cells } of now.rows) cells.q2!.mark.outOf = 0;
  expect(compareResults(before, now)).toMatchObject({ shared: 1, better: 0, worse: 0 });
  delete now.rows[0]!.cells.q1;
  expect(compareResults(before, now).rows).toEqual([{ student: now.rows[1]!.student, before: 0, now: 0 }]);
});
