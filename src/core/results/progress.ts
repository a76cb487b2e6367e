/** One result of a child, as a point over time. */
export interface Point {
  assignment: number;
  title: string;
  at: Date;
  gained: number;
  outOf: number;
}

const shareOf = ({ gained, outOf }: Pick<Point, "gained" | "outOf">): number => gained / outOf;

/** The level is what was gained of the marks of this many results, the last ones. Common practice. */
const RESULTS_IN_LEVEL = 3;
/** A level has changed when it is further from the one before than this. */
const CHANGED = 0.15;

/** Points that say something, the first first; nothing depends on the order they come in. */
const inOrder = (points: readonly Point[]): Point[] =>
  points
    .filter(({ outOf }) => outOf > 0)
    .toSorted((one, other) => one.at.getTime() - other.at.getTime() || one.assignment - other.assignment);

function level(points: readonly Point[]): number | null {
  if (points.length === 0) return null;
  const outOf = points.reduce((sum, point) => sum + point.outOf, 0);
  return points.reduce((sum, { gained }) => sum + gained, 0) / outOf;
}

export interface Progress {
  /** In order of time, each with the level it led to. */
  points: (Point & { share: number; level: number })[];
  /** Of the last three results, 0 to 1; null: there is none. */
  level: number | null;
  /** Of the three before those. */
  before: number | null;
  change: "rose" | "fell" | "steady" | null;
  /** The result that changed the level most of all since then. */
  because: Point | null;
  /** The level of the first three, and whether it rose or fell since; null with fewer than six results. */
  first: number | null;
  sinceFirst: "rose" | "fell" | "steady" | null;
}

const changeFrom = (before: number, now: number) =>
  now > before + CHANGED ? "rose" : now < before - CHANGED ? "fell" : "steady";

/**
 * How a child is doing over time: the level of the last three results, whether it rose or fell against the three before, and which
 * result made most of it.
 * `progressOf([{ assignment: 1, title: "Tides", at: new Date(0), gained: 3, outOf: 4 }]).level` gives `0.75`.
 */
export function progressOf(all: readonly Point[]): Progress {
  const sorted = inOrder(all);
  const points = sorted.map((point, at) => ({
    ...point,
    share: shareOf(point),
    level: level(sorted.slice(Math.max(0, at + 1 - RESULTS_IN_LEVEL), at + 1))!,
  }));
  const now = points.at(-1)?.level ?? null;
  const first = points.length < 2 * RESULTS_IN_LEVEL ? null : points[RESULTS_IN_LEVEL - 1]!.level;
  const sinceFirst = now === null || first === null ? null : changeFrom(first, now);
  // Three against the three before them; with fewer than four there is nothing to compare.
  const before = level(sorted.slice(-2 * RESULTS_IN_LEVEL, -RESULTS_IN_LEVEL));
  if (now === null || before === null)
    return { points, level: now, before: null, change: null, because: null, first, sinceFirst };
  const change = changeFrom(before, now);
  const sign = change === "fell" ? -1 : 1;
  const moves = points
    .slice(-RESULTS_IN_LEVEL)
    .map((point) => ({ point, by: sign * (point.share - before) }))
    .toSorted((one, other) => other.by - one.by);
  return {
    points,
    level: now,
    before,
    change,
    because: change === "steady" ? null : moves[0]!.point,
    first,
    sinceFirst,
  };
}

/** When a goal counts as met: this much of the marks, this many results running. */
export interface Criterion {
  /** 0 to 1. */
  share: number;
  times: number;
}

export interface Standing {
  /** When it was met first; null: it is not. */
  met: Date | null;
  /** How many of the last results in a row are good enough. */
  running: number;
}

/** Sums of marks are not exact: 0.8 of 10 is 8. */
const EXACT = 1e-9;

/**
 * Whether a criterion is met: "8 of 10, three times running". What was met once stays met.
 * `standingOf([{ assignment: 1, at: new Date(0), gained: 9, outOf: 10 }], { share: 0.8, times: 1 }).met` gives `new Date(0)`.
 */
export function standingOf(all: readonly Point[], { share, times }: Criterion): Standing {
  let running = 0;
  let met: Date | null = null;
  for (const point of inOrder(all)) {
    running = shareOf(point) >= share - EXACT ? running + 1 : 0;
    if (running >= times) met ??= point.at;
  }
  return { met, running };
}

const counted = ["no times", "once", "twice", "three times"];

/** "8 of 10, three times running". `formatCriterion({ share: 0.8, times: 3 })` gives `"8 of 10, three times running"`. */
export const formatCriterion = ({ share, times }: Criterion): string =>
  `${Math.round(share * 100) / 10} of 10, ${counted[times] ?? `${times} times`}${times > 1 ? " running" : ""}`;
