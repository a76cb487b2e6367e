import { syllable } from "syllable";

/** Counts readability formulas start from. */
export interface TextCounts {
  words: number;
  sentences: number;
  syllables: number;
}

const WORD = /\p{L}[\p{L}\p{M}'’]*(?:-\p{L}[\p{L}\p{M}'’]*)*/gu;

/** `wordsIn("The tide, it’s high.")` gives `["The", "tide", "it’s", "high"]`. */
export function wordsIn(text: string): string[] {
  return text.match(WORD) ?? [];
}

/** What is written with a full stop and goes on: titles, initials, hours, "for example". English and Spanish. */
const GOES_ON =
  /(?:^|[\s("“])(?:(?:mr|mrs|ms|dr|st|prof|sr|sra|srta|dra|jr|vs|no|e\.g|i\.e|p\.ej|etc)|\p{L}|(?:\p{L}\.){1,3}\p{L})\.$/iu;
/** "at 3 p.m. They left": an hour may end a sentence, and does where a capital follows. */
const HOUR = /\d\s*[ap]\.m\.$/i;

/**
 * Sentences end with . ! ? … or with a line; a line without words is none. Digits, initials ("A. Berg") and titles ("Mr.") do
 * not end one.
 * `sentencesIn("The tide is high. Look!")` gives `["The tide is high.", "Look!"]`.
 */
export function sentencesIn(text: string): string[] {
  return text
    .split(/\n+/)
    .flatMap((line) => {
      const sentences: string[] = [];
      for (const piece of line.split(/(?<=[.!?…]["”’)]?)\s+(?=[\p{Lu}"“¿¡(\d])/u)) {
        const before = sentences.at(-1);
        if (before !== undefined && GOES_ON.test(before) && !HOUR.test(before))
          sentences[sentences.length - 1] = `${before} ${piece}`;
        else sentences.push(piece);
      }
      return sentences;
    })
    .map((sentence) => sentence.trim())
    .filter((sentence) => wordsIn(sentence).length > 0);
}

const SPANISH_NUCLEUS = /[aeiouáéíóúü]/;

/**
 * Syllables of a Spanish word: strong vowels (a e o, and accented i u) each make one; weak ones (i u ü) join a neighbour.
 * Source: Real Academia Española, Ortografía (2010), rules of diphthong and hiatus; from memory.
 * `spanishSyllables("marea")` gives `3`.
 */
export function spanishSyllables(word: string): number {
  const letters = word
    .toLowerCase()
    .replace(/qu([eéií])/g, "q$1")
    .replace(/gu([eéií])/g, "g$1");
  let count = 0;
  let previousStrong = false;
  let inNucleus = false;
  for (const [at, letter] of [...letters].entries()) {
    const lastY = letter === "y" && at === letters.length - 1 && at > 0;
    if (!SPANISH_NUCLEUS.test(letter) && !lastY) {
      inNucleus = previousStrong = false;
      continue;
    }
    const strong = /[aeoáéíóú]/.test(letter);
    if (!inNucleus || (strong && previousStrong) || /[íú]/.test(letter)) count += 1;
    // An accented weak vowel stands alone: what follows starts anew.
    previousStrong = strong || /[íú]/.test(letter);
    inNucleus = true;
  }
  return Math.max(1, count);
}

/** `countText("The tide is high.", "en")` gives `{ words: 4, sentences: 1, syllables: 4 }`. */
export function countText(text: string, language: string): TextCounts {
  const words = wordsIn(text);
  const perWord = language.startsWith("es") ? spanishSyllables : (word: string) => Math.max(1, syllable(word));
  return {
    words: words.length,
    sentences: sentencesIn(text).length,
    syllables: words.reduce((sum, word) => sum + perWord(word), 0),
  };
}
