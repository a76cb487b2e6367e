import fc from "fast-check";
import { kinds, subjects } from "../content/vocabulary";
import { countGroups, sumOf, type Groups } from "./count";
import { packFacets, SATCHEL, STAFFROOM, COMMONS } from "./facets";
import { anyNeed, lengthLimits, shelves, type Need } from "./need";

interface Row {
  kind: (typeof kinds)[number];
  minutes: number;
  subjects: (typeof subjects)[number][];
  grades: { from: number; to: number };
  reach: number;
}
const row: fc.Arbitrary<Row> = fc.record({
  kind: fc.constantFrom(...kinds),
  minutes: fc.integer({ min: 1, max: 90 }),
  subjects: fc.uniqueArray(fc.constantFrom(...subjects), { minLength: 1, maxLength: 3 }),
  grades: fc.tuple(fc.nat(12), fc.nat(12)).map(([a, b]) => ({ from: Math.min(a, b), to: Math.max(a, b) })),
  reach: fc.constantFrom(STAFFROOM, COMMONS, SATCHEL, STAFFROOM | SATCHEL),
});
const groupsOf = (rows: readonly Row[]): Groups => ({
  facets: rows.map(packFacets),
  reach: rows.map((one) => one.reach),
  entries: rows.map(() => 1),
});
const need: fc.Arbitrary<Need> = fc.record({
  ...Object.fromEntries(Object.entries(anyNeed).map(([name, value]) => [name, fc.constant(value)])),
  kinds: fc.uniqueArray(fc.constantFrom(...kinds), { maxLength: 2 }),
  grades: fc.uniqueArray(fc.nat(12), { maxLength: 3 }),
  subjects: fc.uniqueArray(fc.constantFrom(...subjects), { maxLength: 2 }),
  minutes: fc.constantFrom(null, ...lengthLimits),
  shelf: fc.constantFrom(null, ...shelves),
}) as fc.Arbitrary<Need>;

const passes = (of: Row, { kinds: k, grades, subjects: s, minutes, shelf }: Need): boolean =>
  (k.length === 0 || k.includes(of.kind)) &&
  (grades.length === 0 || grades.some((grade) => of.grades.from <= grade && grade <= of.grades.to)) &&
  (s.length === 0 || of.subjects.some((subject) => s.includes(subject))) &&
  (minutes === null || of.minutes <= minutes) &&
  (shelf === null || (of.reach & { staffroom: 1, district: 2, commons: 4, satchel: 8 }[shelf]) !== 0);

describe("counting over groups of alike entries", () => {
  test("what is left is what passes, whatever is filled", () => {
    fc.assert(
      fc.property(fc.array(row, { maxLength: 60 }), need, (rows, one) => {
        const { left } = countGroups([groupsOf(rows)], one);
        expect(left[0]).toBe(rows.length);
        expect(left.at(-1)).toBe(rows.filter((of) => passes(of, one)).length);
        // Narrowing never brings anything back.
        expect([...left].sort((a, b) => b - a)).toEqual(left);
      }),
    );
  });

  test("a blank promises what choosing it alone would leave", () => {
    fc.assert(
      fc.property(fc.array(row, { maxLength: 40 }), need, fc.constantFrom(...kinds), (rows, one, kind) => {
        const promised = countGroups([groupsOf(rows)], one).facets.kind[kind] ?? 0;
        expect(promised).toBe(countGroups([groupsOf(rows)], { ...one, kinds: [kind] }).left.at(-1));
      }),
    );
  });

  test("so it does for grades, whatever else is filled", () => {
    fc.assert(
      fc.property(fc.array(row, { maxLength: 40 }), need, fc.nat(12), (rows, one, grade) => {
        const promised = countGroups([groupsOf(rows)], one).facets.grade[grade] ?? 0;
        expect(promised).toBe(countGroups([groupsOf(rows)], { ...one, grades: [grade] }).left.at(-1));
      }),
    );
  });

  test("so it does for subjects, lengths and shelves", () => {
    fc.assert(
      fc.property(
        fc.array(row, { maxLength: 40 }),
        need,
        fc.constantFrom(...subjects),
        fc.constantFrom(...lengthLimits),
        fc.constantFrom(...shelves),
        (rows, one, subject, minutes, shelf) => {
          const all = [groupsOf(rows)];
          const { facets } = countGroups(all, one);
          const leaves = (change: Partial<Need>) => countGroups(all, { ...one, ...change }).left.at(-1);
          expect(facets.subject[subject] ?? 0).toBe(leaves({ subjects: [subject] }));
          expect(facets.minutes[minutes] ?? 0).toBe(leaves({ minutes }));
          expect(facets.shelf[shelf] ?? 0).toBe(leaves({ shelf }));
        },
      ),
    );
  });

  test("what is taken away again in another part does not count", () => {
    fc.assert(
      fc.property(fc.array(row, { maxLength: 20 }), need, (rows, one) => {
        const all = groupsOf(rows);
        const away = { ...all, entries: all.entries.map((n) => -n) };
        expect(countGroups([all, away], one).left).toEqual([0, 0, 0, 0, 0, 0]);
        expect(sumOf([all, away])).toBe(0);
      }),
    );
  });
});
