import type { QuestionKind } from "../../kind";

import { inLanguage } from "../../../content/language";
import { mixedByName, pairsRenamed, renamed } from "../../names";
import type { QuestionOf } from "../../question";
import { sharesOfPairs } from "../../shares";
import { fileName, listed, named, readOptions } from "../../wording";

type Pairs = readonly (readonly [string, string])[];

const formatLabels = ({ spots, labels }: QuestionOf<"labels">, pairs: Pairs, languages: readonly string[]): string =>
  spots
    .map(({ id }, at) => {
      const label = pairs.find(([spot]) => spot === id)?.[1];
      return `${at + 1} ${label ? named(labels, label, languages) : "–"}`;
    })
    .join(" · ");

export const labels: QuestionKind<"labels"> = {
  name: "Label a picture",
  activity: "label",
  empty: (asked, { option }) => ({
    ...asked,
    type: "labels",
    media: "drawing:blank",
    description: {},
    spots: [],
    labels: [option()],
    right: [],
  }),
  missing: ({ spots, right }) => {
    if (spots.length === 0) return "Nothing in the picture is to be labelled yet.";
    return spots.every((spot) => right.some(([id]) => id === spot.id)) ? null : "A place in the picture has no label.";
  },
  lists: ({ labels }) => [{ options: labels, name: "A label" }],
  mark: ({ right }, response) => sharesOfPairs(response, right),
  formatResponse: formatLabels,
  formatAnswer: (question, languages) => formatLabels(question, question.right, languages),
  withoutAnswers: (question) => ({ ...question, right: [] }),
  disguised: {
    of: ({ spots, labels }) => ({ first: spots, second: labels }),
    question: (question, first, second) => ({
      ...question,
      spots: renamed(question.spots, first),
      labels: mixedByName(renamed(question.labels, second)),
    }),
    response: pairsRenamed,
  },
  aloud: ({ labels }, languages) => readOptions(labels, languages),
  lines: ({ media, description, labels }, languages) => [
    `[picture ${fileName(media)}: ${inLanguage(description, languages) ?? ""}]`,
    ...listed(labels, languages),
  ],
};
