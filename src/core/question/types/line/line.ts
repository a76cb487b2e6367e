import type { QuestionKind } from "../../kind";

import { near } from "../../shares";
import { withMargin } from "../../wording";

export const line: QuestionKind<"line"> = {
  name: "Place on a number line",
  activity: "plot",
  empty: (asked) => ({ ...asked, type: "line", axis: { from: 0, to: 10, step: 1 }, right: 5, tolerance: 0 }),
  missing: ({ right, axis }) =>
    right >= axis.from && right <= axis.to ? null : "The right number is not on the line.",
  mark: ({ right, tolerance }, response) => ({ share: near(response, right, tolerance) ? 1 : 0, parts: {} }),
  formatResponse: (_, response, languages) => response.toLocaleString(languages[0]),
  formatAnswer: ({ right, tolerance }, languages) => withMargin(right.toLocaleString(languages[0]), tolerance),
  withoutAnswers: (question) => ({ ...question, right: question.axis.from, tolerance: 0 }),
};
