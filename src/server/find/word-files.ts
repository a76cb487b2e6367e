import { readFileSync } from "node:fs";
import path from "node:path";
import { readGlossary, type Glossary } from "@/core/find/glossary";
import { readSynonyms, type Synonyms } from "@/core/find/synonyms";
import { readSimpler, type Simpler } from "@/core/plain-words/simpler";
import { log } from "../web/log";

/** A file of words, read once; one that cannot be read is said in the log, and searching goes on without it. */
function wordFile<Words>(name: string, read: (text: string) => Words): () => Words {
  let words: Words | undefined;
  return () => {
    if (words) return words;
    try {
      words = read(readFileSync(path.join(process.cwd(), "words", name), "utf8"));
    } catch (error) {
      log.error({ error: (error as Error).message }, `words/${name} could not be read`);
      words = read("");
    }
    return words;
  };
}
export const knownSynonyms = wordFile<Synonyms>("synonyms.txt", readSynonyms);
export const knownGlossary = wordFile<Glossary>("spanish.txt", readGlossary);

/** The commonest words of Spanish, the commonest first; lines with # say where they come from. */
export const commonSpanish = wordFile<string[]>("common-spanish.txt", (text) =>
  text.split("\n").filter((line) => line !== "" && !line.startsWith("#")),
);

const plainEnglish = wordFile<Simpler>("plain-english.txt", readSimpler);
const plainSpanish = wordFile<Simpler>("plain-spanish.txt", readSimpler);
const none: Simpler = new Map();

/** Plainer words for hard ones; none for a language there is no list of. */
export const simplerWords = (language: string): Simpler =>
  language.startsWith("en") ? plainEnglish() : language.startsWith("es") ? plainSpanish() : none;
