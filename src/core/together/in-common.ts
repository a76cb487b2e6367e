/**
 * How many members two lists (or letters two texts) have in common at the beginning and, of what is left, at the end.
 * `inCommon("low tide", "high tide")` gives `{ start: 0, end: 5 }`.
 */
export function inCommon(before: ArrayLike<unknown>, after: ArrayLike<unknown>): { start: number; end: number } {
  const shorter = Math.min(before.length, after.length);
  let start = 0;
  while (start < shorter && before[start] === after[start]) start += 1;
  let end = 0;
  while (end < shorter - start && before[before.length - 1 - end] === after[after.length - 1 - end]) end += 1;
  return { start, end };
}
