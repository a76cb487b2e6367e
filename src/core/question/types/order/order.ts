import type { QuestionKind } from "../../kind";

import { matchCorrect } from "../../../scoring/qti";
import { eachRenamed, mixedByName, renamed } from "../../names";
import { sharesOf } from "../../shares";
import { listed, named, readOptions } from "../../wording";

export const order: QuestionKind<"order"> = {
  name: "Put in order",
  activity: "order",
  empty: (asked, { option }) => {
    const items = [option(), option(), option()];
    return { ...asked, type: "order", items: mixed(items), right: items.map((item) => item.id) };
  },
  missing: ({ items, right }) =>
    items.length >= 2 && right.length === items.length ? null : "An order needs two items or more.",
  lists: ({ items }) => [{ options: items, name: "Something to order" }],
  /** In full by match_correct; by part, an item counts when it stands in its own place. */
  mark: ({ right }, response) => {
    const parts = Object.fromEntries(right.map((id, at) => [id, response[at] === id]));
    return matchCorrect(response, right, "ordered") ? { share: 1, parts } : sharesOf(parts);
  },
  formatResponse: ({ items }, response, languages) => response.map((id) => named(items, id, languages)).join(" → "),
  formatAnswer: ({ items, right }, languages) => right.map((id) => named(items, id, languages)).join(" → "),
  withoutAnswers: (question) => ({ ...question, right: [] }),
  disguised: {
    of: ({ items }) => ({ first: items, second: [] }),
    question: (question, first) => {
      const right = question.right.map((id) => first.get(id) ?? id);
      return { ...question, items: mixedByName(renamed(question.items, first), right), right };
    },
    response: eachRenamed,
  },
  aloud: ({ items }, languages) => readOptions(items, languages),
  lines: ({ items }, languages) => listed(items, languages),
};

/**
 * The items of an order in a sequence that is not the right one: every second first. Two change places.
 * `mixed(["a", "b", "c", "d"])` gives `["b", "d", "a", "c"]`.
 */
export function mixed<Item>(inOrder: readonly Item[]): Item[] {
  if (inOrder.length === 2) return [inOrder[1]!, inOrder[0]!];
  return [...inOrder.filter((_, at) => at % 2 === 1), ...inOrder.filter((_, at) => at % 2 === 0)];
}
