import { clockTime } from "../../../media/captions";
import type { QuestionKind } from "../../kind";

export const clip: QuestionKind<"clip"> = {
  name: "Record a film",
  activity: "record",
  empty: (asked) => ({ ...asked, type: "clip", checked: "never", longest: 60 }),
  isBlank: ({ media }) => media === "",
  formatResponse: (_, { seconds }) => `a film of ${clockTime(seconds)}`,
  formatAnswer: () => "What the student films; a person watches it.",
  withoutAnswers: (question) => question,
};
