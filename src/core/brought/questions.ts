import { richText } from "../content/rich-text";
import { newQuestion } from "../question/new-question";
import type { Question } from "../question/question";
import { parseNumber } from "../scoring/number";
import type { BroughtQuestion } from "./brought";

const plain = (text: string) => text.trim().toLowerCase();

/**
 * A question of ours for one of a file: to choose from where there are choices (one or several right), a number, a short answer, or, where
 * nothing says what is right, a text that is read by a person.
 */
export function questionFrom(asked: BroughtQuestion, language: string, newId: () => string): Question {
  const { ask, options, right, hint, marks } = asked;
  const usual = {
    prompt: { [language]: richText(ask) },
    ...(hint && { hint: { [language]: richText(hint) } }),
    ...(marks !== null && { marks }),
  };
  if (options.length >= 2) {
    const made = options.map((text) => ({ id: newId(), text: { [language]: text.slice(0, 400) } }));
    const ids = made.filter((_, at) => right.some((text) => plain(text) === plain(options[at]!))).map(({ id }) => id);
    const several = ids.length > 1;
    return {
      ...newQuestion(several ? "choices" : "choice", language, newId),
      ...{ ...usual, options: made, right: several ? ids : (ids[0] ?? null) },
    } as Question;
  }
  const [only] = right;
  const number = only !== undefined && right.length === 1 ? parseNumber(only) : null;
  if (number !== null)
    return {
      ...newQuestion("number", language, newId),
      ...{ ...usual, parts: [{ id: newId(), right: number, tolerance: 0 }] },
    } as Question;
  if (right.length > 0)
    return {
      ...newQuestion("shortText", language, newId),
      ...{ ...usual, accepted: right.slice(0, 30).map((text) => ({ text: text.slice(0, 200), share: 1 })) },
    } as Question;
  return { ...newQuestion("longText", language, newId), ...usual } as Question;
}
