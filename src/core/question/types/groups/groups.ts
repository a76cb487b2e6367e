import type { QuestionKind } from "../../kind";

import { inLanguage } from "../../../content/language";
import { mixedByName, pairsRenamed, renamed } from "../../names";
import type { QuestionOf } from "../../question";
import { sharesOfPairs } from "../../shares";
import { listed, named, readOptions } from "../../wording";

type Pairs = readonly (readonly [string, string])[];

const formatGroups = ({ groups, items }: QuestionOf<"groups">, pairs: Pairs, languages: readonly string[]): string =>
  groups
    .map((group) => {
      const inside = pairs.filter(([, to]) => to === group.id).map(([item]) => named(items, item, languages));
      return `${inLanguage(group.text, languages) ?? "?"}: ${inside.join(", ") || "–"}`;
    })
    .join(" · ");

export const groups: QuestionKind<"groups"> = {
  name: "Sort into groups",
  activity: "sort",
  empty: (asked, { option }) => {
    const groups = [option(), option()];
    const items = [option(), option(), option(), option()];
    return { ...asked, type: "groups", groups, items, right: items.map((item, at) => [item.id, groups[at % 2]!.id]) };
  },
  missing: ({ groups, items, right }) => {
    if (groups.length < 2) return "There is only one group to sort into.";
    return items.every((item) => right.some(([id]) => id === item.id))
      ? null
      : "Something to sort belongs to no group.";
  },
  lists: ({ groups, items }) => [
    { options: groups, name: "A group" },
    { options: items, name: "Something to sort", alike: true },
  ],
  mark: ({ right }, response) => sharesOfPairs(response, right),
  formatResponse: formatGroups,
  formatAnswer: (question, languages) => formatGroups(question, question.right, languages),
  withoutAnswers: (question) => ({ ...question, right: [] }),
  disguised: {
    of: ({ items, groups }) => ({ first: items, second: groups }),
    question: (question, first, second) => ({
      ...question,
      items: mixedByName(renamed(question.items, first)),
      groups: renamed(question.groups, second),
    }),
    response: pairsRenamed,
  },
  aloud: ({ groups, items }, languages) => [...readOptions(groups, languages), ...readOptions(items, languages)],
  lines: ({ groups, items }, languages) => [...listed(groups, languages), ...listed(items, languages)],
};
