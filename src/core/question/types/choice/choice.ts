import type { QuestionKind } from "../../kind";

import { matchCorrect } from "../../../scoring/qti";
import { renamed } from "../../names";
import { listed, named, readOptions } from "../../wording";

export const choice: QuestionKind<"choice"> = {
  name: "One choice",
  activity: "choose",
  empty: (asked, { option }) => ({ ...asked, type: "choice", options: [option(), option(), option()], right: null }),
  missing: ({ right, options }) =>
    right && options.some((option) => option.id === right) ? null : "A choice has no right answer.",
  lists: ({ options }) => [{ options, name: "A choice" }],
  mark: ({ right }, response) => ({
    share: right === null ? 0 : matchCorrect([response], [right], "single"),
    parts: {},
  }),
  formatResponse: ({ options }, response, languages) => named(options, response, languages),
  formatAnswer: ({ options, right }, languages) => (right ? named(options, right, languages) : "no answer given"),
  withoutAnswers: (question) => ({ ...question, right: null }),
  disguised: {
    of: ({ options }) => ({ first: options, second: [] }),
    question: (question, first) => ({ ...question, options: renamed(question.options, first) }),
    response: (value, one) => one(value),
  },
  aloud: ({ options }, languages) => readOptions(options, languages),
  lines: ({ options, right }, languages) => listed(options, languages, right ? [right] : []),
};
