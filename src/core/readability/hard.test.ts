import { daleChallGrades, daleChallScore } from "./formulas";
import { isFamiliar, readingOf } from "./hard";

// Computed with the package dale-chall-formula, which takes counts: 100 words, 5 sentences.
test.each([
  [5, 1.7815],
  [6, 5.5759],
])("Dale-Chall: %d difficult words in a hundred score %d", (difficult, score) => {
  expect(daleChallScore({ words: 100, sentences: 5, difficult })).toBeCloseTo(score, 4);
});

test("scores stand for grades by the correction table of 1948", () => {
  expect([4.9, 5.5, 6.1, 7.9, 8.2, 9.4].map(daleChallGrades)).toEqual([
    "4 and below",
    "5 to 6",
    "7 to 8",
    "9 to 10",
    "11 to 12",
    "above 12",
  ]);
});

describe("words a child of ten knows", () => {
  test.each([
    "boat",
    "boats",
    "running",
    "stopped",
    "carried",
    "cities",
    "happily",
    "bigger",
    "colour",
    "grandmother's",
  ])("%s", (word) => {
    expect(isFamiliar(word)).toBe(true);
  });
  test.each(["gravitational", "bathymetry", "ebb"])("not %s", (word) => {
    expect(isFamiliar(word)).toBe(false);
  });
});

describe("what in a text is hard", () => {
  const text =
    "The boat is small. The considerable gravitational attraction of celestial bodies continuously redistributes oceanic waters. We sat by the fire and ate our bread and told each other what we had seen that day on the sea.";

  test("the hardest sentence is named first, with its grade", () => {
    const { hardSentences } = readingOf(text, "en");
    expect(hardSentences[0]!.text).toMatch(/^The considerable/);
    expect(hardSentences[0]!.grade).toBeGreaterThan(hardSentences[1]!.grade);
  });

  test("the words that are not known are named, names of people are not", () => {
    const { hardWords } = readingOf(`${text} Then Johanna and Marek came.`, "en");
    expect(hardWords.map((one) => one.word)).toContain("gravitational");
    expect(hardWords.map((one) => one.word)).not.toContain("johanna");
  });

  test("Spanish is measured by its own formula, without Dale and Chall", () => {
    const reading = readingOf("El mar sube y baja dos veces al día. ".repeat(5), "es");
    expect(reading.grade!.formula).toBe("Fernández Huerta");
    expect(reading.daleChall).toBeNull();
  });

  test("no text is no error", () => {
    expect(readingOf("", "en")).toMatchObject({ grade: null, words: 0, hardSentences: [], hardWords: [] });
  });
});
