/** Who came to the board, and when: one entry each time. */
export interface BoardTurn {
  student: number;
  at: Date;
}

const countOf = (turns: readonly BoardTurn[], student: number) =>
  turns.filter((turn) => turn.student === student).length;
const lastOf = (turns: readonly BoardTurn[], student: number) =>
  Math.max(0, ...turns.filter((turn) => turn.student === student).map(({ at }) => at.getTime()));

/** Those who have had the fewest turns. */
function fewest(students: readonly number[], turns: readonly BoardTurn[]): number[] {
  const least = Math.min(...students.map((student) => countOf(turns, student)));
  return students.filter((student) => countOf(turns, student) === least);
}

/**
 * By turns: of those who came least often the one who waited longest; the first of the list where that is the same.
 * `nextByTurns([4, 5], [])` gives `4`.
 */
export function nextByTurns(students: readonly number[], turns: readonly BoardTurn[]): number | null {
  if (students.length === 0) return null;
  return fewest(students, turns).reduce((next, one) => (lastOf(turns, one) < lastOf(turns, next) ? one : next));
}

/**
 * By lot, and fair over weeks: drawn among those who came least often, so that after as many draws as there are children everybody was
 * there once, in an order nobody knows.
 * `drawByLot([4, 5], [], 0.9)` gives `5`.
 * @param random 0 to 1
 */
export function drawByLot(students: readonly number[], turns: readonly BoardTurn[], random: number): number | null {
  if (students.length === 0) return null;
  const among = fewest(students, turns);
  return among[Math.min(among.length - 1, Math.floor(random * among.length))]!;
}
