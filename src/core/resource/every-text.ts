import { isRichText, plainText } from "../content/rich-text";
import type { Document } from "./document";

// References to files by language are no texts, and where a step came from is none either.
const notTexts = new Set(["captions", "origin", "id", "type"]);

/**
 * Everything there is to read in the steps of a document in one language, found by its shape as for translating, so that
 * no kind of block or question is forgotten: instructions, texts, options, passages, cells, labels, words of drawings, what
 * is said in a sound, hints and notes. Gaps are left out of their passages.
 * `everyText(lesson, "en").includes("The tide comes in")` gives `true`.
 */
export function everyText(document: Document, language: string): string {
  const { languages, steps } = document;
  const found: string[] = [];
  const read = (value: unknown): void => {
    if (typeof value === "string") found.push(value.replace(/\[\[[A-Za-z0-9_-]+\]\]/g, " "));
    else if (isRichText(value)) found.push(plainText(value));
    else if (Array.isArray(value)) value.forEach(read);
    else if (typeof value === "object" && value !== null && "text" in value) read(value.text);
  };
  const look = (value: unknown): void => {
    if (Array.isArray(value)) return value.forEach(look);
    if (typeof value !== "object" || value === null) return;
    const entries = Object.entries(value);
    if (entries.length > 0 && entries.every(([key]) => languages.includes(key)))
      return read((value as Record<string, unknown>)[language]);
    // Words to choose from in a gap are written once, in the first language, and apart for the others.
    if (language === languages[0] && "accepted" in value && "options" in value) read(value.options);
    for (const [key, inner] of entries) if (!notTexts.has(key)) look(inner);
  };
  look(steps);
  return found.filter((text) => text.trim() !== "").join("\n");
}
