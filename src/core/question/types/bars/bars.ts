import type { QuestionKind } from "../../kind";

import { inLanguage } from "../../../content/language";
import type { QuestionOf } from "../../question";
import { near, sharesOf } from "../../shares";
import { listed, readOptions } from "../../wording";

const formatBars = (
  { bars }: QuestionOf<"bars">,
  of: (bar: QuestionOf<"bars">["bars"][number]) => number | undefined,
  languages: readonly string[],
): string =>
  bars
    .map((bar) => `${inLanguage(bar.text, languages) ?? "?"} ${of(bar)?.toLocaleString(languages[0]) ?? "–"}`)
    .join(" · ");

export const bars: QuestionKind<"bars"> = {
  name: "Bars to draw",
  activity: "plot",
  empty: (asked, { option }) => ({
    ...asked,
    type: "bars",
    axis: { from: 0, to: 10, step: 1 },
    bars: [option(), option(), option()].map((bar) => ({ ...bar, right: 5, tolerance: 0 })),
  }),
  missing: ({ bars, axis }) =>
    bars.every((bar) => bar.right >= axis.from && bar.right <= axis.to) ? null : "A bar is higher than the scale.",
  isBlank: (response) => Object.keys(response).length === 0,
  mark: ({ bars }, response) =>
    sharesOf(Object.fromEntries(bars.map((bar) => [bar.id, near(response[bar.id], bar.right, bar.tolerance)]))),
  formatResponse: (question, response, languages) => formatBars(question, (bar) => response[bar.id], languages),
  formatAnswer: (question, languages) => formatBars(question, (bar) => bar.right, languages),
  withoutAnswers: (question) => ({
    ...question,
    bars: question.bars.map((bar) => ({ ...bar, right: question.axis.from, tolerance: 0 })),
  }),
  aloud: ({ bars }, languages) => readOptions(bars, languages),
  lines: ({ bars }, languages) => listed(bars, languages),
};
