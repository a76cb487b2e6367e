import { patternOf } from "./likeness";
import { lineOf } from "./testing";
import { foldAlike, linesOf, type Look } from "./variety";
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
