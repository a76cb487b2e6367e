import { pauseAfter } from "./pause";

test.each(["t", "the t", "éa é", "map  s"])("“%s” ends in a single letter: more may follow it", (text) => {
  expect(pauseAfter(text, 200)).toBeGreaterThan(300);
});

test.each(["", "ti", "tide ", "grade 4", "MA.5.M.2", "the ti", "ñu"])("“%s” is looked for at once", (text) => {
  expect(pauseAfter(text, 200)).toBeLessThan(10);
});

test("keys in a burst, or one held down, are one question", () => {
  // A keyboard repeats some thirty times a second.
  expect(pauseAfter("the ti", 33)).toBeGreaterThan(20);
  expect(pauseAfter("the ti", 33)).toBeLessThan(100);
});
