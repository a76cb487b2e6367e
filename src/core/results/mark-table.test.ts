import fc from "fast-check";
import { markTable, markTableRows, percentOf, plainRules, type Got, type MarkedWork } from "./mark-table";

const work = (id: number, weight = 100): MarkedWork => ({
  ...{ id, weight, title: `Work ${id}`, goals: [] },
  due: new Date(Date.UTC(2026, 9, id)),
});
const marks = (gained: number, outOf = 10): Got => ({ kind: "marks", gained, outOf });
const liv = { id: 1, name: "Liv Torsen" };
const of = (got: Got[], rules = {}, weights: number[] = []) =>
  markTable(
    [liv],
    got.map((_, at) => work(at + 1, weights[at])),
    new Map([[1, Object.fromEntries(got.map((one, at) => [at + 1, one]))]]),
    { ...plainRules, ...rules },
  ).rows[0]!;

describe("a total", () => {
  test("is exact in decimals, where adding as computers do is not", () => {
    // 0.1 + 0.2 of 0.3 is all of it.
    expect(of([marks(0.1, 0.15), marks(0.2, 0.15)], { by: "marks" }).total).toBe("100.0");
    // 0.7 of 1 a hundred times is 70.0, not 69.9.
    expect(of(Array.from({ length: 100 }, () => marks(0.7, 1))).total).toBe("70.0");
    expect(percentOf({ over: 2n, under: 3n })).toBe("66.7");
    expect(percentOf({ over: 1n, under: 800n })).toBe("0.1");
    expect(percentOf({ over: 1n, under: 1n })).toBe("100.0");
  });

  test("counts each piece of work by its weight, or by the marks it is worth", () => {
    expect(of([marks(5), marks(9)], {}, [100, 200]).total).toBe("76.7");
    expect(of([marks(5, 10), marks(2, 2)], {}).total).toBe("75.0");
    expect(of([marks(5, 10), marks(2, 2)], { by: "marks" }).total).toBe("58.3");
    expect(of([marks(5), marks(9)], {}, [0, 100]).total).toBe("90.0");
    expect(of([marks(5)], {}, [0]).total).toBeNull();
  });

  test("leaves out the lowest, by their share, and always keeps one", () => {
    const row = of([marks(9), marks(1, 2), marks(7)], { lowest: 1 });
    expect(row).toMatchObject({ dropped: [2], total: "80.0" });
    expect(of([marks(9)], { lowest: 3 })).toMatchObject({ dropped: [], total: "90.0" });
    // What does not count is not among the lowest.
    expect(of([marks(1), marks(5), marks(9)], { lowest: 1 }, [0, 100, 100])).toMatchObject({ dropped: [2] });
  });

  test("leaves out what she is excused from, what is to come and what is not marked; what is missing as the rule says", () => {
    const missing: Got = { kind: "missing" };
    for (const kind of ["excused", "to come", "not read"] as const)
      expect(of([marks(8), { kind }], { missing: "nothing" }).total).toBe("80.0");
    expect(of([marks(8), missing]).total).toBe("80.0");
    const classmates = markTable(
      [liv, { id: 2, name: "Odd" }],
      [work(1), work(2)],
      new Map([
        [1, { 1: marks(8), 2: missing }],
        [2, { 1: marks(6), 2: marks(3, 5) }],
      ]),
      { ...plainRules, missing: "nothing" },
    );
    expect(classmates.rows.map(({ total }) => total)).toEqual(["40.0", "60.0"]);
  });
});

test("the average of a piece of work is that of the shares; below five children nothing is said", () => {
  const students = Array.from({ length: 5 }, (_, at) => ({ id: at + 1, name: `Child ${at + 1}` }));
  const got = new Map(
    students.map(({ id }): [number, Record<number, Got>] => [
      id,
      id > 1 ? { 1: marks(id * 2), 2: marks(5) } : { 1: marks(id * 2) },
    ]),
  );
  const { columns } = markTable(students, [work(1), work(2)], got, plainRules);
  expect(columns[0]).toMatchObject({ average: 0.6, middle: { median: 0.6, from: 0.4, to: 0.8 } });
  expect(columns[1]).toMatchObject({ average: null, middle: null, students: 4 });
});

const anyGot = fc.oneof(
  fc
    .record({ gained: fc.integer({ min: 0, max: 20 }), outOf: fc.integer({ min: 20, max: 40 }) })
    .map(({ gained, outOf }) => marks(gained / 2, outOf / 2)),
  fc.constantFrom<Got>({ kind: "missing" }, { kind: "excused" }),
);

test("whatever order pieces of work and children come in, totals are the same; with weights of one it is the mean", () => {
  fc.assert(
    fc.property(fc.array(anyGot, { minLength: 1, maxLength: 9 }), fc.integer({ min: 0, max: 3 }), (got, lowest) => {
      const rules = { ...plainRules, lowest };
      const works = got.map((_, at) => work(at + 1));
      const cells = new Map([[1, Object.fromEntries(got.map((one, at) => [at + 1, one]))]]);
      const forwards = markTable([liv], works, cells, rules).rows[0]!;
      const backwards = markTable([liv], works.toReversed(), cells, rules).rows[0]!;
      expect(backwards.total).toBe(forwards.total);
      const shares = got.flatMap((one) => (one.kind === "marks" ? [one.gained / one.outOf] : []));
      if (lowest === 0 && shares.length > 0)
        expect(forwards.share).toBeCloseTo(shares.reduce((sum, one) => sum + one, 0) / shares.length, 5);
    }),
  );
});

test("for a spreadsheet numbers are numbers and dates are dates; names can be left out", () => {
  const table = markTable(
    [liv],
    [work(1), work(2), work(3)],
    new Map([[1, { 1: marks(2, 3), 2: { kind: "excused" as const } }]]),
    plainRules,
  );
  expect(markTableRows(table, true)).toEqual([
    ["", "", work(1).due, work(2).due, work(3).due],
    ["Student", "Total %", "Work 1", "Work 2", "Work 3"],
    ["Weight", null, 1, 1, 1],
    ["Liv Torsen", 66.7, 66.7, "excused", null],
  ]);
  expect(markTableRows(table, false)[3]![0]).toBe("Student 1");
});

test("without names the order says nothing of who is who", () => {
  const odd = { id: 2, name: "Odd Marwen" };
  const got = new Map([
    [1, { 1: marks(2) }],
    [2, { 1: marks(9) }],
  ]);
  for (const students of [
    [liv, odd],
    [odd, liv],
  ])
    expect(markTableRows(markTable(students, [work(1)], got, plainRules), false).slice(3)).toEqual([
      ["Student 1", 90, 90],
      ["Student 2", 20, 20],
    ]);
});
