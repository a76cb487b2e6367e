/**
 * Where a caret stands after somebody else has changed the text: behind the letter it stood behind. Places are counted from 0.
 *
 *     caretAfter("kelp", "the kelp", 2) // 6
 */
export function caretAfter(before: string, after: string, caret: number): number {
  const shorter = Math.min(before.length, after.length);
  let start = 0;
  while (start < shorter && before[start] === after[start]) start += 1;
  if (caret <= start) return caret;
  let end = 0;
  while (end < shorter - start && before[before.length - 1 - end] === after[after.length - 1 - end]) end += 1;
  // Behind the change it moves with the text; within it, to its end.
  return caret >= before.length - end ? caret + after.length - before.length : after.length - end;
}
