import type { QuestionKind } from "../../kind";

import type { ResponseOf } from "../../question";
import { listed, readOptions } from "../../wording";

/**
 * What was written, without what was ticked beside it.
 * `writtenText({ text: "The tide is high.", done: [] })` gives `"The tide is high."`.
 */
export const writtenText = (value: ResponseOf<"longText">): string => (typeof value === "string" ? value : value.text);

export const longText: QuestionKind<"longText"> = {
  name: "Writing",
  activity: "write",
  empty: (asked) => ({ ...asked, type: "longText", lines: 6, checked: "never" }),
  isBlank: (response) => writtenText(response).trim() === "",
  formatResponse: (_, response) => writtenText(response),
  formatAnswer: () => "In the student's own words; a person reads it.",
  withoutAnswers: (question) => question,
  aloud: ({ checklist = [] }, languages) => readOptions(checklist, languages),
  lines: ({ checklist = [] }, languages) => listed(checklist, languages),
};
