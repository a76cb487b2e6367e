import type { ManipulativeOf } from "./manipulative";

/** What the manipulatives compute. Pure; angles in degrees, clockwise from twelve on a clock. */

export interface Fraction {
  numerator: number;
  denominator: number;
}

const divisor = (one: number, other: number): number => (other === 0 ? Math.abs(one) : divisor(other, one % other));

/**
 * In lowest terms.
 * `reduced({ numerator: 6, denominator: 8 })` gives `{ numerator: 3, denominator: 4 }`.
 * @throws RangeError for a denominator of 0
 */
export function reduced({ numerator, denominator }: Fraction): Fraction {
  if (denominator === 0) throw new RangeError("nothing is divided by 0");
  const common = divisor(numerator, denominator) || 1;
  return { numerator: numerator / common, denominator: denominator / common };
}

/** Blocks of each place, ones first. */
export type Blocks = readonly number[];

/** What blocks of ones, tens, hundreds are worth together. `worthOf([4, 2])` gives `24`. */
export const worthOf = (blocks: Blocks): number => blocks.reduce((sum, count, place) => sum + count * 10 ** place, 0);

/**
 * Ten of one place for one of the next, or the other way; null where there is nothing to trade.
 * `trade([12, 3, 0], 0, "up")` gives `[2, 4, 0]`.
 */
export function trade(blocks: Blocks, place: number, way: "up" | "down"): Blocks | null {
  const [from, to, give, get] = way === "up" ? [place, place + 1, 10, 1] : [place, place - 1, 1, 10];
  if (to < 0 || to >= blocks.length || blocks[from]! < give) return null;
  return blocks.map((count, at) => (at === from ? count - give : at === to ? count + get : count));
}

export const DAY_MINUTES = 1440;

/** Where the hands of a clock stand, degrees from twelve. `handsAt(90)` gives `{ hour: 45, minute: 180 }`. */
export const handsAt = (minute: number): { hour: number; minute: number } => ({
  hour: (minute * 0.5) % 360,
  minute: (minute * 6) % 360,
});

/**
 * The minutes of the day when the long hand is turned to an angle: past twelve, the hour goes on or back with it.
 * `turnedTo(115, 30)` gives `125`.
 */
export function turnedTo(minute: number, degrees: number): number {
  const within = Math.round((((degrees % 360) + 360) % 360) / 6) % 60;
  const forward = (within - (minute % 60) + 60) % 60;
  return (minute + (forward > 30 ? forward - 60 : forward) + DAY_MINUTES) % DAY_MINUTES;
}

/** Minutes from one time to the next time it is the other. `elapsed(540, 600)` gives `60`. */
export const elapsed = (from: number, to: number): number => (to - from + DAY_MINUTES) % DAY_MINUTES;

/**
 * The way a child counts it: to the full hour, whole hours, the rest.
 * `jumps(550, 670)` gives `[{ minutes: 50, to: 600 }, { minutes: 60, to: 660 }, { minutes: 10, to: 670 }]`.
 */
export function jumps(from: number, to: number): { minutes: number; to: number }[] {
  const all = elapsed(from, to);
  const first = Math.min(all, (60 - (from % 60)) % 60);
  const hours = Math.floor((all - first) / 60) * 60;
  const rest = all - first - hours;
  let at = from;
  return [first, hours, rest].flatMap((minutes) => {
    if (minutes === 0) return [];
    at = (at + minutes) % DAY_MINUTES;
    return [{ minutes, to: at }];
  });
}

/** How a balance hangs: -1 the left pan down, 0 level, 1 the right pan down. `tilt(3, 5)` gives `1`. */
export function tilt(left: number, right: number): number {
  const off = right - left;
  if (Math.abs(off) < 1e-9) return 0;
  return Math.max(-1, Math.min(1, (4 * off) / Math.max(left, right)));
}

/**
 * The height of a graph over a place; null outside it. A tide between high and low water rises and falls as half a
 * cosine wave: 1/12, 2/12, 3/12 of the range in its first three sixths ("rule of twelfths", common practice of seafarers,
 * is this curve in round numbers).
 * `heightAt({ points: [[0, 1], [6, 5]], curve: "tide" }, 3)` gives `3`.
 */
export function heightAt(
  { points, curve }: Pick<ManipulativeOf<"graph reader">, "points" | "curve">,
  x: number,
): number | null {
  const next = points.findIndex(([at]) => at >= x);
  if (next < 0) return null;
  if (points[next]![0] === x) return points[next]![1];
  if (next === 0) return null;
  const [[fromX, fromY], [toX, toY]] = [points[next - 1]!, points[next]!];
  const along = (x - fromX) / (toX - fromX);
  return fromY + (toY - fromY) * (curve === "tide" ? (1 - Math.cos(Math.PI * along)) / 2 : along);
}

/** A place in a picture: shares of its width and of its height, from the upper left. */
export interface Place {
  x: number;
  y: number;
}

/**
 * The distance of two places in the picture's own unit. `aspect` is height by width.
 * `lengthBetween({ x: 0, y: 0 }, { x: 0.3, y: 0.4 }, 1, 100)` gives `50`.
 */
export const lengthBetween = (one: Place, other: Place, aspect: number, width: number): number =>
  Math.hypot(other.x - one.x, (other.y - one.y) * aspect) * width;

/**
 * The angle at `corner` between the arms to two places, 0 to 180 degrees.
 * `Math.round(angleAt({ x: 0, y: 0 }, { x: 1, y: 0 }, { x: 0, y: 1 }, 1))` gives `90`.
 */
export function angleAt(corner: Place, one: Place, other: Place, aspect: number): number {
  const direction = (to: Place) => Math.atan2((to.y - corner.y) * aspect, to.x - corner.x);
  const between = Math.abs(direction(one) - direction(other)) * (180 / Math.PI);
  return between > 180 ? 360 - between : between;
}
