import { daleChallGrades, daleChallScore } from "./formulas";
import { isFamiliar, measureFor, readingOf } from "./hard";

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
    const { hardSentences } = readingOf(text, "en", { grade: 4 });
    expect(hardSentences[0]!.text).toMatch(/^The considerable/);
    expect(hardSentences[0]!.grade).toBeGreaterThan(hardSentences[1]!.grade);
  });

  test("the words that are not known are named, names of people are not", () => {
    const { hardWords } = readingOf(`${text} Then Johanna and Marek came.`, "en", { grade: 4 });
    expect(hardWords.map((one) => one.word)).toContain("gravitational");
    expect(hardWords.map((one) => one.word)).not.toContain("johanna");
  });

  test("Spanish is measured by its own formula, without Dale and Chall", () => {
    const reading = readingOf("El mar sube y baja dos veces al día. ".repeat(5), "es", { grade: 4 });
    expect(reading.grade!.formula).toBe("Fernández Huerta");
    expect(reading.daleChall).toBeNull();
  });

  test("no text is no error", () => {
    expect(readingOf("", "en", { grade: 0 })).toMatchObject({
      grade: null,
      words: 0,
      hardSentences: [],
      hardWords: [],
    });
  });

  test("what is hard depends on the grade: by Spache's list, by Dale and Chall's, by Gunning's long words", () => {
    const hard = (word: string, grade: number) => measureFor("en", grade).isHard(word);
    // On Dale and Chall's list, and not on Spache's.
    expect([2, 4, 8].map((grade) => hard("sunshine", grade))).toEqual([true, false, false]);
    // On neither; short.
    expect([2, 4, 8].map((grade) => hard("ebb", grade))).toEqual([true, true, false]);
    expect([2, 4, 8].map((grade) => hard("gravitational", grade))).toEqual([true, true, true]);
    expect([2, 4, 8].map((grade) => hard("boats", grade))).toEqual([false, false, false]);
  });

  test("Spanish words by how common they are: more of them are known in higher grades", () => {
    const common = [...Array.from({ length: 3_000 }, (_, at) => `x${at}`), "faro", ...["luz", "barco"]];
    const hard = (word: string, grade: number) => measureFor("es", grade, common).isHard(word);
    expect([2, 5].map((grade) => hard("faro", grade))).toEqual([true, false]);
    expect(["faros", "luces", "barca"].map((word) => hard(word, 5))).toEqual([false, false, false]);
    expect(hard("batimetría", 9)).toBe(true);
    // Without the list only very long words can be told.
    expect(["faro", "bioluminiscencia"].map(measureFor("es", 5).isHard)).toEqual([false, true]);
  });
});
