/**
 * The quartiles of a list, by linear interpolation between order statistics (type 7 of Hyndman and Fan 1996, R's default).
 * `quantile([1, 2, 3, 4], 0.5)` gives `2.5`.
 */
export function quantile(sorted: readonly number[], share: number): number {
  const at = (sorted.length - 1) * share;
  const below = Math.floor(at);
  const low = sorted[below]!;
  const high = sorted[Math.min(sorted.length - 1, below + 1)]!;
  return low + (high - low) * (at - below);
}

/** Nothing is said about fewer: a figure of four children is no figure. Common practice. */
export const FEWEST_STUDENTS = 5;

/** `mean([1, 2, 6])` gives `3`. */
export function mean(values: readonly number[]): number {
  let sum = 0;
  for (const one of values) sum += one;
  return sum / values.length;
}

/** Of the population: divided by n, as reliability is commonly worked out (Lord and Novick 1968). `variance([1, 3])` gives `1`. */
export function variance(values: readonly number[]): number {
  const middle = mean(values);
  return mean(values.map((one) => (one - middle) ** 2));
}

/** Pearson's r; null where one of the two does not vary. `correlation([1, 2, 3], [2, 4, 6])` gives `1`. */
export function correlation(one: readonly number[], other: readonly number[]): number | null {
  const [a, b] = [mean(one), mean(other)];
  const spread = Math.sqrt(variance(one) * variance(other));
  if (spread < 1e-12) return null;
  return mean(one.map((value, at) => (value - a) * (other[at]! - b))) / spread;
}

/**
 * Where a share truly lies, 95 times in 100 (Wilson 1927, score interval).
 *
 *     wilson(17, 22) // [0.5656, 0.8988]
 */
export function wilson(count: number, of: number): [number, number] {
  const z = 1.959963984540054;
  const share = count / of;
  const middle = (share + z ** 2 / (2 * of)) / (1 + z ** 2 / of);
  const half = (z * Math.sqrt((share * (1 - share)) / of + z ** 2 / (4 * of ** 2))) / (1 + z ** 2 / of);
  return [Math.max(0, middle - half), Math.min(1, middle + half)];
}

/** The median and the middle half of some values; null for none. `middleHalf([1, 2, 3, 4, 5])` gives `{ median: 3, from: 2, to: 4 }`. */
export function middleHalf(values: readonly number[]): { median: number; from: number; to: number } | null {
  if (values.length === 0) return null;
  const sorted = [...values].sort((one, other) => one - other);
  return { median: quantile(sorted, 0.5), from: quantile(sorted, 0.25), to: quantile(sorted, 0.75) };
}

/** The median distance from the median. `medianDistance([1, 2, 9])` gives `1`. */
export function medianDistance(values: readonly number[]): number {
  const median = quantile(
    values.toSorted((one, other) => one - other),
    0.5,
  );
  return quantile(
    values.map((value) => Math.abs(value - median)).toSorted((one, other) => one - other),
    0.5,
  );
}

/**
 * How far each value lies from the median, in units that a few odd values do not stretch (modified z of Iglewicz and Hoaglin 1993).
 * Null where most values are the same.
 * `robustZ([1, 2, 3, 4, 100])` gives `[-1.349, -0.6745, 0, 0.6745, 65.4265]`.
 */
export function robustZ(values: readonly number[]): number[] | null {
  const spread = medianDistance(values);
  if (spread === 0) return null;
  const median = quantile(
    values.toSorted((one, other) => one - other),
    0.5,
  );
  return values.map((value) => (0.6745 * (value - median)) / spread);
}

export interface TestStatistics {
  mean: number;
  /** Of a single child: her true marks lie within one of it two times in three. */
  sem: number | null;
  /** Cronbach's alpha (KR-20 where every question is right or wrong); null for fewer than two questions, or no spread. */
  alpha: number | null;
}

/**
 * How far the questions of a piece of work measure one thing. `scores`: one row a child, one column a question, in marks.
 * `testStatistics([[1, 1], [0, 0]])` gives `{ mean: 1, alpha: 1, sem: 0 }`.
 */
export function testStatistics(scores: readonly (readonly number[])[]): TestStatistics {
  const totals = scores.map((row) => row.reduce((sum, one) => sum + one, 0));
  const items = scores[0]?.length ?? 0;
  const spread = variance(totals);
  if (items < 2 || spread < 1e-12) return { mean: mean(totals), alpha: null, sem: null };
  const within = Array.from({ length: items }, (_, at) => variance(scores.map((row) => row[at]!)));
  const alpha = (items / (items - 1)) * (1 - within.reduce((sum, one) => sum + one, 0) / spread);
  return { mean: mean(totals), alpha, sem: Math.sqrt(spread * Math.max(0, 1 - alpha)) };
}

/**
 * Between a question and all of it; `corrected`: and the rest of it, the question left out. Null where one does not vary.
 * `pointBiserial([[1, 1], [0, 0], [1, 1]], 0)?.toFixed(2)` gives `"1.00"`.
 */
export function pointBiserial(
  scores: readonly (readonly number[])[],
  item: number,
  corrected = true,
  totals: readonly number[] = scores.map((row) => row.reduce((sum, one) => sum + one, 0)),
): number | null {
  const own = scores.map((row) => row[item]!);
  return correlation(own, corrected ? totals.map((total, at) => total - own[at]!) : totals);
}

/** How many of the strongest and of the weakest are compared (Kelley 1939). */
const COMPARED = 0.27;

/**
 * The strongest and the weakest 27 in 100 by their totals, as places in the list. Children with the same total as the last who
 * belongs to a group belong to it too, so that the order of the list decides nothing. Null: the two cannot be told apart.
 * `strongerAndWeaker([3, 1])` gives `null`.
 */
export function strongerAndWeaker(totals: readonly number[]): { stronger: number[]; weaker: number[] } | null {
  if (totals.length < FEWEST_STUDENTS) return null;
  const count = Math.max(1, Math.round(totals.length * COMPARED));
  const sorted = [...totals].sort((one, other) => one - other);
  const [low, high] = [sorted[count - 1]!, sorted[sorted.length - count]!];
  if (low >= high) return null;
  const places = totals.map((total, at) => ({ total, at }));
  return {
    stronger: places.filter(({ total }) => total >= high).map(({ at }) => at),
    weaker: places.filter(({ total }) => total <= low).map(({ at }) => at),
  };
}
