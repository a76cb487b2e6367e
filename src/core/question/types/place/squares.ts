/**
 * The squares of a map: letters from the left, numbers from the top. They are how a place is said in words, and how it is reached
 * with the keyboard.
 *
 *        A   B   C  …  J
 *    1  A1  B1  C1
 *    2  A2  B2  C2
 */
export const COLUMNS = 10;
export const ROWS = 8;

/** `share` of a whole that is cut into this many: 1 belongs to the last. */
const nth = (share: number, of: number) => Math.min(of - 1, Math.floor(share * of));

/** The square a point is in, for example "C4"; x and y are shares of width and height. `squareAt([0.5, 0.5])` gives `"F5"`. */
export const squareAt = ([x, y]: readonly [number, number]): string =>
  `${String.fromCharCode(65 + nth(x, COLUMNS))}${nth(y, ROWS) + 1}`;

/**
 * The middle of the square that lies this many to the right and down of the one this point is in; never off the picture.
 * `middleOf([0, 0])` gives `[0.05, 0.0625]`.
 */
export function middleOf([x, y]: readonly [number, number], right = 0, down = 0): [number, number] {
  const within = (at: number, of: number) => (Math.max(0, Math.min(of - 1, at)) + 0.5) / of;
  return [within(nth(x, COLUMNS) + right, COLUMNS), within(nth(y, ROWS) + down, ROWS)];
}
