import type { Block } from "./block";
import type { Document, Step } from "./document";
import { inLanguage } from "../content/language";
import { plainText } from "../content/rich-text";

/** What students read of a document, and what of it its reading grade is measured on. */

function blockWords(block: Block, languages: readonly string[]): string {
  switch (block.type) {
    case "text":
      return plainText(inLanguage(block.text, languages));
    case "picture":
      return inLanguage(block.caption, languages) ?? "";
    case "question":
      return plainText(inLanguage(block.question.prompt, languages));
    default:
      return "";
  }
}

/** `isForStudents(lesson.steps[2])` gives `false`. */
export const isForStudents = (step: Step): boolean => step.audience !== "teacher";

/** Prompts by themselves are too short and too many to say how hard a text is: without anything else to read there is no grade. */
const FEWEST_BESIDE_PROMPTS = 30;

/**
 * The running text students read: instructions, texts and prompts; a paragraph a line.
 * `studentText(lesson).split("\n")[0]` gives `"The tide comes in twice a day."`.
 */
export function studentText(document: Document): string {
  return document.steps
    .filter(isForStudents)
    .flatMap((step) => [
      plainText(inLanguage(step.instructions, document.languages)?.text),
      ...step.blocks.map((block) => blockWords(block, document.languages)),
    ])
    .filter((text) => text.trim() !== "")
    .join("\n");
}

/** Enough connected text to measure by itself; instructions and prompts are short sentences and would make it look easier. */
const ENOUGH_TO_READ = 60;

/**
 * What the reading grade is measured on: the texts to read if there are any, else everything students read.
 * `measuredText(lesson)` gives `""`.
 */
export function measuredText(document: Document): string {
  const texts = document.steps
    .filter(isForStudents)
    .flatMap((step) =>
      step.blocks.flatMap((block) =>
        block.type === "text" ? [plainText(inLanguage(block.text, document.languages))] : [],
      ),
    )
    .join("\n");
  if (countWords(texts) >= ENOUGH_TO_READ) return texts;
  const withoutPrompts = document.steps
    .filter(isForStudents)
    .map((step) => plainText(inLanguage(step.instructions, document.languages)?.text))
    .join("\n");
  return countWords(texts) + countWords(withoutPrompts) >= FEWEST_BESIDE_PROMPTS ? studentText(document) : "";
}

/** `countWords("The tide is high.")` gives `4`. */
export const countWords = (text: string): number => text.match(/\p{L}[\p{L}\p{M}'’-]*/gu)?.length ?? 0;
