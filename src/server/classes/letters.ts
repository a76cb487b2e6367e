import { readdirSync, readFileSync } from "node:fs";
import path from "node:path";
import type { z } from "zod";
import { ResultLetterText, type ResultLetters } from "@/core/results/family-letter";
import { LetterText, type Letters } from "@/core/roster/letter";
import { log } from "../web/log";

let letters: Letters | undefined;
let resultLetters: ResultLetters | undefined;

const folderOf = (name: string) => path.join(/* turbopackIgnore: true */ process.cwd(), "words", name);

/**
 * The letters home, one file for each language in words/letters: "es.json", "pt-BR.json". One that cannot be read is left out
 * and named in the log; the families it is for are then said to get the English one.
 */
export function lettersHome(): Letters {
  return (letters ??= readLetters(folderOf("letters")));
}

/** Letters about results, one file for each language in words/result-letters. */
export const lettersAboutResults = (): ResultLetters =>
  (resultLetters ??= readTexts(folderOf("result-letters"), ResultLetterText));

export const readLetters = (folder: string): Letters => readTexts(folder, LetterText);

function readTexts<Text>(folder: string, shape: z.ZodType<Text>): Record<string, Text> {
  const read: Record<string, Text> = {};
  for (const file of readdirSync(folder).filter((name) => name.endsWith(".json"))) {
    try {
      read[path.basename(file, ".json")] = shape.parse(JSON.parse(readFileSync(path.join(folder, file), "utf8")));
    } catch (error) {
      log.error({ file, error: error instanceof Error ? error.message : String(error) }, "a letter cannot be read");
    }
  }
  if (!read.en) throw new Error(`${folder} has no letter in English (en.json) that can be read.`);
  return read;
}
