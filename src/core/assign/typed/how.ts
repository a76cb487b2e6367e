import { languageNamed } from "@/core/resource/language-named";
import type { AssignForm } from "../form";
import { formatNumber } from "../format";
import { startsWith } from "./people";
import type { Token } from "./token";

/** A version as it is called in a line; "main" is the resource itself. */
export type VersionWords =
  | { by: "main" }
  | { by: "shorter" }
  | { by: "easier" }
  | { by: "language"; language: string }
  | { by: "title"; words: string };

export type Setting =
  | { kind: "tries"; tries: number | null }
  | { kind: "keep"; keep: AssignForm["keep"] }
  | { kind: "spread"; spread: AssignForm["spread"] }
  | { kind: "order"; inOrder: boolean }
  | { kind: "checking"; checking: AssignForm["checking"] }
  | { kind: "closes"; closes: AssignForm["closes"] };

const numbers = Array.from({ length: 13 }, (_, n) => formatNumber(n));

/** "2" or "two"; null for any other word. `numberIn("two")` gives `2`. */
export function numberIn(word: string | undefined): number | null {
  if (word === undefined) return null;
  if (/^\d{1,2}$/.test(word)) return Number(word);
  if (word === "a" || word === "an") return 1;
  const at = numbers.indexOf(word);
  return at > 0 ? at : null;
}

const MOST_TRIES = 20;

const settings: readonly [string, Setting][] = [
  ["once", { kind: "tries", tries: 1 }],
  ["twice", { kind: "tries", tries: 2 }],
  ["as often as they want", { kind: "tries", tries: null }],
  ["as often as they like", { kind: "tries", tries: null }],
  ["as many tries as they want", { kind: "tries", tries: null }],
  ["as many tries as they like", { kind: "tries", tries: null }],
  ["unlimited tries", { kind: "tries", tries: null }],
  ["any number of tries", { kind: "tries", tries: null }],
  ["best counts", { kind: "keep", keep: "best" }],
  ["the best counts", { kind: "keep", keep: "best" }],
  ["last counts", { kind: "keep", keep: "last" }],
  ["the last counts", { kind: "keep", keep: "last" }],
  ["first counts", { kind: "keep", keep: "first" }],
  ["the first counts", { kind: "keep", keep: "first" }],
  ["one a lesson", { kind: "spread", spread: "one a meeting" }],
  ["one each lesson", { kind: "spread", spread: "one a meeting" }],
  ["one per lesson", { kind: "spread", spread: "one a meeting" }],
  ["one every lesson", { kind: "spread", spread: "one a meeting" }],
  ["one in each lesson", { kind: "spread", spread: "one a meeting" }],
  ["all at once", { kind: "spread", spread: "together" }],
  ["all together", { kind: "spread", spread: "together" }],
  ["in order", { kind: "order", inOrder: true }],
  ["in this order", { kind: "order", inOrder: true }],
  ["one after the other", { kind: "order", inOrder: true }],
  ["one by one", { kind: "order", inOrder: true }],
  ["in any order", { kind: "order", inOrder: false }],
  ["checked at once", { kind: "checking", checking: "at once" }],
  ["check at once", { kind: "checking", checking: "at once" }],
  ["checked at the end", { kind: "checking", checking: "at the end" }],
  ["check at the end", { kind: "checking", checking: "at the end" }],
  ["checked after due", { kind: "checking", checking: "after due" }],
  ["check after due", { kind: "checking", checking: "after due" }],
  ["checked after it is due", { kind: "checking", checking: "after due" }],
  ["never checked", { kind: "checking", checking: "never" }],
  ["not checked", { kind: "checking", checking: "never" }],
  ["no checking", { kind: "checking", checking: "never" }],
  ["closes then", { kind: "closes", closes: "due" }],
  ["and closes", { kind: "closes", closes: "due" }],
  ["closed then", { kind: "closes", closes: "due" }],
  ["close it then", { kind: "closes", closes: "due" }],
  ["closes when due", { kind: "closes", closes: "due" }],
  ["late is fine", { kind: "closes", closes: "never" }],
  ["stays open", { kind: "closes", closes: "never" }],
];
const phrases = settings.map(([phrase, setting]) => ({ words: phrase.split(" "), setting }));

/**
 * How often, what counts, in which order, when it is checked and closed.
 * `settingAt(tokensOf("2 tries"), 0)` gives `{ n: 2, setting: { kind: "tries", tries: 2 } }`.
 */
export function settingAt(tokens: readonly Token[], at: number): { n: number; setting: Setting } | null {
  for (const { words, setting } of phrases) if (startsWith(tokens, at, words)) return { n: words.length, setting };
  const number = numberIn(tokens[at]!.word);
  if (number !== null && number >= 1 && number <= MOST_TRIES && !tokens[at]!.ends) {
    const unit = tokens[at + 1]?.word ?? "";
    // "1.5 times" is more time; "3 times" is three tries.
    if (/^(?:try|tries|attempts?|goes|times)$/.test(unit)) return { n: 2, setting: { kind: "tries", tries: number } };
  }
  return null;
}

const factorWords: readonly [string, number][] = [
  ["double time", 2],
  ["double the time", 2],
  ["twice the time", 2],
  ["twice as long", 2],
  ["time and a half", 1.5],
  ["half as much again", 1.5],
  ["a quarter more time", 1.25],
  ["a quarter more", 1.25],
  ["extra time", 1.5],
  ["more time", 1.5],
  ["the usual time", 1],
  ["usual time", 1],
  ["normal time", 1],
  ["no extra time", 1],
];
const factorPhrases = factorWords.map(([phrase, factor]) => ({ words: phrase.split(" "), factor }));
const percents: Record<string, number> = { "25%": 1.25, "50%": 1.5, "100%": 2 };

/** How much more time: "1.5x", "×2 time", "double time", "25% more time". `factorAt(tokensOf("1.5x"), 0)` gives `{ n: 1, factor: 1.5 }`. */
export function factorAt(tokens: readonly Token[], at: number): { n: number; factor: number } | null {
  for (const { words, factor } of factorPhrases) if (startsWith(tokens, at, words)) return { n: words.length, factor };
  const { word } = tokens[at]!;
  const tail = (n: number) => {
    let length = n;
    while (
      ["more", "the", "time", "as", "long"].includes(tokens[at + length]?.word ?? "") &&
      !tokens[at + length - 1]!.ends
    )
      length += 1;
    return length;
  };
  const times = /^(?:[x×*](1[.,]25|1[.,]5|2|1½|1¼)|(1[.,]25|1[.,]5|2|1½|1¼)[x×*])$/.exec(word);
  const value = times?.[1] ?? times?.[2];
  if (value) return { n: tail(1), factor: Number(value.replace(",", ".").replace("½", ".5").replace("¼", ".25")) };
  if (/^(?:1[.,]25|1[.,]5)$/.test(word) && ["x", "×", "times"].includes(tokens[at + 1]?.word ?? ""))
    return { n: tail(2), factor: Number(word.replace(",", ".")) };
  const percent = percents[word];
  return percent && tokens[at + 1]?.word === "more" ? { n: tail(1), factor: percent } : null;
}

const versionWord: Record<string, VersionWords> = {
  normal: { by: "main" },
  usual: { by: "main" },
  original: { by: "main" },
  standard: { by: "main" },
  regular: { by: "main" },
  full: { by: "main" },
  long: { by: "main" },
  short: { by: "shorter" },
  shorter: { by: "shorter" },
  easy: { by: "easier" },
  easier: { by: "easier" },
  simple: { by: "easier" },
  simpler: { by: "easier" },
  plainer: { by: "easier" },
};

/** "short version", "the easier one", "normal", "Spanish version", "version Tides for Emil". `versionAt(tokensOf("short version"), 0, []).n` gives `2`. */
export function versionAt(
  tokens: readonly Token[],
  at: number,
  titles: readonly string[],
): { n: number; version: VersionWords } | null {
  const start = tokens[at]?.word === "the" ? at + 1 : at;
  const token = tokens[start];
  if (!token) return null;
  const skipped = start - at;
  const next = token.ends ? "" : (tokens[start + 1]?.word ?? "");
  const named = /^(?:version|one|copy)$/.test(next) ? 1 : 0;
  const known = versionWord[token.word];
  if (known) return { n: skipped + 1 + named, version: known };
  if (token.word === "version" && !token.ends) {
    let n = 1;
    while (tokens[start + n] && !tokens[start + n - 1]!.ends) n += 1;
    // The longest run of words that stands in one title.
    for (; n > 1; n -= 1) {
      const words = tokens
        .slice(start + 1, start + n)
        .map(({ word }) => word)
        .join(" ");
      if (titles.some((title) => title.includes(words))) return { n: skipped + n, version: { by: "title", words } };
    }
  }
  if (!named) return null;
  const language = token.word.length > 3 ? languageNamed(token.text) : null;
  if (language) return { n: skipped + 2, version: { by: "language", language } };
  return titles.some((title) => title.split(" ").includes(token.word))
    ? { n: skipped + 2, version: { by: "title", words: token.word } }
    : null;
}
