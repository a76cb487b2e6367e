import { pauseAfter } from "./pause";

test.each(["t", "the t", "éa é", "map  s"])("“%s” ends in a single letter: more may follow it", (text) => {
  expect(pauseAfter(text)).toBeGreaterThan(300);
});

test.each(["", "ti", "tide ", "grade 4", "MA.5.M.2", "the ti", "ñu"])("“%s” is looked for at once", (text) => {
  expect(pauseAfter(text)).toBeLessThan(100);
});
