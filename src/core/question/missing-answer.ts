import { inLanguage } from "../content/language";
import { kindOf } from "./kinds";
import type { Question } from "./question";

/**
 * What keeps a question from being answered rightly, as a sentence: no right answer, or something wrong with its choices.
 * `missingAnswer(question, ["en"])` gives `null`.
 */
export const missingAnswer = (question: Question, languages: readonly string[]): string | null =>
  kindOf(question).missing?.(question as never, languages) ?? emptyChoice(question, languages);

/**
 * What is wrong with the choices of a question, as a sentence: one says nothing (neither words nor a picture), or two of a
 * list say the same, so that nobody could tell which is meant. Null when nothing is.
 * `emptyChoice(question, ["en"])` gives `null`.
 */
export function emptyChoice(question: Question, languages: readonly string[]): string | null {
  for (const { options, name, alike } of kindOf(question).lists?.(question as never) ?? []) {
    const said = options.map((option) => (inLanguage(option.text, languages) ?? "").trim());
    if (options.some((option, at) => said[at] === "" && !option.picture)) return `${name} is empty.`;
    // The words stand under the picture, and are all there is for those who do not see it.
    if (options.some((option, at) => said[at] === "" && option.picture)) return `${name} is a picture without words.`;
    const words = said.filter(Boolean).map((text) => text.toLowerCase());
    if (!alike && new Set(words).size < words.length) return `${name} is there twice.`;
  }
  return null;
}
