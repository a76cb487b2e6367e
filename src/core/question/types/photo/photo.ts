import type { QuestionKind } from "../../kind";

export const photo: QuestionKind<"photo"> = {
  name: "Photograph",
  activity: "photograph",
  empty: (asked) => ({ ...asked, type: "photo", checked: "never", most: 1 }),
  formatResponse: (_, { length }) => (length === 1 ? "a photograph" : `${length} photographs`),
  formatAnswer: () => "What the student photographs; a person looks at it.",
  withoutAnswers: (question) => question,
};
