/** A room of desks on a grid, x from the left and y from the front; a desk a student. */
export interface Desk {
  student: number;
  x: number;
  y: number;
}

/**
 * Desks in rows of pairs with an aisle between: how most rooms stand when nobody has arranged them yet.
 * `rowsOfPairs([1, 2, 3]).length` gives `3`.
 */
export function rowsOfPairs(students: readonly number[], across = 6): Desk[] {
  return students.map((student, at) => {
    const column = at % across;
    return { student, x: column + Math.floor(column / 2), y: Math.floor(at / across) };
  });
}

/**
 * Moves a desk; where another stands, the two change places.
 * `moveDesk([{ student: 1, x: 0, y: 0 }], 1, { x: 2, y: 1 })` gives `[{ student: 1, x: 2, y: 1 }]`.
 */
export function moveDesk(desks: readonly Desk[], student: number, to: { x: number; y: number }): Desk[] {
  const moved = desks.find((desk) => desk.student === student);
  if (!moved)
    return [...desks, { student, ...to }].filter(
      (desk, at, all) => all.findIndex((one) => one.student === desk.student) === at,
    );
  return desks.map((desk) => {
    if (desk.student === student) return { student, ...to };
    return desk.x === to.x && desk.y === to.y ? { student: desk.student, x: moved.x, y: moved.y } : desk;
  });
}
