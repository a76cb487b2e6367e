import type { QuestionKind } from "../../kind";

import { decimalSign, numberIsRight } from "../../../scoring/number";
import { sharesOf } from "../../shares";
import { withMargin } from "../../wording";

export const number: QuestionKind<"number"> = {
  name: "Number",
  activity: "calculate",
  empty: (asked, { id }) => ({ ...asked, type: "number", parts: [{ id: id(), right: 0, tolerance: 0 }] }),
  isBlank: (response) => Object.values(response).every((part) => part.number.trim() === ""),
  mark: ({ parts }, response, language) =>
    sharesOf(
      Object.fromEntries(
        parts.map((part) => [
          part.id,
          part.id in response && numberIsRight(part, response[part.id]!, decimalSign(language)),
        ]),
      ),
    ),
  formatResponse: ({ parts }, response) =>
    parts
      .filter((part) => response[part.id]?.number)
      .map((part) => [response[part.id]!.number, response[part.id]!.unit ?? part.unit].filter(Boolean).join(" "))
      .join(" "),
  formatAnswer: ({ parts }, languages) =>
    parts
      .map(({ right, unit = undefined, units, tolerance }) =>
        withMargin([right.toLocaleString(languages[0]), unit ?? units?.[0]?.name].filter(Boolean).join(" "), tolerance),
      )
      .join(" "),
  withoutAnswers: (question) => ({
    ...question,
    parts: question.parts.map((part) => ({
      ...part,
      right: 0,
      tolerance: 0,
      units: part.units?.map((unit) => ({ ...unit, factor: null })),
    })),
  }),
};
