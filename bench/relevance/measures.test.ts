import { ndcg, successAt } from "./measures";

const good = { a: 3, b: 2, c: 1 };

test("the best order is 1, nothing found is 0", () => {
  expect(ndcg(["a", "b", "c"], good, 10)).toBe(1);
  expect(ndcg([], good, 10)).toBe(0);
  expect(ndcg(["x", "y"], good, 10)).toBe(0);
});

// By hand: gains 7, 3, 1 at places 1, 2, 3 are 7 + 3/log2(3) + 1/2 = 9.3928; the other way round 1 + 3/log2(3) + 7/2 = 6.3928.
test("the worst order of good ones is worth what a hand reckons", () => {
  expect(ndcg(["c", "b", "a"], good, 10)).toBeCloseTo(6.3928 / 9.3928, 4);
});

test("what lies beyond the depth does not count", () => {
  expect(ndcg(["x", "x2", "a"], good, 2)).toBe(0);
  expect(successAt(["x", "x2", "a"], good, 2)).toBe(0);
  expect(successAt(["x", "x2", "a"], good, 3)).toBe(1);
  expect(successAt(["c"], good, 5)).toBe(0);
});
