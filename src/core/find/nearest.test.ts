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
  const bike = { word: "bike", entries: 3 };
  expect(nearestWord("bide", [{ word: "tide", entries: 90 }, bike])).toBe("bike");
  expect(nearestWord("bide", [bike, { word: "tide", entries: 90 }])).toBe("bike");
});

test("nothing is guessed that is too far away", () => {
  expect(nearestWord("boat", listed)).toBeNull();
  expect(nearestWord("tid", listed)).toBeNull();
});

test("a word written as it sounds is heard", () => {
  const listed = ["fractions", "factions", "friction", "photosynthesis", "perimeter"].map((word) => ({
    word,
    entries: 3,
  }));
  expect(nearestWord("fracshuns", listed)).toBe("fractions");
  expect(nearestWord("fotosinthesis", listed)).toBe("photosynthesis");
  expect(nearestWord("zzgrmbl", listed)).toBeNull();
});

test("where only the plural is listed, a slip in the singular is found", () => {
  expect(nearestWord("pufin", [{ word: "puffins", entries: 9 }])).toBe("puffins");
});
