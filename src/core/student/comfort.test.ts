import { comfortStyle, plainComfort, readComfort } from "./comfort";

test("as it comes, nothing differs from the design", () => {
  expect(comfortStyle(plainComfort)).toEqual({ text: "17px", letters: "0em", words: "0em", lines: "1.45" });
});

test("the widest spacing is what WCAG 2.2, 1.4.12 names: letters 0.12, words 0.16, lines 1.5 at least", () => {
  const { letters, words, lines } = comfortStyle({ ...plainComfort, spacing: "wider" });
  expect([letters, words]).toEqual(["0.12em", "0.16em"]);
  expect(Number(lines)).toBeGreaterThanOrEqual(1.5);
});

test("each size is larger than the one before", () => {
  const pixels = (["usual", "large", "larger", "largest"] as const).map((size) =>
    Number.parseFloat(comfortStyle({ ...plainComfort, size }).text),
  );
  expect(pixels).toEqual([...pixels].sort((one, other) => one - other));
  expect(new Set(pixels).size).toBe(4);
});

test("what was never set, or cannot be read, is as it comes", () => {
  expect(readComfort(null)).toEqual(plainComfort);
  expect(readComfort({ size: "huge" })).toEqual(plainComfort);
  expect(readComfort({ ...plainComfort, ruler: true })).toEqual({ ...plainComfort, ruler: true });
});
