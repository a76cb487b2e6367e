import { isAccepted } from "../../../scoring/spelling";
import type { Gap, SpellingRule } from "../../question";

/** As many as the schema of a gap allows; fewer than two are nothing to choose from. */
export const MOST_LISTED = 20;

const distinct = (words: readonly string[]): string[] => [...new Set(words.map((word) => word.trim()).filter(Boolean))];

/** In alphabetical order, which tells nothing of what is right. */
const inOrder = (words: readonly string[], language: string): string[] =>
  distinct(words).sort(new Intl.Collator(language).compare);

/** Whether children choose from a list; otherwise they type. `isChosen([{ id: "a", accepted: ["tide"] }])` gives `false`. */
export const isChosen = (gaps: readonly Gap[]): boolean => gaps.some((gap) => gap.options !== undefined);

/**
 * What stands in the list of the first language beside the word that is right in each gap.
 * `otherWords([{ id: "a", accepted: ["tide"], options: ["bar", "tide"] }])` gives `["bar"]`.
 */
export function otherWords(gaps: readonly Gap[]): string[] {
  const right = new Set(gaps.map((gap) => gap.accepted[0]!));
  return distinct(gaps.flatMap((gap) => gap.options ?? [])).filter((word) => !right.has(word));
}

/**
 * The gaps of a passage with one list for all: the word that is right in each, and others. More than fit are left out, the
 * right ones last; with fewer than two words there is no list, and children type.
 * `withWords([{ id: "a", accepted: ["tide"] }], ["bar"], "en")[0].options` gives `["bar", "tide"]`.
 */
export function withWords(gaps: readonly Gap[], others: readonly string[], language: string): Gap[] {
  const fit = distinct([...gaps.map((gap) => gap.accepted[0]!), ...others]).slice(0, MOST_LISTED);
  const options = inOrder(fit, language);
  // A gap that is new has the other languages' lists too.
  const optionsIn = gaps.find((gap) => gap.optionsIn)?.optionsIn;
  return gaps.map((gap) => (options.length < 2 ? typed(gap) : { ...gap, options, ...(optionsIn && { optionsIn }) }));
}

const typed = ({ options: _options, optionsIn: _optionsIn, ...gap }: Gap): Gap => gap;

/**
 * The gaps of a passage to be typed.
 * `withoutWords([{ id: "a", accepted: ["tide"], options: ["bar", "tide"] }])` gives `[{ id: "a", accepted: ["tide"] }]`.
 */
export const withoutWords = (gaps: readonly Gap[]): Gap[] => gaps.map(typed);

/**
 * The list of one more language; it says all of its words, the right ones too.
 * `withWordsIn([{ id: "a", accepted: ["tide"], options: ["bar", "tide"] }], "es", ["marea", "barra"])[0].optionsIn` gives `{ es: ["barra", "marea"] }`.
 */
export const withWordsIn = (gaps: readonly Gap[], language: string, words: readonly string[]): Gap[] =>
  gaps.map((gap) =>
    gap.options
      ? { ...gap, optionsIn: { ...gap.optionsIn, [language]: inOrder(words, language).slice(0, MOST_LISTED) } }
      : gap,
  );

/**
 * What is chosen from in a gap by somebody who reads the passage in this language; undefined: it is typed.
 * `wordsFor({ id: "a", accepted: ["tide"], options: ["bar", "tide"] }, "en")` gives `["bar", "tide"]`.
 */
export function wordsFor(gap: Gap, language: string | undefined): readonly string[] | undefined {
  const listed = language === undefined ? undefined : gap.optionsIn?.[language];
  return listed && listed.length >= 2 ? listed : gap.options;
}

/**
 * Whether a gap can be filled rightly by choosing, as it will be marked.
 * `hasRightWord({ id: "a", accepted: ["tide"], options: ["bar", "tide"] }, "en", { ignoreCase: true })` gives `true`.
 */
export const hasRightWord = (gap: Gap, language: string, spelling: SpellingRule): boolean =>
  wordsFor(gap, language)?.some((word) => gap.accepted.some((right) => isAccepted(word, right, spelling))) ?? true;
