import { FEWEST_STUDENTS, quantile } from "../results/statistics";

/**
 * Above this a value is unusually large: the third quartile and 1.5 interquartile ranges (Tukey 1977). Null for fewer than five.
 *
 *     upperFence([18, 20, 21, 22, 24, 24, 25, 26, 28, 30, 31, 33, 35, 36, 72]) // 45.5
 */
export function upperFence(values: readonly number[]): number | null {
  if (values.length < FEWEST_STUDENTS) return null;
  const sorted = [...values].sort((one, other) => one - other);
  const [first, third] = [quantile(sorted, 0.25), quantile(sorted, 0.75)];
  return third + 1.5 * (third - first);
}

/** How many wrong tries at one question mean that trying alone does not help. Common practice. */
export const WRONG_TRIES = 3;
/** A class that answers within seconds makes a fence within which nobody has read the question. Seconds; common practice. */
const SHORTEST_WAIT = 20;

/** Why somebody needs help. Seconds. */
export type Stuck =
  { why: "asked" } | { why: "tries"; wrong: number } | { why: "time"; seconds: number; usual: number };

/**
 * Whether a student is stuck on a step, and why: she said so, she answered wrongly three times, or she has been there without an
 * answer for longer than the fence of those who have answered. Null: she is not.
 * `stuckOn({ asked: false, wrong: 3, waiting: null, took: [] })` gives `{ why: "tries", wrong: 3 }`.
 */
export function stuckOn(of: {
  asked: boolean;
  /** The most wrong tries at one question of the step that is not right yet. */
  wrong: number;
  /** Seconds on the step without having answered all of it; null: she has, or there is nothing to answer. */
  waiting: number | null;
  /** Seconds it took those who have answered. */
  took: readonly number[];
}): Stuck | null {
  if (of.asked) return { why: "asked" };
  if (of.wrong >= WRONG_TRIES) return { why: "tries", wrong: of.wrong };
  const fence = upperFence(of.took);
  if (of.waiting === null || fence === null || of.waiting <= Math.max(fence, SHORTEST_WAIT)) return null;
  const usual = quantile(
    [...of.took].sort((one, other) => one - other),
    0.5,
  );
  return { why: "time", seconds: Math.round(of.waiting), usual: Math.round(usual) };
}

const clock = (seconds: number) => `${Math.floor(seconds / 60)}:${String(Math.round(seconds) % 60).padStart(2, "0")}`;

/**
 * "1:12 on this step without an answer; most took 0:36".
 * `formatStuck({ why: "time", seconds: 72, usual: 36 })` gives `"1:12 on this step without an answer; most took 0:36"`.
 */
export function formatStuck(stuck: Stuck): string {
  switch (stuck.why) {
    case "asked":
      return "asked for help";
    case "tries":
      return `${stuck.wrong} wrong tries`;
    case "time":
      return `${clock(stuck.seconds)} on this step without an answer; most took ${clock(stuck.usual)}`;
  }
}
