import { daleChall } from "dale-chall";
import { spache } from "spache";
import { americanOf } from "../locale/spelling";
import { daleChallGrades, daleChallScore } from "./formulas";
import { readingGradeOf, type ReadingGrade } from "./grade";
import { countText, sentencesIn, spanishSyllables, wordsIn } from "./measure";

const known = {
  /** Known at ten: Dale and Chall 1948. */
  daleChall: new Set(daleChall.map((word) => word.toLowerCase())),
  /** Known up to grade 3: Spache, revised 1974. */
  spache: new Set(spache.map((word) => word.toLowerCase())),
};
type KnownList = keyof typeof known;

/** Endings taken off one after another: the list has base forms only. */
const endings: [ending: RegExp, instead: string][] = [
  [/['’]s?$/, ""],
  [/ies$/, "y"],
  [/ied$/, "y"],
  [/ier$/, "y"],
  [/iest$/, "y"],
  [/ily$/, "y"],
  [/es$/, ""],
  [/s$/, ""],
  [/([bdgklmnprt])\1(?:ed|ing|er|est)$/, "$1"],
  [/(?:ed|ing|er|est)$/, ""],
  [/(?:ed|ing|er|est)$/, "e"],
  [/ly$/, ""],
];

/**
 * Whether a word, or the form it comes from, is on a list; without one, on Dale and Chall's list of 1948.
 * `isFamiliar("house")` gives `true`.
 */
export function isFamiliar(word: string, list: KnownList = "daleChall"): boolean {
  const words = known[list];
  const lower = word.toLowerCase();
  const parts = lower.split("-");
  if (parts.length > 1) return parts.every((part) => isFamiliar(part, list));
  const us = americanOf.get(lower) ?? lower;
  return [lower, us].some(
    (form) =>
      words.has(form) ||
      endings.some(([ending, instead]) => ending.test(form) && words.has(form.replace(ending, instead))),
  );
}

/** Names count as familiar: capital letters inside a sentence, by Dale and Chall's own rules. */
const notNames = (sentence: string): string[] =>
  wordsIn(sentence).filter((word, at) => !(at > 0 && /^\p{Lu}/u.test(word)));

const LONG_ENGLISH_WORD = 3; // syllables: Gunning's hard words, 1952
const LONG_SPANISH_WORD = 5; // syllables

/** Which words are hard for a grade, and by what they are measured, said in a sentence. */
export interface Measure {
  by: string;
  isHard: (word: string) => boolean;
}

/** Of the commonest words of Spanish, children of a grade know about this many; common practice, no published list is free. */
const spanishKnown = (grade: number): number => (grade <= 3 ? 2_500 : grade <= 6 ? 5_000 : 10_000);

/** Spanish plurals and what is made of a verb by hanging a pronoun on it are not all among the commonest forms. */
const spanishForms = (word: string): string[] => [
  word,
  ...(word.endsWith("es") ? [word.slice(0, -2), `${word.slice(0, -3)}z`] : []),
  ...(word.endsWith("s") ? [word.slice(0, -1)] : []),
  ...(word.endsWith("a") ? [`${word.slice(0, -1)}o`] : []),
  ...(word.endsWith("as") ? [`${word.slice(0, -2)}o`] : []),
];

/**
 * How words are measured for a language and a grade. English: up to grade 3 Spache's list, up to 6 Dale and Chall's, above it words that
 * are not on it and long. Spanish: the commonest words, more of them the higher the grade; without the list, very long words.
 * `measureFor("en", 5).isHard("estuary")` gives `true`.
 *
 * @param commonSpanish the commonest words, the commonest first
 */
export function measureFor(language: string, grade: number, commonSpanish: readonly string[] = []): Measure {
  if (language.startsWith("en")) {
    if (grade <= 3)
      return { by: "Not on Spache’s list of words known by grade 3.", isHard: (word) => !isFamiliar(word, "spache") };
    if (grade <= 6)
      return { by: "Not on Dale and Chall’s list of words known at ten.", isHard: (word) => !isFamiliar(word) };
    return {
      by: "Not on Dale and Chall’s list, and of three syllables or more.",
      isHard: (word) => !isFamiliar(word) && countText(word, language).syllables >= LONG_ENGLISH_WORD,
    };
  }
  if (language.startsWith("es") && commonSpanish.length > 0) {
    const most = spanishKnown(grade);
    const common = new Set(commonSpanish.slice(0, most));
    return {
      by: `Not among the ${most.toLocaleString("en")} commonest words of Spanish.`,
      isHard: (word) => !spanishForms(word.toLowerCase()).some((form) => common.has(form)),
    };
  }
  return { by: "Words of five syllables or more.", isHard: (word) => spanishSyllables(word) >= LONG_SPANISH_WORD };
}

export interface Reading {
  grade: ReadingGrade | null;
  words: number;
  wordsASentence: number;
  /** English only. */
  daleChall: { score: number; grades: string } | null;
  /** The sentences that read hardest, hardest first; grades of single sentences are rough. */
  hardSentences: { text: string; grade: number }[];
  /** Words a child of its grade may not know, the most frequent first, and by what that was measured. */
  hardWords: { word: string; times: number }[];
  hardBy: string;
}

export interface ReadFor {
  /** The lowest grade it is for: 0 is K. */
  grade: number;
  /** The commonest words of Spanish, the commonest first. */
  commonSpanish?: readonly string[];
  /** How many sentences and words to name. */
  most?: number;
}

/**
 * How a text reads, and what in it is hard for those it is for.
 * `readingOf("The tide comes in.", "en", { grade: 4 }).hardWords` gives `[{ word: "tide", times: 1 }]`.
 */
export function readingOf(text: string, language: string, { grade, commonSpanish, most = 5 }: ReadFor): Reading {
  const sentences = sentencesIn(text);
  const counts = countText(text, language);
  const english = language.startsWith("en");
  const measure = measureFor(language, grade, commonSpanish);
  const words = sentences.flatMap(notNames);
  const hard = words.filter(measure.isHard);
  const times = new Map<string, number>();
  for (const word of hard) times.set(word.toLowerCase(), (times.get(word.toLowerCase()) ?? 0) + 1);
  const graded = sentences
    .filter((sentence) => wordsIn(sentence).length >= 6)
    .map((sentence) => ({
      text: sentence,
      grade: readingGradeOf(countText(sentence, language), language)?.grade ?? 0,
    }));
  const score =
    english && counts.sentences > 0 && counts.words > 0
      ? Math.round(daleChallScore({ ...counts, difficult: words.filter((word) => !isFamiliar(word)).length }) * 10) / 10
      : null;
  return {
    grade: counts.words < 30 || counts.sentences === 0 ? null : readingGradeOf(counts, language),
    words: counts.words,
    wordsASentence: counts.sentences === 0 ? 0 : Math.round((10 * counts.words) / counts.sentences) / 10,
    daleChall: score === null ? null : { score, grades: daleChallGrades(score) },
    hardSentences: graded.sort((one, other) => other.grade - one.grade).slice(0, most),
    hardWords: [...times]
      .map(([word, count]) => ({ word, times: count }))
      .sort((one, other) => other.times - one.times || other.word.length - one.word.length)
      .slice(0, most * 3),
    hardBy: measure.by,
  };
}
