import { quantile } from "../results/statistics";
import { formatStuck, stuckOn, upperFence } from "./stuck";

// Tukey, Exploratory Data Analysis (1977), with quartiles of R's type 7 (Hyndman and Fan 1996): the values of CHECKS.md.
const minutes = [18, 20, 21, 22, 24, 24, 25, 26, 28, 30, 31, 33, 35, 36, 72];

test("quartiles and the upper fence are the published ones, whatever the order", () => {
  expect([quantile(minutes, 0.25), quantile(minutes, 0.5), quantile(minutes, 0.75)]).toEqual([23, 26, 32]);
  expect(upperFence(minutes)).toBe(45.5);
  expect(upperFence([...minutes].reverse())).toBe(45.5);
  expect(quantile([7], 0.75)).toBe(7);
});

test("fewer than five say nothing about what is usual", () => {
  expect(upperFence([10, 20, 30, 40])).toBeNull();
  expect(upperFence([10, 20, 30, 40, 50])).toBe(70);
});

const took = [30, 32, 36, 40, 44, 60];
const nobody = { asked: false, wrong: 0, waiting: null, took };

test("longer than the fence of those who have answered is stuck, with what most took", () => {
  const fence = upperFence(took)!;
  expect(stuckOn({ ...nobody, waiting: fence })).toBeNull();
  expect(stuckOn({ ...nobody, waiting: fence + 1 })).toEqual({
    why: "time",
    seconds: Math.round(fence + 1),
    usual: 38,
  });
  expect(stuckOn({ ...nobody, waiting: 500, took: took.slice(0, 4) })).toBeNull();
  expect(stuckOn({ ...nobody, waiting: null })).toBeNull();
});

test("where all answer within seconds nobody is stuck before twenty", () => {
  const quick = [2, 2, 3, 3, 4];
  expect(stuckOn({ ...nobody, took: quick, waiting: 19 })).toBeNull();
  expect(stuckOn({ ...nobody, took: quick, waiting: 21 })).toMatchObject({ why: "time", usual: 3 });
});

test("three wrong tries, and asking, are reasons of their own; asking comes first", () => {
  expect(stuckOn({ ...nobody, wrong: 2 })).toBeNull();
  expect(stuckOn({ ...nobody, wrong: 3 })).toEqual({ why: "tries", wrong: 3 });
  expect(stuckOn({ ...nobody, wrong: 5, asked: true, waiting: 500 })).toEqual({ why: "asked" });
});

test("the reason is said in words", () => {
  expect(formatStuck({ why: "time", seconds: 72, usual: 36 })).toBe(
    "1:12 on this step without an answer; most took 0:36",
  );
  expect(formatStuck({ why: "tries", wrong: 3 })).toBe("3 wrong tries");
  expect(formatStuck({ why: "asked" })).toBe("asked for help");
});
