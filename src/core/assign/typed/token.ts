import { listedForm } from "../../content/listed-form";

/** A word of the line. */
export interface Token {
  /** As typed, without the punctuation around it. */
  text: string;
  /** Lower case, without accents; "p.m." is "pm", "–" is "to". */
  word: string;
  /** Where it stands in the line. */
  from: number;
  to: number;
  /** A comma, a semicolon or the end of the line follows. */
  ends: boolean;
}

/** As words are listed for searching, with one sort of apostrophe. `plainWord("Ines’s")` gives `"ines's"`. */
export const plainWord = (text: string): string => listedForm(text).replace(/[’‘]/g, "'");

const weekdayOrNumber = /^(?:\d[\d./:]*|mon|tues?|wed|thu|thurs?|fri|sat|sun)$/i;

/** "mon-fri" and "3/12-9/12" are two words with "to" between; "2026-12-01" and "half-hour" are one. */
function cut(text: string, from: number): { text: string; from: number }[] {
  const at = text.indexOf("-");
  if (at > 0 && at === text.lastIndexOf("-")) {
    const [left, right] = [text.slice(0, at), text.slice(at + 1)];
    if (weekdayOrNumber.test(left) && weekdayOrNumber.test(right))
      return [
        { text: left, from },
        { text: "-", from: from + at },
        { text: right, from: from + at + 1 },
      ];
  }
  return [{ text, from }];
}

const tail = new Set("\"“”'’)!?.:");

/** Without the marks at its end. */
function withoutTail(text: string): string {
  let end = text.length;
  while (end > 0 && tail.has(text[end - 1]!)) end -= 1;
  return text.slice(0, end);
}

/**
 * The words of a line.
 * `tokensOf("Bo, 2 tries").map(({ word }) => word)` gives `["bo", "2", "tries"]`.
 */
export function tokensOf(line: string): Token[] {
  const tokens: Token[] = [];
  for (const found of line.matchAll(/[–—]|[^\s,;–—]+/g)) {
    for (const piece of cut(found[0], found.index)) {
      const dash = /^[–—-]$/.test(piece.text);
      const lead = dash ? 0 : /^["“”'‘(]*/.exec(piece.text)![0].length;
      let text = piece.text.slice(lead);
      if (!dash && !/^[ap]\.?m\.?$/i.test(text) && !/^\d+\.\d+\.$/.test(text)) text = withoutTail(text);
      if (!text) continue;
      const from = piece.from + lead;
      const to = from + text.length;
      const word = dash ? "to" : plainWord(text);
      tokens.push({ text, word: /^[ap]\.?m\.?$/.test(word) ? `${word[0]}m` : word, from, to, ends: false });
    }
  }
  return tokens.map((token, at) => {
    const next = tokens[at + 1];
    return { ...token, ends: next === undefined || /[,;]/.test(line.slice(token.to, next.from)) };
  });
}

/** A title or a name as a line would have it. `wordsIn("Tides, short")` gives `"tides short"`. */
export const wordsIn = (text: string): string =>
  tokensOf(text)
    .map(({ word }) => word)
    .join(" ");
