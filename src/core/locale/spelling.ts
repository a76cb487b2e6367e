import spellings from "./american-spellings/american-spellings.json";

/**
 * The British spelling of each American one, and the other way round. List: from
 * american-british-english-translator 0.2.1, under the MIT licence beside it.
 */
export const britishOf: ReadonlyMap<string, string> = new Map(Object.entries(spellings as Record<string, string>));
export const americanOf: ReadonlyMap<string, string> = new Map([...britishOf].map(([us, gb]) => [gb, us]));

const senses = [
  "meter metre",
  "tire tyre",
  "program programme",
  "license licence",
  "practice practise",
  "check cheque",
  "draft draught",
  "story storey",
  "curb kerb",
].flatMap((pair) => pair.split(" "));
const dependent = new Set([...senses, ...senses.map((word) => `${word}s`), "stories", "storeys"]);

/**
 * Spelt differently only in one of its senses: the spelling tells nothing, and the other one is not always meant.
 * `dependsOnSense("metre")` gives `true`.
 */
export const dependsOnSense = (word: string): boolean => dependent.has(word);
