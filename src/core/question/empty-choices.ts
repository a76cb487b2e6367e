import { inLanguage } from "../content/language";
import type { Option, Question } from "./question";

interface Choices {
  options: readonly Option[];
  /** What one of them is called. */
  name: string;
  /** Two may say the same: two pebbles are sorted one after the other. */
  alike?: boolean;
}

/** The lists of a question that students choose from. */
function listsOf(question: Question): Choices[] {
  switch (question.type) {
    case "choice":
    case "choices":
      return [{ options: question.options, name: "A choice" }];
    case "poll":
      return [{ options: question.options, name: "An answer of a poll" }];
    case "match":
      return [
        { options: question.left, name: "Something to match" },
        { options: question.right, name: "A partner to match" },
      ];
    case "order":
      return [{ options: question.items, name: "Something to order" }];
    case "groups":
      return [
        { options: question.groups, name: "A group" },
        { options: question.items, name: "Something to sort", alike: true },
      ];
    case "labels":
      return [{ options: question.labels, name: "A label" }];
    default:
      return [];
  }
}

/**
 * What is wrong with the choices of a question, as a sentence: one says nothing (neither words nor a picture), or two of a
 * list say the same, so that nobody could tell which is meant. Null when nothing is.
 */
export function emptyChoice(question: Question, languages: readonly string[]): string | null {
  for (const { options, name, alike } of listsOf(question)) {
    const said = options.map((option) => (inLanguage(option.text, languages) ?? "").trim());
    if (options.some((option, at) => said[at] === "" && !option.picture)) return `${name} is empty.`;
    // The words stand under the picture, and are all there is for those who do not see it.
    if (options.some((option, at) => said[at] === "" && option.picture)) return `${name} is a picture without words.`;
    const words = said.filter(Boolean).map((text) => text.toLowerCase());
    if (!alike && new Set(words).size < words.length) return `${name} is there twice.`;
  }
  return null;
}
