import type { QuestionKind } from "../../kind";

import { listed, named, readOptions } from "../../wording";

export const poll: QuestionKind<"poll"> = {
  name: "Poll",
  activity: "vote",
  empty: (asked, { option }) => ({ ...asked, type: "poll", checked: "never", options: [option(), option()] }),
  missing: ({ options }) => (options.length >= 2 ? null : "A poll has only one answer."),
  lists: ({ options }) => [{ options, name: "An answer of a poll" }],
  formatResponse: ({ options }, response, languages) => named(options, response, languages),
  formatAnswer: () => "What each student thinks.",
  withoutAnswers: (question) => question,
  aloud: ({ options }, languages) => readOptions(options, languages),
  lines: ({ options }, languages) => listed(options, languages),
};
