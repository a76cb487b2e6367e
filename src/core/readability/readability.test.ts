import { fernandezHuertaEase, fleschEase, fleschKincaidGrade } from "./formulas";
import { readingGrade } from "./grade";
import { countText, sentencesIn, spanishSyllables, wordsIn } from "./measure";

// Published counts and scores: checks computed with the packages flesch and flesch-kincaid, which take counts.
describe("the formulas agree with published values", () => {
  test.each([
    ["The cat sat on the mat.", { words: 6, sentences: 1, syllables: 6 }, 116.145, -1.45],
    [
      "The Australian platypus is seemingly a hybrid of a mammal and reptilian creature.",
      { words: 13, sentences: 1, syllables: 24 },
      37.455,
      11.265,
    ],
  ])("%s", (_text, counts, ease, grade) => {
    expect(fleschEase(counts)).toBeCloseTo(ease, 2);
    expect(fleschKincaidGrade(counts)).toBeCloseTo(grade, 2);
  });

  // Fernández Huerta 1959, from memory: 206.84 - 60 per syllable a word - 1.02 per word a sentence.
  test("Spanish: 100 words, 5 sentences, 200 syllables", () => {
    expect(fernandezHuertaEase({ words: 100, sentences: 5, syllables: 200 })).toBeCloseTo(206.84 - 120 - 20.4, 10);
  });
});

describe("what is counted", () => {
  test("the cat on the mat is six words, one sentence, six syllables", () => {
    expect(countText("The cat sat on the mat.", "en")).toEqual({ words: 6, sentences: 1, syllables: 6 });
  });

  test("numbers and signs are no words, hyphens and apostrophes hold a word together", () => {
    expect(wordsIn("The keeper's well-known 12 lamps & 3 ropes")).toEqual([
      "The",
      "keeper's",
      "well-known",
      "lamps",
      "ropes",
    ]);
  });

  test.each([
    ["Mr. Berg and Dr. Holm met Mrs. Dahl. They spoke.", 2],
    ["The story is by A. J. Berg. It is long.", 2],
    ["Some birds, e.g. Puffins, dive.", 1],
    ["We left at 3 p.m. The ferry was late.", 2],
    ["El Sr. Vega llega. La Sra. Cruz no.", 2],
  ])("titles, initials and examples end no sentence: %s", (text, count) => {
    expect(sentencesIn(text)).toHaveLength(count);
  });

  test("a decimal point ends no sentence, a question mark and a new line do", () => {
    expect(sentencesIn("The boat draws 1.2 metres. May she cross?\nShe may")).toEqual([
      "The boat draws 1.2 metres.",
      "May she cross?",
      "She may",
    ]);
  });

  // Syllables by the rules of diphthong and hiatus of the Real Academia Española; from memory.
  test.each([
    ["sol", 1],
    ["mar", 1],
    ["agua", 2],
    ["marea", 3],
    ["bajamar", 3],
    ["pleamar", 3],
    ["día", 2],
    ["río", 2],
    ["guitarra", 3],
    ["queso", 2],
    ["pingüino", 3],
    ["muy", 1],
    ["ciudad", 2],
    ["caos", 2],
    ["aéreo", 4],
  ])("%s has %d syllables", (word, syllables) => {
    expect(spanishSyllables(word)).toBe(syllables);
  });
});

describe("the reading grade", () => {
  const easy =
    "The cat sat on the mat. The dog ran to the cat. The cat did not like the dog. They sat by the door. The sun was hot. The dog lay in the shade all day.";
  const hard =
    "The considerable gravitational attraction between celestial bodies continuously redistributes the oceanic waters, producing characteristic semidiurnal oscillations whose amplitude nevertheless varies considerably according to the particular geographical configuration of the neighbouring continental coastline and its surrounding bathymetry.";

  test("is low for a primer and high for a treatise", () => {
    expect(readingGrade(easy, "en")!.grade).toBeLessThan(2);
    expect(readingGrade(hard, "en")!.grade).toBeGreaterThan(15);
  });

  test("is never below nought, and names its formula", () => {
    expect(readingGrade(easy, "en")).toEqual({ grade: 0, formula: "Flesch-Kincaid" });
  });

  test("is not given for a few words, nor for a language without a formula here", () => {
    expect(readingGrade("High water at noon.", "en")).toBeNull();
    expect(readingGrade(easy, "fo")).toBeNull();
  });

  test("an easy Spanish text reads below grade 4: the table's slope goes on", () => {
    const facil =
      "El gato ve el mar. El sol da luz. La niña va con su pan. El pez no ve al gato. La mar va y ve. El niño da pan al pez. No hay luz en el bar.";
    expect(readingGrade(facil, "es")!.grade).toBeLessThan(4);
  });

  test("uses a Spanish formula for Spanish", () => {
    const texto =
      "El mar sube y baja dos veces al día. En la pleamar hay agua para todos los barcos. En la bajamar la playa es muy grande. Los niños buscan conchas. El barco espera fuera del puerto.";
    expect(readingGrade(texto, "es")!.formula).toBe("Fernández Huerta");
  });
});
