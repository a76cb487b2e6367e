import { inLanguage } from "../content/language";
import { plainText } from "../content/rich-text";
import type { Said } from "./kind";
import { kindOf } from "./kinds";
import type { Question } from "./question";
import { words } from "./wording";

/**
 * What a question asks and all there is to choose from; its own text for reading aloud goes before what stands on the page.
 * `questionAloud(question, ["en"])` gives `[{ text: "How often does the tide come in?" }]`.
 */
export function questionAloud(question: Question, languages: readonly string[]): Said[] {
  const own = inLanguage(question.aloud, languages)?.trim();
  if (own) return words(own);
  return [
    ...words(plainText(inLanguage(question.prompt, languages))),
    ...(kindOf(question).aloud?.(question as never, languages) ?? []),
  ];
}
