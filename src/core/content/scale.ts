import type { Axis } from "./schema/scale";

export type { Axis } from "./schema/scale";

/** How many decimals a scale's marks need to be told apart. */
const decimalsOf = (axis: Axis): number => {
  const [, fraction = ""] = String(axis.step).split(".");
  return Math.min(6, Math.max(fraction.length, String(axis.from).split(".")[1]?.length ?? 0));
};

const rounded = (axis: Axis, value: number): number => Number(value.toFixed(decimalsOf(axis)));

/** The marks of a scale from its first to its last. `marksOf({ from: 0, to: 1, step: 0.25 })` gives `[0, 0.25, 0.5, 0.75, 1]`. */
export function marksOf(axis: Axis): number[] {
  const count = Math.floor((axis.to - axis.from) / axis.step + 1e-9);
  return Array.from({ length: count + 1 }, (_, at) => rounded(axis, axis.from + at * axis.step));
}

/** The nearest mark of the scale, whatever was pointed at. `nearestMark({ from: 0, to: 10, step: 2 }, 6.7)` gives `6`. */
export function nearestMark(axis: Axis, value: number): number {
  const steps = Math.round((value - axis.from) / axis.step);
  const most = Math.floor((axis.to - axis.from) / axis.step + 1e-9);
  return rounded(axis, axis.from + Math.max(0, Math.min(most, steps)) * axis.step);
}

const MOST_NUMBERS = 11;
/** Of numbers with four signs and more, fewer stand beside one another on a phone. */
const MOST_LONG_NUMBERS = 6;

/**
 * Which marks bear their number: all of them where there are few, else every second, fifth or tenth.
 * `[...numberedMarks({ from: 0, to: 20, step: 1 })]` gives `[0, 2, 4, 6, 8, 10, 12, 14, 16, 18, 20]`.
 */
export function numberedMarks(axis: Axis): ReadonlySet<number> {
  const marks = marksOf(axis);
  const long = marks.some((mark) => String(mark).length > 3);
  const most = long ? MOST_LONG_NUMBERS : MOST_NUMBERS;
  const every = [1, 2, 5, 10, 20, 50, 100, 200, 500].find((step) => marks.length / step <= most) ?? 1000;
  return new Set(marks.filter((_, at) => at % every === 0));
}

/** Where a value stands on a scale, 0 at its beginning and 1 at its end. `shareAlong({ from: 0, to: 10, step: 1 }, 4)` gives `0.4`. */
export const shareAlong = (axis: Axis, value: number): number => (value - axis.from) / (axis.to - axis.from);
