import fc from "fast-check";
import { cellOf, countLevels, coverageOf, levels, roomLeft, type Evidence } from "./coverage";

const now = new Date("2026-11-28T10:00:00Z");
const day = (n: number) => new Date(now.getTime() + n * 86_400_000);
let id = 0;
const work = (days: number, result: Evidence["result"] = null, more: Partial<Evidence> = {}): Evidence => ({
  ...{ assignment: (id += 1), title: "Tides", class: 1, standard: 7, opens: day(days), due: day(days + 2), result },
  ...more,
});
const got = (gained: number, outOf: number, students = 22) => ({ gained, outOf, students });

test("what is planned, taught and assessed is counted, and the last result says how well", () => {
  const cell = cellOf([work(-30, got(20, 44)), work(-20), work(-10, got(34, 44)), work(3)], now);
  expect(cell).toMatchObject({ planned: 1, taught: 3, assessed: 2, students: 22, level: "half or more" });
  expect(cell.share).toBeCloseTo(34 / 44, 12);
  expect(cell.between![0]).toBeLessThan(cell.share!);
  expect(cell.between![1]).toBeGreaterThan(cell.share!);
  expect(cell.evidence.map(({ opens }) => opens)).toEqual([day(3), day(-10), day(-20), day(-30)]);
});

test("from nothing over planned and taught to done", () => {
  const levelOf = (...evidence: Evidence[]) => cellOf(evidence, now).level;
  expect(levelOf()).toBe("nothing");
  expect(levelOf(work(4))).toBe("planned");
  expect(levelOf(work(4), work(-1))).toBe("taught");
  expect(levelOf(work(-1, got(8, 8, 4)))).toBe("too few");
  expect(levelOf(work(-1, got(21, 44)))).toBe("under half");
  expect(levelOf(work(-1, got(22, 44)))).toBe("half or more");
  expect(levelOf(work(-1, got(36, 45)))).toBe("done");
  // It fell back: the last result counts, not the best.
  expect(levelOf(work(-9, got(44, 44)), work(-1, got(20, 44)))).toBe("under half");
});

test("of a few children no share is said", () => {
  expect(cellOf([work(-1, got(3, 4, 2))], now)).toMatchObject({ share: null, between: null, students: 2, assessed: 1 });
});

test("lessons left are shared out over the statements that are not done", () => {
  const cells = [...Array<"taught">(9).fill("taught"), "done" as const].map((level) => ({ level }));
  expect(roomLeft(31, cells)).toEqual({ lessons: 31, open: 9, each: 3, over: 4 });
  expect(roomLeft(5, [{ level: "done" }])).toEqual({ lessons: 5, open: 0, each: null, over: 5 });
});

const evidence = fc.record({
  assignment: fc.integer({ min: 1, max: 1e6 }),
  title: fc.constant("x"),
  class: fc.constantFrom(1, 2),
  standard: fc.constantFrom(3, 4, 5),
  opens: fc.integer({ min: -90, max: 30 }).map(day),
  due: fc.constant(day(31)),
  result: fc.option(
    fc.record({
      gained: fc.integer({ min: 0, max: 20 }),
      outOf: fc.constant(20),
      students: fc.integer({ min: 1, max: 30 }),
    }),
  ),
});

test("the order of evidence changes nothing; every piece is counted once, and the levels add up", () => {
  const list = fc.uniqueArray(evidence, { selector: ({ assignment }) => assignment, maxLength: 30 });
  fc.assert(
    fc.property(list, (all) => {
      const coverage = coverageOf(all, now);
      expect(coverageOf(all.toReversed(), now)).toEqual(coverage);
      const cells = Object.values(coverage).flatMap((group) => Object.values(group));
      expect(cells.reduce((sum, cell) => sum + cell.planned + cell.taught, 0)).toBe(all.length);
      const counts = countLevels(cells);
      expect(levels.reduce((sum, level) => sum + counts[level], 0)).toBe(cells.length);
      for (const cell of cells) expect(cell.assessed).toBeLessThanOrEqual(cell.taught);
    }),
  );
});
