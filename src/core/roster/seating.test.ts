import { moveDesk, rowsOfPairs } from "./seating";

const students = Array.from({ length: 22 }, (_, at) => at + 1);
const places = (desks: { x: number; y: number }[]) => new Set(desks.map(({ x, y }) => `${x} ${y}`));

test("a room nobody has arranged stands in rows of pairs with aisles, a place a student", () => {
  const desks = rowsOfPairs(students);
  expect(places(desks).size).toBe(22);
  expect(desks.slice(0, 6).map(({ x }) => x)).toEqual([0, 1, 3, 4, 6, 7]);
  expect(desks[6]).toEqual({ student: 7, x: 0, y: 1 });
});

test("a desk goes to an empty place; onto another, the two change places", () => {
  const desks = rowsOfPairs(students);
  expect(moveDesk(desks, 1, { x: 2, y: 0 })[0]).toEqual({ student: 1, x: 2, y: 0 });
  const swapped = moveDesk(desks, 1, { x: 3, y: 0 });
  expect([swapped[0], swapped[2]]).toEqual([
    { student: 1, x: 3, y: 0 },
    { student: 3, x: 0, y: 0 },
  ]);
  expect(places(swapped).size).toBe(22);
});

test("anyone who has no desk gets one where she is put", () => {
  expect(moveDesk([], 5, { x: 1, y: 1 })).toEqual([{ student: 5, x: 1, y: 1 }]);
});
