import { readdirSync, readFileSync } from "node:fs";
import path from "node:path";
import { LetterText, type Letters } from "@/core/roster/letter";
import { log } from "../web/log";

let letters: Letters | undefined;

/**
 * The letters home, one file for each language in words/letters: "es.json", "pt-BR.json". One that cannot be read is left out
 * and named in the log; the families it is for are then said to get the English one.
 */
export function lettersHome(): Letters {
  return (letters ??= readLetters(path.join(/* turbopackIgnore: true */ process.cwd(), "words", "letters")));
}

export function readLetters(folder: string): Letters {
  const read: Record<string, LetterText> = {};
  for (const file of readdirSync(folder).filter((name) => name.endsWith(".json"))) {
    try {
      read[path.basename(file, ".json")] = LetterText.parse(JSON.parse(readFileSync(path.join(folder, file), "utf8")));
    } catch (error) {
      log.error({ file, error: error instanceof Error ? error.message : String(error) }, "a letter cannot be read");
    }
  }
  if (!read.en) throw new Error(`${folder} has no letter in English (en.json) that can be read.`);
  return read;
}
