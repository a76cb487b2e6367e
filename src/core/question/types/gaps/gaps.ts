import type { QuestionKind } from "../../kind";

import { inLanguage } from "../../../content/language";
import { usualSpelling } from "../../../content/vocabulary";
import { passageParts } from "../../passage";
import { sharesOfGaps } from "../../shares";
import { withGaps } from "../../wording";
import { hasRightWord } from "./word-list";

export const gaps: QuestionKind<"gaps"> = {
  name: "Gaps to fill",
  activity: "fill in",
  empty: (asked, { id, text }) => {
    const gap = id();
    return {
      ...asked,
      type: "gaps",
      passage: text(`The tide is [[${gap}]] now.`),
      gaps: [{ id: gap, accepted: ["high"] }],
      spelling: usualSpelling,
    };
  },
  missing: ({ gaps, passage, spelling }, languages) => {
    if (gaps.length === 0) return "A passage has no gaps yet.";
    return languages
      .filter((one, nth) => nth === 0 || Boolean(passage[one]?.trim()))
      .every((one) => gaps.every((gap) => hasRightWord(gap, one, spelling)))
      ? null
      : "No word of the list is right in one of the gaps, or not in every language.";
  },
  mark: sharesOfGaps,
  formatResponse: ({ gaps }, response) => gaps.map((gap) => response[gap.id] || "–").join(" · "),
  formatAnswer: ({ gaps, passage }, languages) =>
    passageParts(inLanguage(passage, languages) ?? "")
      .flatMap((part) => ("gap" in part ? [gaps.find(({ id }) => id === part.gap)] : []))
      .map((gap) => gap?.accepted.join(" or ") ?? "?")
      .join(" · "),
  withoutAnswers: (question) => ({ ...question, gaps: question.gaps.map((gap) => ({ ...gap, accepted: ["-"] })) }),
  aloud: ({ passage }, languages) => withGaps(inLanguage(passage, languages) ?? ""),
  lines: ({ passage }, languages) => [inLanguage(passage, languages) ?? ""],
};
