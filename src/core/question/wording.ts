import { inLanguage } from "../content/language";
import type { Said } from "./kind";
import type { Option } from "./question";
import { passageParts } from "./passage";

/** What several types of question say of what is chosen from: on a line, read aloud, and in full. */

type Pairs = readonly (readonly [string, string])[];
type Texts = readonly { id?: string; text: Option["text"]; picture?: string | undefined }[];

/** What an option says; "?" for one that is not there any more. `named([{ id: "a", text: { en: "bar" } }], "b", ["en"])` gives `"?"`. */
export const named = (options: readonly Option[], id: string, languages: readonly string[]): string => {
  const option = options.find((candidate) => candidate.id === id);
  return option ? (inLanguage(option.text, languages) ?? id) : "?";
};

/**
 * Pairs as they are said in a line: "tide → water · bar → sand".
 * `formatPairs([["a", "b"]], [{ id: "a", text: { en: "tide" } }], [{ id: "b", text: { en: "water" } }], ["en"])` gives `"tide → water"`.
 */
export const formatPairs = (
  pairs: Pairs,
  left: readonly Option[],
  right: readonly Option[],
  languages: readonly string[],
) => pairs.map(([one, other]) => `${named(left, one, languages)} → ${named(right, other, languages)}`).join(" · ");

/** Either way by this much, where that is allowed. `withMargin("12", 0.5)` gives `"12 (0.5 either way)"`. */
export const withMargin = (value: string, tolerance: number): string =>
  tolerance ? `${value} (${tolerance} either way)` : value;

/**
 * A shipped file by its name, a stored one by the beginning of its hash: enough to see that it is another.
 * `fileName("ab12cd34ef56")` gives `"ab12cd34"`.
 */
export const fileName = (media: string) => (media.includes(":") ? media.split(":")[1]! : media.slice(0, 8));

/**
 * Each on a line of its own; with `right`, which of them are.
 * `listed([{ id: "a", text: { en: "bar" } }], ["en"], ["a"])` gives `["(right) bar"]`.
 */
export const listed = (options: Texts, languages: readonly string[], right?: readonly string[]): string[] =>
  options.map(({ id, text, picture }) => {
    const sign = right === undefined ? "-" : id !== undefined && right.includes(id) ? "(right)" : "( )";
    return `${sign} ${inLanguage(text, languages) ?? ""}${picture ? ` [picture ${fileName(picture)}]` : ""}`;
  });

/** Where a word is missing: long enough to be noticed, short enough to keep the sentence together. */
const GAP_MS = 900;
export const BETWEEN_MS = 250;

/** `words("High tide")` gives `[{ text: "High tide" }]`. */
export const words = (text: string | undefined): Said[] => (text?.trim() ? [{ text: text.trim() }] : []);

/**
 * Several texts with a breath between them, so that one choice is told from the next.
 * `oneByOne(["high", "low"])` gives `[{ text: "high" }, { pause: 250 }, { text: "low" }, { pause: 250 }]`.
 */
export const oneByOne = (texts: readonly (string | undefined)[]): Said[] =>
  texts.flatMap((text) => (text?.trim() ? [{ text: text.trim() }, { pause: BETWEEN_MS }] : []));

/**
 * Things to choose from, as they are read out one by one.
 * `readOptions([{ text: { en: "bar" } }], ["en"])` gives `[{ text: "bar" }, { pause: 250 }]`.
 */
export const readOptions = (options: Texts, languages: readonly string[]): Said[] =>
  oneByOne(options.map(({ text }) => inLanguage(text, languages)));

/** A passage with silence where a word is missing. `withGaps("High [[a]] now").length` gives `3`. */
export const withGaps = (passage: string): Said[] =>
  passageParts(passage).flatMap((part): Said[] => ("gap" in part ? [{ pause: GAP_MS }] : words(part.text)));
