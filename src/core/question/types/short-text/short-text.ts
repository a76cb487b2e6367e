import type { QuestionKind } from "../../kind";

import { usualSpelling } from "../../../content/vocabulary";
import { isAccepted } from "../../../scoring/spelling";

export const shortText: QuestionKind<"shortText"> = {
  name: "Short answer",
  activity: "answer",
  empty: (asked) => ({ ...asked, type: "shortText", accepted: [{ text: "", share: 1 }], spelling: usualSpelling }),
  missing: ({ accepted }) =>
    accepted.some((answer) => answer.text.trim()) ? null : "A short answer has no accepted answer.",
  mark: ({ accepted, spelling }, response) => {
    const earned = accepted.filter(({ text }) => isAccepted(response, text, spelling)).map(({ share }) => share);
    return { share: Math.max(0, ...earned), parts: {} };
  },
  formatResponse: (_, response) => response,
  formatAnswer: ({ accepted }) =>
    accepted.map(({ text, share }) => text + (share < 1 ? " (in part)" : "")).join(" or "),
  withoutAnswers: (question) => ({ ...question, accepted: [] }),
};
