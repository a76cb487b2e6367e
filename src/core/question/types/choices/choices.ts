import type { QuestionKind } from "../../kind";

import { eachRenamed, renamed } from "../../names";
import { sharesOfMarked } from "../../shares";
import { listed, named, readOptions } from "../../wording";

export const choices: QuestionKind<"choices"> = {
  name: "Several choices",
  activity: "choose",
  empty: (asked, { option }) => ({ ...asked, type: "choices", options: [option(), option(), option()], right: [] }),
  missing: ({ right }) => (right.length > 0 ? null : "A question with several choices has no right answer."),
  lists: ({ options }) => [{ options, name: "A choice" }],
  mark: ({ right }, response) => sharesOfMarked(response, new Set(right)),
  formatResponse: ({ options }, response, languages) => response.map((id) => named(options, id, languages)).join(" · "),
  formatAnswer: ({ options, right }, languages) => right.map((id) => named(options, id, languages)).join(" · "),
  withoutAnswers: (question) => ({ ...question, right: [] }),
  disguised: {
    of: ({ options }) => ({ first: options, second: [] }),
    question: (question, first) => ({ ...question, options: renamed(question.options, first) }),
    response: eachRenamed,
  },
  aloud: ({ options }, languages) => readOptions(options, languages),
  lines: ({ options, right }, languages) => listed(options, languages, right),
};
