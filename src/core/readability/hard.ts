import { daleChall } from "dale-chall";
import { americanOf } from "../locale/spelling";
import { daleChallGrades, daleChallScore } from "./formulas";
import { readingGradeOf, type ReadingGrade } from "./grade";
import { countText, sentencesIn, spanishSyllables, wordsIn } from "./measure";

const familiar = new Set(daleChall.map((word) => word.toLowerCase()));

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

/** Whether a child of ten knows a word: it, or the form it comes from, is on Dale and Chall's list of 1948. */
export function isFamiliar(word: string): boolean {
  const lower = word.toLowerCase();
  const parts = lower.split("-");
  if (parts.length > 1) return parts.every(isFamiliar);
  const us = americanOf.get(lower) ?? lower;
  return [lower, us].some(
    (form) =>
      familiar.has(form) ||
      endings.some(([ending, instead]) => ending.test(form) && familiar.has(form.replace(ending, instead))),
  );
}

/** Names count as familiar: capital letters inside a sentence, by Dale and Chall's own rules. */
function difficultWords(sentence: string): string[] {
  return wordsIn(sentence).filter((word, at) => !(at > 0 && /^\p{Lu}/u.test(word)) && !isFamiliar(word));
}

const LONG_SPANISH_WORD = 4; // syllables

export interface Reading {
  grade: ReadingGrade | null;
  words: number;
  wordsASentence: number;
  /** English only. */
  daleChall: { score: number; grades: string } | null;
  /** The sentences that read hardest, hardest first; grades of single sentences are rough. */
  hardSentences: { text: string; grade: number }[];
  /** Words a child may not know, the most frequent first. */
  hardWords: { word: string; times: number }[];
}

/** How a text reads, and what in it is hard. `most`: how many sentences and words to name. */
export function readingOf(text: string, language: string, most = 5): Reading {
  const sentences = sentencesIn(text);
  const counts = countText(text, language);
  const english = language.startsWith("en");
  const hard = sentences.flatMap((sentence) =>
    english ? difficultWords(sentence) : wordsIn(sentence).filter((word) => spanishSyllables(word) > LONG_SPANISH_WORD),
  );
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
      ? Math.round(daleChallScore({ ...counts, difficult: hard.length }) * 10) / 10
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
  };
}
