import type { QuestionKind } from "../../kind";

import { inLanguage } from "../../../content/language";
import { oneByOne } from "../../wording";
import { fieldsOf } from "./fields";

export const notePage: QuestionKind<"notePage"> = {
  name: "Note page",
  activity: "note",
  empty: (asked) => ({ ...asked, type: "notePage", checked: "never", template: "two columns", headings: [], count: 4 }),
  formatResponse: (question, response, languages) =>
    fieldsOf(question, languages)
      .flatMap(({ id, name }) => (response[id]?.trim() ? [`${name}: ${response[id]}`] : []))
      .join(" · "),
  formatAnswer: () => "What the student notes; a person reads it.",
  withoutAnswers: (question) => question,
  aloud: ({ headings }, languages) => oneByOne(headings.map((heading) => inLanguage(heading, languages))),
};
