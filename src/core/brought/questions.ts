import { richText } from "../content/rich-text";
import { newQuestion } from "../question/new-question";
import type { Question } from "../question/question";
import { passageWords } from "../question/passage";
import { parseNumber } from "../scoring/number";
import type { BroughtAnswer, BroughtQuestion } from "./brought";

const plain = (text: string) => text.trim().toLowerCase();

/** The question a richer answer makes: everything of it but what is asked. Null: nothing in it says what is right. */
function questionOf(answer: BroughtAnswer, language: string, newId: () => string): Question | null {
  const options = (texts: readonly string[]) =>
    texts.map((text) => ({ id: newId(), text: { [language]: text.slice(0, 400) } }));
  switch (answer.kind) {
    case "order": {
      const items = options(answer.items);
      const right = answer.right.flatMap((at) => items[at]?.id ?? []);
      return right.length < 2 ? null : ({ ...newQuestion("order", language, newId), items, right } as Question);
    }
    case "pairs": {
      const [left, right] = [options(answer.left), options(answer.right)];
      const pairs = answer.pairs.flatMap(([one, other]) =>
        left[one] && right[other] ? [[left[one].id, right[other].id] as [string, string]] : [],
      );
      // What several things belong to is a group.
      const isGroups = new Set(pairs.map(([, other]) => other)).size < pairs.length;
      if (pairs.length === 0) return null;
      return isGroups
        ? ({ ...newQuestion("groups", language, newId), items: left, groups: right, right: pairs } as Question)
        : ({ ...newQuestion("match", language, newId), left, right, pairs } as Question);
    }
    case "gaps": {
      const gaps: { id: string; accepted: string[]; options?: string[] }[] = [];
      const passage = answer.passage
        .map((part) => {
          if (typeof part === "string") return part.replaceAll("[[", "[ [");
          const accepted = part.accepted.filter(Boolean).map((text) => text.slice(0, 200));
          if (accepted.length === 0) return "…";
          const id = newId();
          gaps.push({ id, accepted, ...(part.options.length >= 2 && { options: part.options.slice(0, 20) }) });
          return `[[${id}]]`;
        })
        .join("");
      if (gaps.length === 0) return null;
      return { ...newQuestion("gaps", language, newId), passage: { [language]: passage }, gaps } as Question;
    }
    case "marked": {
      const passage = answer.passage.map(({ text }) => text).join("");
      const right = placesOf(answer.passage, passage);
      if (right.length === 0) return null;
      const made = { passage: { [language]: passage }, unit: "word", right: { [language]: right } };
      return { ...newQuestion("highlight", language, newId), ...made } as Question;
    }
    case "file":
      return newQuestion(answer.of, language, newId);
    case "line": {
      const { from, to, step, right } = answer;
      const isAxis = from < to && step > 0 && (to - from) / step <= 1000;
      return isAxis
        ? ({ ...newQuestion("line", language, newId), axis: { from, to, step }, right, tolerance: 0 } as Question)
        : null;
    }
  }
}

/** The words of a passage that lie in what is right of it. */
function placesOf(parts: readonly { text: string; isRight: boolean }[], passage: string): number[] {
  let end = 0;
  const spans = parts.flatMap(({ text, isRight }) => {
    const from = end;
    end += text.length;
    return isRight ? [{ from, to: end }] : [];
  });
  let at = 0;
  return passageWords(passage, "word").flatMap(({ text, place }) => {
    const from = at;
    at += text.length;
    return place !== null && spans.some((span) => from < span.to && span.from < at) ? [place] : [];
  });
}

/** What stands in a richer answer, to be read where it makes no question of its kind. */
function textsOf(answer: BroughtAnswer): string[] {
  switch (answer.kind) {
    case "order":
      return answer.items;
    case "pairs":
      return [answer.left.join(" · "), answer.right.join(" · ")];
    case "gaps":
      return [answer.passage.map((part) => (typeof part === "string" ? part : "____")).join("")];
    case "marked":
      return [answer.passage.map(({ text }) => text).join("")];
    case "file":
      return [];
    case "line":
      return [`${answer.from} … ${answer.to}`];
  }
}

/**
 * A question of ours for one of a file: to choose from where there are choices (one or several right), a number, a short answer, or, where
 * nothing says what is right, a text that is read by a person.
 * `questionFrom({ ask: "How often?", options: [], right: [], hint: "", marks: null }, "en", () => "new").type` gives `"longText"`.
 */
export function questionFrom(asked: BroughtQuestion, language: string, newId: () => string): Question {
  const { ask, options, right, hint, marks } = asked;
  const usual = {
    prompt: { [language]: richText(ask) },
    ...(hint && { hint: { [language]: richText(hint) } }),
    ...(marks !== null && { marks }),
    ...(asked.feedback && { feedback: { general: { [language]: richText(asked.feedback) } } }),
  };
  const special = asked.more && questionOf(asked.more, language, newId);
  if (special) return { ...special, ...usual } as Question;
  if (asked.more) {
    // Nothing says what is right: a person reads it, and nothing of what was asked is lost.
    const prompt = { [language]: richText([ask, ...textsOf(asked.more)].filter(Boolean).join("\n\n")) };
    return { ...newQuestion("longText", language, newId), ...usual, prompt } as Question;
  }
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
