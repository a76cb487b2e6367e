import { firstOpening, openingFor } from "./opening";

const place = (date: string, period = 1) => ({ kind: "place" as const, date, period });
const kittiwake = {
  id: 1,
  meetings: [
    { date: "2026-12-01", period: 1 },
    { date: "2026-12-01", period: 2 },
  ],
};
const puffin = { id: 2, meetings: [{ date: "2026-12-02", period: 1 }] };
const classes = [kittiwake, puffin, { id: 3, meetings: [] }];
const to = (...ids: number[]) => ids.map((id) => ({ class: id, students: [id * 10] }));

test("a class gets it at its next lesson, one that never meets gets it now", () => {
  expect(firstOpening(kittiwake)).toEqual(place("2026-12-01"));
  expect(firstOpening({ id: 3, meetings: [] })).toEqual({ kind: "now" });
});

test("a lesson that was picked stays where the one class has it, and becomes its next lesson where it has not", () => {
  expect(openingFor(classes, to(1), place("2026-12-01", 2))).toEqual(place("2026-12-01", 2));
  expect(openingFor(classes, to(2), place("2026-12-01", 2))).toEqual(place("2026-12-02"));
  // The day alone is not the lesson, nor is its period.
  expect(openingFor(classes, to(2), place("2026-12-02", 2))).toEqual(place("2026-12-02"));
  expect(openingFor(classes, to(2), place("2026-12-01", 1))).toEqual(place("2026-12-02"));
  expect(openingFor(classes, to(3), place("2026-12-01"))).toEqual({ kind: "now" });
});

test("several classes have it at the next lesson of each, or at the one that was said", () => {
  expect(openingFor(classes, to(1, 2), place("2026-12-01"))).toEqual({ kind: "meeting", n: 1 });
  expect(openingFor(classes, to(1, 2), { kind: "meeting", n: 3 })).toEqual({ kind: "meeting", n: 3 });
  expect(openingFor(classes, to(2), { kind: "meeting", n: 3 })).toEqual(place("2026-12-02"));
});

test("without a class, and where an hour was said, it stays", () => {
  expect(openingFor(classes, [], place("2026-12-01"))).toEqual(place("2026-12-01"));
  const hour = { kind: "at" as const, at: "2026-12-01T07:00" };
  expect(openingFor(classes, to(1, 2), hour)).toEqual(hour);
});
