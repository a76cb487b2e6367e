import type { QuestionKind } from "../../kind";

import { near, sharesOfPoints } from "../../shares";

const formatPoints = (points: readonly (readonly [number, number])[], languages: readonly string[]): string =>
  points.map((point) => `(${point.map((one) => one.toLocaleString(languages[0])).join(" | ")})`).join(" ");

export const points: QuestionKind<"points"> = {
  name: "Points to plot",
  activity: "plot",
  empty: (asked) => ({
    ...asked,
    type: "points",
    x: { from: 0, to: 10, step: 1 },
    y: { from: 0, to: 10, step: 1 },
    right: [],
    tolerance: 0,
  }),
  missing: ({ right }) => (right.length > 0 ? null : "No point is asked for."),
  mark: ({ right, tolerance }, response) =>
    sharesOfPoints(response, right.length, ([x, y], nth) => {
      const [across, upward] = right[nth]!;
      return near(x, across, tolerance) && near(y, upward, tolerance);
    }),
  formatResponse: (_, response, languages) => formatPoints(response, languages),
  formatAnswer: ({ right }, languages) => formatPoints(right, languages),
  withoutAnswers: (question) => ({ ...question, right: [] }),
};
