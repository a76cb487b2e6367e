import type { QuestionKind } from "../../kind";

import { drawingWords } from "../../../drawing/drawing";
import { words } from "../../wording";

export const sketch: QuestionKind<"sketch"> = {
  name: "Students draw",
  activity: "draw",
  empty: (asked) => ({ ...asked, type: "sketch", checked: "never" }),
  formatResponse: (_, { length }) => `a drawing of ${length} ${length === 1 ? "line" : "lines"}`,
  formatAnswer: () => "As the student draws it; a person looks at it.",
  withoutAnswers: (question) => question,
  aloud: ({ on }, languages) => (on ? words(drawingWords(on, languages)) : []),
};
