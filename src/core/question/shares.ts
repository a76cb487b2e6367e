import { mapResponse } from "../scoring/qti";
import { isAccepted } from "../scoring/spelling";
import type { Share } from "./kind";
import type { QuestionOf } from "./question";

/** How several types of question work out how much of an answer is right. */

/** Each part earns the same. `sharesOf({ first: true, second: false })` gives `{ share: 0.5, parts: { first: true, second: false } }`. */
export const sharesOf = (parts: Record<string, boolean>): Share => {
  const all = Object.values(parts);
  return { share: all.length === 0 ? 0 : all.filter(Boolean).length / all.length, parts };
};

/**
 * Off by no more than the tolerance; a little more for what binary fractions cannot say (0.1 + 0.2).
 * `near(0.30000000000000004, 0.3, 0)` gives `true`.
 */
export const near = (response: number | undefined, right: number, tolerance: number): boolean =>
  response !== undefined && Math.abs(response - right) <= tolerance + 1e-9 * Math.max(1, Math.abs(right));

/**
 * Each right one earns its share, each wrong one costs as much, never below nothing: marking everything earns nothing.
 * `sharesOfMarked(["a", "b"], new Set(["a", "c"]))` gives `{ share: 0, parts: { a: true, b: false } }`.
 */
export function sharesOfMarked(response: readonly string[], right: ReadonlySet<string>): Share {
  const worth = 1 / Math.max(1, right.size);
  const share = mapResponse(response, {
    entries: new Map([...right].map((one) => [one, worth])),
    defaultValue: -worth,
    lowerBound: 0,
    upperBound: 1,
  });
  return { share, parts: Object.fromEntries(response.map((one) => [one, right.has(one)])) };
}

/**
 * Pairs of which the first of each is a part: what belongs where.
 * `sharesOfPairs([["a", "1"], ["b", "1"]], [["a", "1"], ["b", "2"]])` gives `{ share: 0.5, parts: { a: true, b: false } }`.
 */
export function sharesOfPairs(
  response: readonly (readonly [string, string])[],
  right: readonly (readonly [string, string])[],
): Share {
  const placed = new Map(response);
  return sharesOf(Object.fromEntries(right.map(([part, place]) => [part, placed.get(part) === place])));
}

/**
 * By the id of each gap: whether what was written there is accepted.
 * `sharesOfGaps({ gaps: [{ id: "a", accepted: ["high"] }], spelling: question.spelling }, { a: "High" })` gives `{ share: 1, parts: { a: true } }`.
 */
export const sharesOfGaps = (
  { gaps, spelling }: QuestionOf<"gaps" | "cells">,
  response: Record<string, string>,
): Share =>
  sharesOf(
    Object.fromEntries(
      gaps.map((gap) => [
        gap.id,
        gap.accepted.some((accepted) => isAccepted(response[gap.id] ?? "", accepted, spelling)),
      ]),
    ),
  );

/**
 * Points of which each right one can be hit once; what hits none costs as much as one earns. `hits` gives which of `count` right
 * ones a point hits; the first that is still free counts.
 * `sharesOfPoints([[1, 1], [9, 9]], 2, ([x], nth) => x === 1 && nth === 0)` gives `{ share: 0, parts: { 0: true, 1: false } }`.
 */
export function sharesOfPoints(
  points: readonly (readonly [number, number])[],
  count: number,
  hits: (point: readonly [number, number], nth: number) => boolean,
): Share {
  const free = Array.from({ length: count }, (_, nth) => nth);
  const named = points.map((point, at) => {
    const hit = free.findIndex((nth) => hits(point, nth));
    return hit < 0 ? `wrong ${at}` : `right ${free.splice(hit, 1)[0]}`;
  });
  const { share } = sharesOfMarked(named, new Set(Array.from({ length: count }, (_, nth) => `right ${nth}`)));
  return { share, parts: Object.fromEntries(named.map((name, at) => [String(at), name.startsWith("right")])) };
}
