/**
 * Which of this many steps an address means, from 0: "3" is the third. What is no number means the first, and what lies beyond
 * the last means the last.
 */
export function stepAt(text: string | null, steps: number): number {
  const number = Math.trunc(Number(text ?? 1));
  if (Number.isNaN(number)) return 0;
  return Math.max(0, Math.min(number, steps) - 1);
}
