import { inCommon } from "./in-common";

/**
 * Where a caret stands after somebody else has changed the text: behind the letter it stood behind. Places are counted from 0.
 *
 *     caretAfter("kelp", "the kelp", 2) // 6
 */
export function caretAfter(before: string, after: string, caret: number): number {
  const { start, end } = inCommon(before, after);
  if (caret <= start) return caret;
  // Behind the change it moves with the text; within it, to its end.
  return caret >= before.length - end ? caret + after.length - before.length : after.length - end;
}
