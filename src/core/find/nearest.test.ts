import { editDistance, nearestWord } from "./nearest";

// Damerau 1964: one letter more, less, other or swapped is one slip.
test.each([
  ["tide", "tide", 0],
  ["tied", "tide", 1],
  ["tids", "tide", 1],
  ["fracton", "fraction", 1],
  ["lighthuose", "lighthouse", 1],
  ["angels", "angles", 1],
  ["kelp", "gulls", 4],
  ["", "abc", 3],
])("%s is %s after %d slips", (typed, meant, slips) => {
  expect(editDistance(typed, meant)).toBe(slips);
  expect(editDistance(meant, typed)).toBe(slips);
});

const listed = [
  { word: "tides", entries: 40 },
  { word: "tiles", entries: 90 },
  { word: "angles", entries: 3 },
];

test("the fewest slips win, then the same first letter, then the more frequent word", () => {
  expect(nearestWord("angels", listed)).toBe("angles");
  expect(nearestWord("tibes", listed)).toBe("tiles");
  expect(nearestWord("xides", listed)).toBe("tides");
});

test("nothing is guessed that is too far away", () => {
  expect(nearestWord("boat", listed)).toBeNull();
  expect(nearestWord("tid", listed)).toBeNull();
});
