/**
 * How well a title answers words as they were typed: the search compares stems ("whales" and "whaling" are one), a reader does not.
 * Adds to the rank of what was found, 0 to 0.6.
 */
const LITERAL = 0.3;
const BEGINS = 0.15;
const COVERED = 0.15;

/** "tides" and "tide" are one word to her, "whales" and "whaling" are not. */
const singular = (word: string): string => (word.length > 3 ? word.replace(/s$/, "") : word);

/**
 * `typed` and `title` as titles are compared (titleKey). Counts how many of the words typed stand in the title letter by letter,
 * whether it begins with them all, and how much of the title they are.
 * `titleAgreement("tide", "tides") > titleAgreement("tide", "tide tables")` gives `true`.
 */
export function titleAgreement(typed: string, title: string): number {
  const words = typed.split(" ").filter(Boolean).map(singular);
  if (words.length === 0) return 0;
  const titled = title.split(" ").map(singular);
  const literal = words.filter((word) => titled.includes(word)).length;
  const begins = words.every((word, at) => titled[at] === word);
  return LITERAL * (literal / words.length) + (begins ? BEGINS : 0) + COVERED * Math.min(1, literal / titled.length);
}
