import { fernandezHuertaEase, fleschKincaidGrade } from "./formulas";
import { countText, type TextCounts } from "./measure";

export interface ReadingGrade {
  /** A school grade, one decimal, never below 0. */
  grade: number;
  formula: "Flesch-Kincaid" | "Fernández Huerta";
}

/** Below this a formula says more about chance than about the text. */
const FEWEST_WORDS = 30;

/** Bands of Fernández Huerta's ease against school grades: the table printed with his formula; from memory. */
const spanishBands: [ease: number, grade: number][] = [
  [90, 4],
  [80, 5],
  [70, 6],
  [60, 8],
  [50, 10],
  [30, 12],
];

/** The table ends at 90, "very easy"; what is easier still goes on by its slope, a grade every ten points, down to 0. */
const veryEasy = (ease: number): number => Math.max(0, Math.round((4 - (ease - 90) / 10) * 10) / 10);

/**
 * The grade that counts stand for, or null where there is no formula for the language here.
 * `readingGradeOf({ words: 100, sentences: 10, syllables: 130 }, "en")` gives `{ grade: 3.7, formula: "Flesch-Kincaid" }`.
 */
export function readingGradeOf(counts: TextCounts, language: string): ReadingGrade | null {
  if (language.startsWith("en")) {
    const grade = Math.max(0, Math.round(fleschKincaidGrade(counts) * 10) / 10);
    return { grade, formula: "Flesch-Kincaid" };
  }
  if (language.startsWith("es")) {
    const ease = fernandezHuertaEase(counts);
    const grade = ease > 90 ? veryEasy(ease) : (spanishBands.find(([from]) => ease >= from)?.[1] ?? 13);
    return { grade, formula: "Fernández Huerta" };
  }
  return null;
}

/**
 * The measured reading grade of running text, or null: too little text, or no formula for the language here.
 * `readingGrade("Low water.", "en")` gives `null`.
 */
export function readingGrade(text: string, language: string): ReadingGrade | null {
  const counts = countText(text, language);
  return counts.words < FEWEST_WORDS || counts.sentences === 0 ? null : readingGradeOf(counts, language);
}
