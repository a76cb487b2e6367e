import type { QuestionKind } from "../../kind";

import { inLanguage } from "../../../content/language";
import { passageWords } from "../../passage";
import type { QuestionOf } from "../../question";
import { sharesOfMarked } from "../../shares";
import { words } from "../../wording";

function formatHighlighted(question: QuestionOf<"highlight">, places: readonly number[], languages: readonly string[]) {
  const marked = new Set(places);
  return passageWords(inLanguage(question.passage, languages) ?? "", question.unit)
    .filter(({ place }) => place !== null && marked.has(place))
    .map(({ text }) => text.trim())
    .join(" · ");
}

export const highlight: QuestionKind<"highlight"> = {
  name: "Words to mark",
  activity: "mark words",
  empty: (asked, { text }) => ({ ...asked, type: "highlight", passage: text(""), unit: "word", right: {} }),
  // Each passage has its own words: one that is written in a language wants its marks there.
  missing: ({ passage, right }, languages) =>
    languages.every((one, nth) => {
      const written = nth === 0 || Boolean(passage[one]?.trim());
      return !written || (right[one]?.length ?? 0) > 0;
    })
      ? null
      : "Nothing in the passage is to be marked, or not in every language.",
  /** Each language's passage has its own words; which was read is not kept, so the one the answer fits best counts. */
  mark: ({ right }, response, language) => {
    const marked = response.map(String);
    const passages = [language, ...Object.keys(right).filter((one) => one !== language)];
    const [first = { share: 0, parts: {} }, ...others] = passages
      .flatMap((one) => (right[one] ? [right[one].map(String)] : []))
      .map((places) => sharesOfMarked(marked, new Set(places)));
    return others.reduce((best, one) => (one.share > best.share ? one : best), first);
  },
  formatResponse: formatHighlighted,
  formatAnswer: (question, languages) =>
    formatHighlighted(question, inLanguage(question.right, languages) ?? [], languages),
  withoutAnswers: (question) => ({ ...question, right: {} }),
  aloud: ({ passage }, languages) => words(inLanguage(passage, languages)),
  lines: ({ passage }, languages) => [inLanguage(passage, languages) ?? ""],
};
