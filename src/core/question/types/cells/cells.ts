import type { QuestionKind } from "../../kind";

import { inLanguage } from "../../../content/language";
import { usualSpelling } from "../../../content/vocabulary";
import { sharesOfGaps } from "../../shares";
import { BETWEEN_MS, withGaps } from "../../wording";

export const cells: QuestionKind<"cells"> = {
  name: "Table to fill",
  activity: "fill in",
  empty: (asked, { id, language }) => {
    const gap = id();
    return {
      ...asked,
      type: "cells",
      rows: {
        [language]: [
          ["", ""],
          ["", `[[${gap}]]`],
        ],
      },
      gaps: [{ id: gap, accepted: ["?"] }],
      spelling: usualSpelling,
    };
  },
  missing: ({ gaps }) => (gaps.length > 0 ? null : "No cell of the table is to be filled."),
  mark: sharesOfGaps,
  formatResponse: ({ gaps }, response) => gaps.map((gap) => response[gap.id] || "–").join(" · "),
  formatAnswer: ({ gaps }) => gaps.map((gap) => gap.accepted.join(" or ")).join(" · "),
  withoutAnswers: (question) => ({ ...question, gaps: question.gaps.map((gap) => ({ ...gap, accepted: ["-"] })) }),
  aloud: ({ rows }, languages) =>
    (inLanguage(rows, languages) ?? []).flatMap((row) =>
      row.flatMap((cell) => [...withGaps(cell), { pause: BETWEEN_MS }]),
    ),
  lines: ({ rows }, languages) => (inLanguage(rows, languages) ?? []).map((row) => row.join(" | ")),
};
