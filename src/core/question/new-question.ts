import { richText } from "../content/rich-text";
import { questionKinds } from "./kinds";
import type { Question, QuestionType } from "./question";

/**
 * An empty question of a type, ready to be written in this language. `newId` gives each part an id of its own.
 * `newQuestion("longText", "en", () => "a").type` gives `"longText"`.
 */
export function newQuestion(type: QuestionType, language: string, newId: () => string): Question {
  const text = (words: string) => ({ [language]: words });
  return questionKinds[type].empty(
    { id: newId(), prompt: { [language]: richText("") }, marks: 1, partial: "by part", checked: "at once" },
    { id: newId, text, option: () => ({ id: newId(), text: text("") }), language },
  );
}
