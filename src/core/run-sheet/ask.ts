import { inLanguage } from "../content/language";
import { plainText } from "../content/rich-text";
import type { QuickQuestion } from "../live/lesson";
import type { Question } from "../question/question";

const MOST_ASKED = 300;
const MOST_OPTIONS = 6;
const MOST_OPTION = 80;

/**
 * A question of the resource as one that is asked of everybody now: with the same choices, as a number, in words or drawn. Null: it cannot
 * be asked in a line, as matching cannot.
 * `quickOf(question, ["en"], "a")?.ask` gives `"How often does the tide come in?"`.
 */
export function quickOf(question: Question, languages: readonly string[], id: string): QuickQuestion | null {
  const ask = plainText(inLanguage(question.prompt, languages)).trim().replace(/\s+/g, " ").slice(0, MOST_ASKED);
  if (!ask) return null;
  switch (question.type) {
    case "choice":
    case "choices":
    case "poll": {
      const options = question.options.map(({ text }) => (inLanguage(text, languages) ?? "").trim());
      const usable =
        options.length >= 2 &&
        options.length <= MOST_OPTIONS &&
        options.every((text) => text !== "" && text.length <= MOST_OPTION) &&
        new Set(options).size === options.length;
      return { id, ask, ...(usable ? { kind: "choose", options } : { kind: "words", options: [] }) };
    }
    case "number":
      return { id, ask, kind: question.parts.length === 1 ? "number" : "words", options: [] };
    case "sketch":
      return { id, ask, kind: "draw", options: [] };
    case "shortText":
    case "longText":
      return { id, ask, kind: "words", options: [] };
    default:
      return null;
  }
}
