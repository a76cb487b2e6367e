import british from "american-british-english-translator/data/american_spellings.json";
import { listedForm } from "./words";

/** Words that mean the same, by listed form. */
export type Synonyms = ReadonlyMap<string, readonly string[]>;

// These are spelt differently only in one of their senses, so the other spelling is not always meant.
const dependOnSense = new Set([
  "meter",
  "metre",
  "tire",
  "tyre",
  "program",
  "programme",
  "license",
  "licence",
  "practice",
  "practise",
  "check",
  "cheque",
  "draft",
  "draught",
  "story",
  "storey",
  "curb",
  "kerb",
]);

/** American and British spellings of one word find each other. List: american-british-english-translator (MIT). */
function spellings(): Map<string, string[]> {
  const pairs = new Map<string, string[]>();
  for (const [us, gb] of Object.entries(british as Record<string, string>)) {
    if (dependOnSense.has(us) || dependOnSense.has(gb)) continue;
    pairs.set(us, [...(pairs.get(us) ?? []), gb]);
    pairs.set(gb, [...(pairs.get(gb) ?? []), us]);
  }
  return pairs;
}

/**
 * Reads a list of synonyms: a line for each meaning, its words set apart by commas; "#" begins a remark.
 * @throws Error naming the line that says only one word
 */
export function readSynonyms(file: string): Synonyms {
  const meant = spellings();
  file.split("\n").forEach((line, at) => {
    const words = line
      .replace(/#.*/, "")
      .split(",")
      .map((word) => listedForm(word.trim()))
      .filter(Boolean);
    if (words.length === 0) return;
    if (words.length === 1)
      throw new Error(`line ${at + 1}: “${words[0]}” stands alone; a line needs two words or more`);
    for (const word of words) {
      const others = words.filter((other) => other !== word);
      meant.set(word, [...new Set([...(meant.get(word) ?? []), ...others])]);
    }
  });
  return meant;
}
