import { patternOf } from "./likeness";
import type { OrderedLine } from "./order";
import { candidate, lineOf } from "./testing";
import { byTitle, foldAlike, linesOf, MOST_VARIED, type Look } from "./variety";
import { titleKey } from "./words";

const tides = (place: string, hours: number) =>
  `Tides at ${place}. Students read the tide table of ${place}, work out how long the water falls and when to cross the sand with dry feet. High water is at ${hours} o'clock. How long does the water fall? When would you begin to walk?`;
const otter =
  "The otter of Long Skerry. A story about an otter who lost her way in the fog and found another, with questions about why she went on and how we know that she was afraid and what she did in the end to get home.";
const look = (title: string, text: string): Look => ({ title: titleKey(title), pattern: patternOf(text) });
const looks = new Map<number, Look>([
  [1, look("Tides at Old Quay", tides("Old Quay", 9))],
  [2, look("Tides at Windy Ness", tides("Windy Ness", 10))],
  [3, look("Tides at Saltholm", tides("Saltholm", 11))],
  [4, look("The otter", otter)],
  [5, look("Otter!", "too short")],
  [6, look("An Otter", "as short")],
  [7, look("Tides at Cod Harbour", tides("Cod Harbour", 4))],
]);
const ids = [1, 2, 3, 4, 5, 6, 7];
const folded = (unfolded?: number) => foldAlike(ids.map(lineOf), looks, unfolded);

test("two of one pattern, or of one title, have lines; the others are counted at the second", () => {
  expect(folded().map(({ candidate: { id }, alike }) => [id, alike])).toEqual([
    [1, 0],
    [2, 2],
    [4, 0],
    [5, 1],
  ]);
});

test("unfolded they follow the second, in their order", () => {
  expect(folded(1).map(({ candidate: { id }, folded: is }) => [id, is])).toEqual([
    [1, false],
    [2, false],
    [3, true],
    [7, true],
    [4, false],
    [5, false],
  ]);
});

test("lines and those folded are all there are: nothing is lost", () => {
  expect(folded().reduce((sum, { alike }) => sum + 1 + alike, 0)).toBe(ids.length);
});

test("what has no look yet is never folded", () => {
  expect(foldAlike(ids.map(lineOf), new Map(), undefined)).toHaveLength(ids.length);
});

test("how many lines there would be is known without an order", () => {
  expect(linesOf([...looks.values()])).toBe(folded().length);
  expect(linesOf([])).toBe(0);
});

describe("once more by their titles", () => {
  const looks = new Map([
    [1, { title: "boats", pattern: null }],
    [2, { title: "tide tables", pattern: null }],
    [3, { title: "reading a tide table", pattern: null }],
  ]);
  const idsOf = (lines: readonly OrderedLine[]) => lines.map(({ candidate }) => candidate.id);

  test("what has the words as typed goes before what has others, and a better rank before both", () => {
    expect(idsOf(byTitle([lineOf(1), lineOf(3), lineOf(2)], looks, "tide tables"))).toEqual([2, 3, 1]);
    const better = { ...lineOf(1), candidate: candidate(1, { rank: 3 }) };
    expect(idsOf(byTitle([lineOf(3), lineOf(2), better], looks, "tide tables"))).toEqual([1, 2, 3]);
  });

  test("they stay as they are where nothing is typed, where nothing is known of them, and far down", () => {
    const lines = [lineOf(1), lineOf(3), lineOf(2)];
    expect(byTitle(lines, looks, "")).toEqual(lines);
    expect(byTitle(lines, new Map(), "tide tables")).toEqual(lines);
    const many = [...Array.from({ length: MOST_VARIED }, (_, at) => lineOf(at + 10)), lineOf(2)];
    expect(idsOf(byTitle(many, looks, "tide tables")).at(-1)).toBe(2);
  });
});
