import fc from "fast-check";
import { Axis } from "./schema/scale";
import { marksOf, nearestMark, numberedMarks, shareAlong } from "./scale";

describe("a scale", () => {
  test("has a mark at each step, also where binary fractions would drift", () => {
    expect(marksOf({ from: 0, to: 1, step: 0.1 })).toEqual([0, 0.1, 0.2, 0.3, 0.4, 0.5, 0.6, 0.7, 0.8, 0.9, 1]);
    expect(marksOf({ from: -2, to: 2, step: 2 })).toEqual([-2, 0, 2]);
  });

  test("ends with the last mark that is still on it", () => {
    expect(marksOf({ from: 0, to: 10, step: 4 })).toEqual([0, 4, 8]);
    expect(nearestMark({ from: 0, to: 10, step: 4 }, 10)).toBe(8);
  });

  test("whatever is pointed at, the nearest mark is one of its marks and no other is nearer", () => {
    const scale = fc
      .record({
        from: fc.integer({ min: -50, max: 50 }),
        steps: fc.integer({ min: 1, max: 60 }),
        tenths: fc.integer({ min: 1, max: 30 }),
      })
      .map(({ from, steps, tenths }) => ({ from, to: from + (steps * tenths) / 10, step: tenths / 10 }));
    fc.assert(
      fc.property(scale, fc.double({ min: -200, max: 200, noNaN: true }), (axis, value) => {
        const found = nearestMark(axis, value);
        const marks = marksOf(axis);
        expect(marks).toContain(found);
        const least = Math.min(...marks.map((one) => Math.abs(one - value)));
        expect(Math.abs(found - value)).toBeCloseTo(least, 6);
      }),
    );
  });

  test("bears as many numbers as can stand beside one another, fewer of long ones, the first among them", () => {
    for (const to of [5, 10, 12, 40, 100, 144, 999]) {
      const numbered = numberedMarks({ from: 0, to, step: 1 });
      expect(numbered.size).toBeLessThanOrEqual(11);
      expect(numbered.size).toBeGreaterThan(3);
      expect(numbered).toContain(0);
    }
    expect(numberedMarks({ from: 0, to: 5000, step: 500 }).size).toBe(6);
    expect([...numberedMarks({ from: 0, to: 20, step: 1 })]).toEqual([0, 2, 4, 6, 8, 10, 12, 14, 16, 18, 20]);
  });

  test("a value stands at its share of the way", () => {
    expect(shareAlong({ from: -10, to: 10, step: 1 }, 5)).toBe(0.75);
  });

  test.each([
    ["from the greater to the smaller", { from: 5, to: 1, step: 1 }],
    ["with no step", { from: 0, to: 1, step: 0 }],
    ["with more marks than anyone can see", { from: 0, to: 10_000, step: 1 }],
  ])("%s is none", (_, axis) => {
    expect(Axis.safeParse(axis).success).toBe(false);
  });
});
