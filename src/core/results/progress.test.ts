import fc from "fast-check";
import { formatCriterion, progressOf, standingOf, type Point } from "./progress";

const point = (day: number, gained: number, outOf = 10): Point => ({
  ...{ assignment: day, title: `Work ${day}`, at: new Date(Date.UTC(2026, 8, day)), gained, outOf },
});
const points = (...gained: number[]) => gained.map((marks, at) => point(at + 1, marks));

describe("the level", () => {
  test("is that of the last three results, by their marks", () => {
    expect(progressOf(points(2, 4, 6, 8)).level).toBeCloseTo(0.6, 12);
    expect(progressOf([point(1, 1, 1), point(2, 0, 9)]).level).toBeCloseTo(0.1, 12);
    expect(progressOf([])).toEqual({
      ...{ points: [], level: null, before: null, change: null, because: null },
      ...{ first: null, sinceFirst: null },
    });
  });

  test("rose or fell against the three before, and the result that made most of it is named", () => {
    expect(progressOf(points(9, 8, 9, 7, 6, 2))).toMatchObject({ change: "fell", because: { title: "Work 6" } });
    expect(progressOf(points(3, 3, 3, 9, 5, 4))).toMatchObject({ change: "rose", because: { title: "Work 4" } });
    expect(progressOf(points(7, 8, 7, 8, 7, 8))).toMatchObject({ change: "steady", because: null });
    expect(progressOf(points(1, 9, 9))).toMatchObject({ change: null });
  });

  test("a slow fall is seen against the first three, though no three results differ from those before", () => {
    const slow = progressOf(points(10, 9, 9, 8, 8, 7, 7, 6, 6));
    expect(slow).toMatchObject({ change: "steady", sinceFirst: "fell" });
    expect(slow.first).toBeCloseTo(28 / 30, 12);
    expect(progressOf(points(10, 9, 9, 8, 8))).toMatchObject({ first: null, sinceFirst: null });
  });

  test("results without marks say nothing", () => {
    expect(progressOf([point(1, 0, 0), point(2, 8)]).points).toHaveLength(1);
  });
});

describe("a goal's criterion", () => {
  const criterion = { share: 0.8, times: 3 };
  test("8 of 10, three times running, is met on the day of the third", () => {
    expect(formatCriterion(criterion)).toBe("8 of 10, three times running");
    expect(standingOf(points(8, 9, 8), criterion)).toEqual({ met: new Date(Date.UTC(2026, 8, 3)), running: 3 });
    expect(standingOf(points(8, 9, 7, 8, 8), criterion)).toEqual({ met: null, running: 2 });
  });

  test("what was met stays met, whatever comes after", () => {
    expect(standingOf(points(8, 8, 8, 2), criterion)).toEqual({ met: new Date(Date.UTC(2026, 8, 3)), running: 0 });
  });

  test("other criteria read as people say them", () => {
    expect(formatCriterion({ share: 0.75, times: 1 })).toBe("7.5 of 10, once");
    expect(formatCriterion({ share: 1, times: 5 })).toBe("10 of 10, 5 times running");
  });
});

test("the order results come in changes nothing, and one good result more never takes a goal away", () => {
  const list = fc.array(fc.integer({ min: 0, max: 10 }), { maxLength: 12 }).map((marks) => points(...marks));
  fc.assert(
    fc.property(list, (all) => {
      expect(progressOf(all.toReversed())).toEqual(progressOf(all));
      const criterion = { share: 0.8, times: 2 };
      const before = standingOf(all, criterion);
      const after = standingOf([...all, point(28, 10)], criterion);
      if (before.met) expect(after.met).toEqual(before.met);
      expect(after.running).toBe(before.running + 1);
    }),
  );
});
