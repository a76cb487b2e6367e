import type { QuestionKind } from "../../kind";

import { mapResponse } from "../../../scoring/qti";
import { mixedByName, pairsRenamed, renamed } from "../../names";
import { formatPairs, listed, readOptions } from "../../wording";

const pairKey = ([left, right]: readonly [string, string]) => `${left} ${right}`;

export const match: QuestionKind<"match"> = {
  name: "Pairs to match",
  activity: "match",
  empty: (asked, { option }) => {
    const [left, right] = [
      [option(), option()],
      [option(), option()],
    ];
    return { ...asked, type: "match", left, right, pairs: left.map((item, at) => [item.id, right[at]!.id]) };
  },
  missing: ({ left, pairs }) =>
    left.every((item) => pairs.some(([from]) => from === item.id)) ? null : "Something to match has no partner.",
  lists: ({ left, right }) => [
    { options: left, name: "Something to match" },
    { options: right, name: "A partner to match" },
  ],
  mark: ({ left, pairs }, response) => {
    const worth = 1 / Math.max(1, pairs.length);
    const right = new Set(pairs.map(pairKey));
    const share = mapResponse(response.map(pairKey), {
      entries: new Map([...right].map((pair) => [pair, worth])),
      defaultValue: 0,
      lowerBound: 0,
      upperBound: 1,
    });
    const chosen = new Map(response);
    const parts = Object.fromEntries(
      left.map((item) => [item.id, right.has(pairKey([item.id, chosen.get(item.id) ?? ""]))]),
    );
    return { share, parts };
  },
  formatResponse: ({ left, right }, response, languages) => formatPairs(response, left, right, languages),
  formatAnswer: ({ left, right, pairs }, languages) => formatPairs(pairs, left, right, languages),
  withoutAnswers: (question) => ({ ...question, pairs: [] }),
  disguised: {
    of: ({ left, right }) => ({ first: left, second: right }),
    question: (question, first, second) => ({
      ...question,
      left: renamed(question.left, first),
      right: mixedByName(renamed(question.right, second)),
    }),
    response: pairsRenamed,
  },
  aloud: ({ left, right }, languages) => [...readOptions(left, languages), ...readOptions(right, languages)],
  lines: ({ left, right }, languages) => [...listed(left, languages), ...listed(right, languages)],
};
