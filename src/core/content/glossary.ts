/** A stretch of text; `term`: the place in the list of the word it is, where it is one of them. */
export interface Glossed {
  text: string;
  term?: number;
}

const escaped = (text: string) => text.replace(/[.*+?^${}()|[\]\\]/g, "\\$&");
const folded = (text: string) => text.toLocaleLowerCase().replace(/\s+/gu, " ").trim();

/**
 * Finds words of a glossary in running text: whole words, large or small, also with a plural s; of two that could stand at one place
 * the longer. Put together again, the stretches are the text. The words are made ready once, for many texts.
 *
 *     const inText = glossary(["tide"]);
 *     inText("High tides") // [{ text: "High " }, { text: "tides", term: 0 }]
 */
export function glossary(terms: readonly string[]): (text: string) => Glossed[] {
  const known = new Map(terms.flatMap((term, at) => (folded(term) ? [[folded(term), at] as const] : [])));
  if (known.size === 0) return (text) => [{ text }];
  const longestFirst = [...known.keys()].sort((one, other) => other.length - one.length);
  // Bounded: a choice of plain words, each taken once at a place.
  const found = new RegExp(
    `(?<![\\p{L}\\p{N}])(${longestFirst.map((term) => escaped(term).replaceAll(" ", "\\s")).join("|")})(e?s)?(?![\\p{L}\\p{N}])`,
    "giu",
  );
  return (text) => {
    const parts: Glossed[] = [];
    let from = 0;
    for (const match of text.matchAll(found)) {
      const term = known.get(folded(match[1]!));
      if (term === undefined) continue;
      if (match.index > from) parts.push({ text: text.slice(from, match.index) });
      parts.push({ text: match[0], term });
      from = match.index + match[0].length;
    }
    if (from < text.length || parts.length === 0) parts.push({ text: text.slice(from) });
    return parts;
  };
}

/**
 * Whether a card with one of these meanings would give a question away: what it means stands in the question itself, among what there is
 * to choose from.
 * `givesAway({ prompt: "What is a pier?" }, ["pier"])` gives `true`.
 */
export function givesAway(question: object, meanings: readonly string[]): boolean {
  const said = folded(JSON.stringify(question));
  return meanings.some(
    (meaning) => folded(meaning) !== "" && said.includes(folded(JSON.stringify(meaning)).slice(1, -1)),
  );
}
