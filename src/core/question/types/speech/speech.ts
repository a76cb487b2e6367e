import type { QuestionKind } from "../../kind";

import { clockTime } from "../../../media/captions";

export const speech: QuestionKind<"speech"> = {
  name: "Record speech",
  activity: "record",
  empty: (asked) => ({ ...asked, type: "speech", checked: "never", longest: 120 }),
  isBlank: ({ media }) => media === "",
  formatResponse: (_, { seconds }) => `a recording of ${clockTime(seconds)}`,
  formatAnswer: () => "What the student says; a person listens to it.",
  withoutAnswers: (question) => question,
};
