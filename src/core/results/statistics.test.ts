import {
  medianDistance,
  robustZ,
  correlation,
  middleHalf,
  pointBiserial,
  strongerAndWeaker,
  testStatistics,
  variance,
  wilson,
} from "./statistics";

/** One row a person, from counts of the answer patterns 00000 to 11111 (question 1 the high bit). */
const people = (counts: readonly number[]): number[][] =>
  counts.flatMap((count, pattern) =>
    Array.from({ length: count }, () => [16, 8, 4, 2, 1].map((bit) => (pattern & bit ? 1 : 0))),
  );
// Bock and Lieberman 1970; R package psych, lsat6 and lsat7.
const lsat6 = people([
  3, 6, 2, 11, 1, 1, 3, 4, 1, 8, 0, 16, 0, 3, 2, 15, 10, 29, 14, 81, 3, 28, 15, 80, 16, 56, 21, 173, 11, 61, 28, 298,
]);
const lsat7 = people([
  12, 19, 1, 7, 3, 19, 3, 17, 10, 5, 3, 7, 7, 23, 8, 28, 7, 39, 11, 34, 14, 51, 15, 90, 6, 25, 7, 35, 18, 136, 32, 308,
]);
const round = (value: number | null, digits: number) => Number(value!.toFixed(digits));
const shares = (scores: number[][]) =>
  [0, 1, 2, 3, 4].map((item) => round(scores.reduce((sum, row) => sum + row[item]!, 0) / scores.length, 3));
const apart = (scores: number[][], corrected: boolean) =>
  [0, 1, 2, 3, 4].map((item) => round(pointBiserial(scores, item, corrected), 6));

test("LSAT6: difficulty, reliability and how each question tells apart, as published", () => {
  expect(lsat6).toHaveLength(1000);
  expect(shares(lsat6)).toEqual([0.924, 0.709, 0.553, 0.763, 0.87]);
  const { mean, alpha, sem } = testStatistics(lsat6);
  expect([mean, round(alpha, 6), round(sem, 6)]).toEqual([3.819, 0.294997, 0.868632]);
  expect(apart(lsat6, false)).toEqual([0.36201, 0.566772, 0.61844, 0.534418, 0.435366]);
  expect(apart(lsat6, true)).toEqual([0.112833, 0.153178, 0.172779, 0.144428, 0.121596]);
});

test("LSAT7: the same", () => {
  expect(shares(lsat7)).toEqual([0.828, 0.658, 0.772, 0.606, 0.843]);
  expect(round(testStatistics(lsat7).alpha, 6)).toBe(0.453409);
  expect(apart(lsat7, true)).toEqual([0.245732, 0.246674, 0.313179, 0.222751, 0.174786]);
});

// Wilson 1927 at 95 %, agreeing with Newcombe 1998, Table I.
test.each([
  [81, 263, 0.2553, 0.3662],
  [15, 148, 0.0624, 0.1605],
  [0, 20, 0, 0.1611],
  [1, 29, 0.0061, 0.1718],
  [17, 22, 0.5656, 0.8988],
])("%i of %i lies between %f and %f", (count, of, from, to) => {
  const [low, high] = wilson(count, of);
  expect([round(low, 4), round(high, 4)]).toEqual([from, to]);
});

test("all of them right is not certainty, and the interval holds the share itself", () => {
  const [low, high] = wilson(20, 20);
  expect([round(low, 4), high]).toEqual([0.8389, 1]);
});

// Tukey 1977 with quartiles of R's type 7.
test("the median and the middle half", () => {
  const values = [72, 18, 20, 21, 22, 24, 24, 25, 26, 28, 30, 31, 33, 35, 36];
  expect(middleHalf(values)).toEqual({ median: 26, from: 23, to: 32 });
  expect(middleHalf([])).toBeNull();
});

test("what does not vary goes with nothing", () => {
  expect(correlation([1, 1, 1], [1, 2, 3])).toBeNull();
  expect(correlation([1, 2, 3], [2, 4, 6])).toBeCloseTo(1);
  expect(variance([2, 4])).toBe(1);
  expect(testStatistics([[1], [0]])).toEqual({ mean: 0.5, alpha: null, sem: null });
});

test("the stronger and the weaker are the outer 27 in 100, with all who have the same total as the last of them", () => {
  expect(strongerAndWeaker([1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11])).toEqual({ stronger: [8, 9, 10], weaker: [0, 1, 2] });
  expect(strongerAndWeaker([9, 9, 9, 9, 1, 2])).toEqual({ stronger: [0, 1, 2, 3], weaker: [4, 5] });
  expect(strongerAndWeaker([5, 5, 5, 5, 5])).toBeNull();
  expect(strongerAndWeaker([1, 2, 3, 4])).toBeNull();
});

test("the median distance from the median, as in the documentation of R's mad", () => {
  const oneToNine = [1, 2, 3, 4, 5, 6, 7, 8, 9];
  expect(medianDistance(oneToNine)).toBe(2);
  // One odd value does not stretch it.
  expect(medianDistance([1, 2, 3, 4, 5, 6, 7, 8, 100])).toBe(2);
  // Worked out by hand: 0.6745 * (100 - 5) / 2.
  expect(robustZ([1, 2, 3, 4, 5, 6, 7, 8, 100])!.at(-1)).toBeCloseTo(32.03875, 6);
  expect(robustZ([4, 4, 4, 9])).toBeNull();
});
