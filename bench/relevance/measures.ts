/** Judgements of one need: by name, 3 just this, 2 good, 1 better than nothing; what is not named is worth nothing. */
export type Judgements = Readonly<Record<string, number>>;

const gain = (grade: number, place: number): number => (2 ** grade - 1) / Math.log2(place + 2);

/**
 * Normalised discounted cumulative gain of the first `depth` results: 1 when they stand in the best order there is.
 * Source: Järvelin and Kekäläinen, "Cumulated gain-based evaluation of IR techniques", 2002, with the gain 2^grade - 1.
 */
export function ndcg(found: readonly string[], good: Judgements, depth: number): number {
  const got = found.slice(0, depth).reduce((sum, name, place) => sum + gain(good[name] ?? 0, place), 0);
  const best = Object.values(good)
    .sort((one, other) => other - one)
    .slice(0, depth)
    .reduce((sum, grade, place) => sum + gain(grade, place), 0);
  return best === 0 ? 0 : got / best;
}

/** 1 when something good (2 or 3) is among the first `depth`, else 0. */
export function successAt(found: readonly string[], good: Judgements, depth: number): number {
  return found.slice(0, depth).some((name) => (good[name] ?? 0) >= 2) ? 1 : 0;
}
