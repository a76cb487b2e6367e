import fc from "fast-check";
import { bellsFrom, bellsOfWeek, proposeTerms, sumOfYear, withYear, MOST_TERMS } from "./new-year";
import { addDays, weekdayOf } from "./school-calendar";

// ISO 8601: 2026-08-31 is a Monday, 2027-06-25 a Friday.
const year = { first: "2026-08-31", last: "2027-06-25" };

test("three terms with two weeks between begin on Mondays, end on Fridays, and are about as long", () => {
  expect(proposeTerms({ ...year, terms: 3, breakWeeks: 2 })).toEqual([
    { name: "Autumn term", from: "2026-08-31", to: "2026-11-27" },
    { name: "Winter term", from: "2026-12-14", to: "2027-03-12" },
    { name: "Summer term", from: "2027-03-29", to: "2027-06-25" },
  ]);
});

test("one term is the whole year, from a Wednesday if need be", () => {
  expect(proposeTerms({ first: "2026-09-02", last: "2027-06-25", terms: 1, breakWeeks: 2 })).toEqual([
    { name: "School year", from: "2026-09-02", to: "2027-06-25" },
  ]);
});

test("a year too short for so many terms has fewer; one that ends before it begins has none", () => {
  expect(proposeTerms({ first: "2026-09-07", last: "2026-09-25", terms: 4, breakWeeks: 2 })).toHaveLength(1);
  expect(proposeTerms({ first: "2026-09-07", last: "2026-09-06", terms: 2, breakWeeks: 1 })).toEqual([]);
});

test("whatever is asked, terms follow one another, with the weeks between them, from the first day to the last", () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 0, max: 400 }),
      fc.integer({ min: 1, max: 380 }),
      fc.integer({ min: 1, max: 8 }),
      fc.integer({ min: 0, max: 4 }),
      (from, length, terms, breakWeeks) => {
        const first = addDays("2026-01-01", from);
        const last = addDays(first, length);
        const found = proposeTerms({ first, last, terms, breakWeeks });
        expect([found[0]!.from, found.at(-1)!.to]).toEqual([first, last]);
        expect(found.length).toBeLessThanOrEqual(Math.min(terms, MOST_TERMS));
        for (const [at, { from: begins, to: ends }] of found.entries()) {
          expect(begins <= ends).toBe(true);
          if (at > 0) {
            expect(weekdayOf(begins)).toBe(1);
            expect(begins).toBe(addDays(found[at - 1]!.to, 3 + 7 * breakWeeks));
          }
        }
      },
    ),
    { numRuns: 300 },
  );
});

test("bells follow from when the day begins, how long lessons are and where the breaks are", () => {
  const day = { begins: "08:50", lessons: 4, minutes: 45, between: 5, breaks: [{ after: 2, minutes: 20 }] };
  expect(bellsFrom(day, [1, 3]).filter(({ weekday }) => weekday === 3)).toEqual([
    { weekday: 3, period: 1, starts: "08:50", ends: "09:35" },
    { weekday: 3, period: 2, starts: "09:40", ends: "10:25" },
    { weekday: 3, period: 3, starts: "10:45", ends: "11:30" },
    { weekday: 3, period: 4, starts: "11:35", ends: "12:20" },
  ]);
  expect(bellsFrom(day, [1, 3])).toHaveLength(8);
  // A day has 24 hours, however many lessons are asked for.
  expect(bellsFrom({ ...day, begins: "22:00", lessons: 9 }, [1]).map(({ ends }) => ends)).toEqual(["22:45", "23:35"]);
});

test("a day that differs has its own beginning and number of lessons, with the breaks of the others", () => {
  const day = { begins: "08:50", lessons: 3, minutes: 45, between: 5, breaks: [{ after: 1, minutes: 20 }] };
  const bells = bellsOfWeek(day, [1, 5], [{ weekday: 5, begins: "09:30", lessons: 2 }]);
  expect(bells.filter(({ weekday }) => weekday === 1)).toEqual(bellsFrom(day, [1]));
  expect(bells.filter(({ weekday }) => weekday === 5)).toEqual([
    { weekday: 5, period: 1, starts: "09:30", ends: "10:15" },
    { weekday: 5, period: 2, starts: "10:35", ends: "11:20" },
  ]);
  // A day without school has no bells, whatever was said of it.
  expect(bellsOfWeek(day, [1], [{ weekday: 6, begins: "09:30", lessons: 2 }])).toEqual(bellsFrom(day, [1]));
});

test("what the year comes to: days of school, days off, lessons a week and hours", () => {
  const weekdays = [1, 2, 3, 4, 5];
  const calendar = {
    ...{ weekdays, cycle: [], terms: [{ name: "Term", from: "2026-08-31", to: "2026-09-11" }] },
    bells: bellsFrom({ begins: "09:00", lessons: 4, minutes: 45, between: 0, breaks: [] }, weekdays),
    daysOff: [
      { date: "2026-09-02", name: "Boat day", kind: "off" as const, until: null },
      // A Saturday: nothing is lost by it.
      { date: "2026-09-05", name: "Market", kind: "off" as const, until: null },
    ],
  };
  expect(sumOfYear(calendar)).toEqual({ days: 9, daysOff: 1, lessonsAWeek: 20, hours: 27 });
});

test("a new year leaves the terms before it alone and takes the place of those it overlaps", () => {
  const [old, draft] = [
    { name: "Summer term", from: "2026-04-13", to: "2026-07-10" },
    { name: "Autumn", from: "2026-09-14", to: "2026-12-18" },
  ];
  const next = proposeTerms({ ...year, terms: 1, breakWeeks: 0 });
  expect(withYear([draft, old], next)).toEqual([old, ...next]);
});
