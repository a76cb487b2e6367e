import type { TextCounts } from "./measure";

/** Reading ease, higher is easier. Source: Flesch, "A new readability yardstick", 1948. */
export function fleschEase({ words, sentences, syllables }: TextCounts): number {
  return 206.835 - 1.015 * (words / sentences) - 84.6 * (syllables / words);
}

/** A US school grade. Source: Kincaid, Fishburne, Rogers and Chissom, 1975. */
export function fleschKincaidGrade({ words, sentences, syllables }: TextCounts): number {
  return 0.39 * (words / sentences) + 11.8 * (syllables / words) - 15.59;
}

/** Spanish reading ease, higher is easier. Source: Fernández Huerta, "Medidas sencillas de lecturabilidad", 1959. */
export function fernandezHuertaEase({ words, sentences, syllables }: TextCounts): number {
  return 206.84 - 60 * (syllables / words) - 1.02 * (words / sentences);
}
