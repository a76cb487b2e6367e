import { listedForm } from "../content/listed-form";

/** What was typed, as parts: words and quoted phrases, wanted or (with a minus) not. */
export interface TypedPart {
  text: string;
  phrase: boolean;
  wanted: boolean;
}

/** Takes the marks that mean something only inside a word ("o'clock", "tide-table", "2.5") off both ends. */
function withoutOuterMarks(text: string): string {
  const isMark = (at: number) => ".'’-".includes(text[at]!);
  let [from, to] = [0, text.length];
  while (from < to && isMark(from)) from += 1;
  while (to > from && isMark(to - 1)) to -= 1;
  return text.slice(from, to);
}

/**
 * The words of the need line. Punctuation other than quotes, a leading minus and hyphens inside words means nothing.
 * `typedParts("tides -ferry")` gives `[{ text: "tides", phrase: false, wanted: true }, { text: "ferry", phrase: false, wanted: false }]`.
 */
export function typedParts(typed: string): TypedPart[] {
  const parts: TypedPart[] = [];
  for (const found of typed.normalize("NFC").matchAll(/(-?)(?:["“]([^"”]*)["”]?|(\S+))/g)) {
    const [, minus, phrase, word] = found;
    const text = (phrase ?? word ?? "").replace(/[^\p{L}\p{N}.'’-]+/gu, " ").trim();
    const bare = withoutOuterMarks(text).trim();
    if (bare) parts.push({ text: bare, phrase: phrase !== undefined, wanted: minus !== "-" });
  }
  return parts;
}

const WORD = /[\p{L}\p{N}][\p{L}\p{M}\p{N}]*/gu;

/**
 * The distinct words of a text in their listed form, three letters and more; what suggestions and misspellings draw on.
 * `wordList("The tide, the ferry and the tide")` gives `["the", "tide", "ferry", "and"]`.
 */
export function wordList(text: string): string[] {
  const found = new Set<string>();
  for (const [word] of text.matchAll(WORD))
    if (word.length >= 3 && word.length <= 40 && !/\d/.test(word)) found.add(listedForm(word));
  return [...found];
}

/** Stemmers do not join every plural to its singular (Spanish "mareas" and "marea"): a word in -s is also meant without it. */
const withoutPlural = (word: string): string[] => (/^\p{L}{3}s$/iu.test(word.slice(-4)) ? [word.slice(0, -1)] : []);

/**
 * One part as a tsquery text for `to_tsquery(config, …)`: its own words, or any of `meant` (completions and corrections).
 * Returns "" when nothing is left of it.
 * `queryText({ text: "high tide", phrase: true, wanted: false })` gives `"!('high' <-> 'tide')"`.
 */
export function queryText(part: TypedPart, meant: readonly string[] = []): string {
  const quoted = (text: string) => `'${text.replace(/['\\]/g, " ")}'`;
  const own = part.phrase
    ? part.text.split(/\s+/).map(quoted).join(" <-> ")
    : [...new Set([part.text, ...withoutPlural(part.text), ...meant])].map(quoted).join(" | ");
  return own && `${part.wanted ? "" : "!"}(${own})`;
}

/**
 * A title as titles are compared: listed form, no punctuation, no article before it. "The Ferry: a timetable" is "ferry a
 * timetable".
 * `titleKey("The Ferry: a timetable")` gives `"ferry a timetable"`.
 */
export const titleKey = (title: string): string =>
  (listedForm(title).match(/[\p{L}\p{N}]+/gu) ?? []).join(" ").replace(/^(?:the|a|an|el|la|los|las|un|una) (?=.)/, "");
