import fc from "fast-check";
import { groupsOf, liveGroups, type ToGroup } from "./lesson-groups";

const child = (id: number, x: number | null = null, y = 0): ToGroup => ({
  ...{ id, readingGrade: null, lastResult: null },
  seat: x === null ? null : { x, y },
});

test("so many groups: pairs with one three where somebody is left, groups never larger than asked", () => {
  expect([22, 23, 1, 2].map((students) => groupsOf(students, 2))).toEqual([11, 11, 1, 1]);
  expect([22, 24, 3].map((students) => groupsOf(students, 4))).toEqual([6, 6, 1]);
});

test("by seats: neighbours together, row by row; who has no seat comes last", () => {
  const room = [child(1, 3), child(2, 0), child(3, 0, 1), child(4, 1), child(5, 2), child(6)];
  expect(liveGroups(room, 2, "by seats", [], Math.random).groups).toEqual([
    [2, 4],
    [5, 1],
    [3, 6],
  ]);
  expect(liveGroups(room, 2, "by seats", [[2, 4]], Math.random).together).toEqual([[2, 4]]);
});

test("any children, by any rule: everybody once, and no group is more than one larger than another", () => {
  const rules = fc.constantFrom(
    "by seats" as const,
    "at random" as const,
    "mixed reading" as const,
    "by reading" as const,
  );
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 40 }), fc.integer({ min: 2, max: 6 }), rules, (many, size, rule) => {
      const room = Array.from({ length: many }, (_, at) => child(at + 1, at % 6, Math.floor(at / 6)));
      const { groups } = liveGroups(room, size, rule, [], () => 0.5);
      expect(groups.flat().sort((one, other) => one - other)).toEqual(room.map(({ id }) => id));
      const sizes = groups.map((group) => group.length);
      expect(Math.max(...sizes) - Math.min(...sizes)).toBeLessThanOrEqual(1);
      expect(Math.max(...sizes)).toBeLessThanOrEqual(size === 2 ? 3 : size);
    }),
  );
});
