import type { TextCounts } from "./measure";

/**
 * Reading ease, higher is easier. Source: Flesch, "A new readability yardstick", 1948.
 * `Math.round(fleschEase({ words: 100, sentences: 10, syllables: 130 }))` gives `87`.
 */
export function fleschEase({ words, sentences, syllables }: TextCounts): number {
  return 206.835 - 1.015 * (words / sentences) - 84.6 * (syllables / words);
}

/**
 * A US school grade. Source: Kincaid, Fishburne, Rogers and Chissom, 1975.
 * `fleschKincaidGrade({ words: 100, sentences: 10, syllables: 130 }).toFixed(2)` gives `"3.65"`.
 */
export function fleschKincaidGrade({ words, sentences, syllables }: TextCounts): number {
  return 0.39 * (words / sentences) + 11.8 * (syllables / words) - 15.59;
}

/**
 * Spanish reading ease, higher is easier. Source: Fernández Huerta, "Medidas sencillas de lecturabilidad", 1959.
 * `Math.round(fernandezHuertaEase({ words: 100, sentences: 10, syllables: 200 }))` gives `77`.
 */
export function fernandezHuertaEase({ words, sentences, syllables }: TextCounts): number {
  return 206.84 - 60 * (syllables / words) - 1.02 * (words / sentences);
}

/**
 * A raw score that rises with difficulty; see `daleChallGrade` for the grade it stands for.
 * Source: Dale and Chall, "A formula for predicting readability", 1948.
 * `daleChallScore({ words: 100, sentences: 10, difficult: 0 })` gives `0.496`.
 */
export function daleChallScore({
  words,
  sentences,
  difficult,
}: {
  words: number;
  sentences: number;
  difficult: number;
}): number {
  const share = (100 * difficult) / words;
  return 0.1579 * share + 0.0496 * (words / sentences) + (share > 5 ? 3.6365 : 0);
}

/** Dale and Chall's own correction table of 1948: raw scores and the lowest grade each band stands for. From memory. */
const daleChallBands: [below: number, grades: string][] = [
  [5, "4 and below"],
  [6, "5 to 6"],
  [7, "7 to 8"],
  [8, "9 to 10"],
  [9, "11 to 12"],
];

/** `daleChallGrades(6.2)` gives `"7 to 8"`. */
export const daleChallGrades = (score: number): string =>
  daleChallBands.find(([below]) => score < below)?.[1] ?? "above 12";
