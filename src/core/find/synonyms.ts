import { britishOf, dependsOnSense } from "../locale/spelling";
import { listedForm } from "../content/listed-form";

/** Words that mean the same, by listed form. */
export type Synonyms = ReadonlyMap<string, readonly string[]>;

/** American and British spellings of one word find each other. */
function spellings(): Map<string, string[]> {
  const pairs = new Map<string, string[]>();
  for (const [us, gb] of britishOf) {
    if (dependsOnSense(us) || dependsOnSense(gb)) continue;
    pairs.set(us, [...(pairs.get(us) ?? []), gb]);
    pairs.set(gb, [...(pairs.get(gb) ?? []), us]);
  }
  return pairs;
}

/**
 * Reads a list of synonyms: a line for each meaning, its words set apart by commas; "#" begins a remark.
 * `[...readSynonyms("boat, ship").get("boat")]` gives `["ship"]`.
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
