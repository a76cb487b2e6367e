import { doubleMetaphone } from "double-metaphone";

/**
 * How many letters must be put in, left out, changed or swapped with their neighbour to make one word of the other.
 * Source: Damerau, "A technique for computer detection and correction of spelling errors", 1964 (optimal string alignment).
 * `editDistance("tide", "tied")` gives `1`.
 */
export function editDistance(one: string, other: string): number {
  const rows = Array.from({ length: one.length + 1 }, (_, at) => [at, ...new Array<number>(other.length).fill(0)]);
  for (let at = 0; at <= other.length; at += 1) rows[0]![at] = at;
  for (let i = 1; i <= one.length; i += 1) {
    for (let j = 1; j <= other.length; j += 1) {
      const same = one[i - 1] === other[j - 1] ? 0 : 1;
      let least = Math.min(rows[i - 1]![j]! + 1, rows[i]![j - 1]! + 1, rows[i - 1]![j - 1]! + same);
      const swapped = i > 1 && j > 1 && one[i - 1] === other[j - 2] && one[i - 2] === other[j - 1];
      if (swapped) least = Math.min(least, rows[i - 2]![j - 2]! + 1);
      rows[i]![j] = least;
    }
  }
  return rows[one.length]![other.length]!;
}

/** Common practice: one slip in a short word, two in a longer one. */
const SHORT_WORD = 5;
/** A word that sounds the same is as near as one with a slip and a half; it must be this long to sound like anything. */
const SOUNDS_ALIKE = 1.5;
const LONG_ENOUGH_TO_HEAR = 5;
/** Further apart than this, words that sound alike are two words. */
const MOST_LETTERS_APART = 4;

const singular = (word: string): string => (word.length > 5 ? word.replace(/s$/, "") : word);

const sound = (word: string): string => doubleMetaphone(word)[0];

/**
 * Of listed words the one that is fewest slips away, or that sounds the same ("fracshuns"); among equals the one with the same
 * first letter, then the most frequent. Sounds: Lawrence Philips, "The double metaphone search algorithm", 2000.
 * `nearestWord("fracshuns", [{ word: "fractions", entries: 12 }])` gives `"fractions"`.
 */
export function nearestWord(typed: string, listed: readonly { word: string; entries: number }[]): string | null {
  const most = typed.length <= SHORT_WORD ? 1 : 2;
  const heard = typed.length >= LONG_ENOUGH_TO_HEAR ? sound(typed) : null;
  const near = listed
    .filter(({ word }) => Math.abs(word.length - typed.length) <= MOST_LETTERS_APART)
    .map((one) => {
      // Listed are the forms that were written: often the plural alone.
      const letters = Math.min(editDistance(typed, one.word), editDistance(typed, singular(one.word)));
      const alike = heard !== null && letters > 1 && letters <= MOST_LETTERS_APART && sound(one.word) === heard;
      return { ...one, slips: alike ? SOUNDS_ALIKE : letters, start: one.word[0] === typed[0] ? 0 : 1 };
    })
    .filter((one) => one.slips <= most || one.slips === SOUNDS_ALIKE)
    .sort((one, other) => one.slips - other.slips || one.start - other.start || other.entries - one.entries);
  return near[0]?.word ?? null;
}
