/** What stands where a name was left out. */
export const LEFT_OUT = "…";

/** Without accents and capitals: a child writes "zoe" for "Zoë". */
const plain = (text: string) => text.normalize("NFD").replace(/\p{M}/gu, "").toLowerCase();
const WORD = /[\p{L}\p{M}\p{N}]+/gu;

/** Every word that is part of a name, as it is looked for. A family name of several words is several. */
const wordsOf = (names: readonly string[]): Set<string> =>
  new Set(names.flatMap((name) => [...plain(name).matchAll(WORD)].map(([word]) => word)));

/**
 * The same words without the names of other children, given or family name, in whatever case. What is also part of the child's
 * own name stays.
 * `withoutNames("Liv and I read it.", ["Liv"], ["Sunniva"])` gives `"… and I read it."`.
 * @param others every name that must not be read
 * @param own the child's own names
 */
export function withoutNames(text: string, others: readonly string[], own: readonly string[]): string {
  const [hidden, kept] = [wordsOf(others), wordsOf(own)];
  if (hidden.size === 0) return text;
  return text.replace(WORD, (word) => {
    const looked = plain(word);
    return hidden.has(looked) && !kept.has(looked) ? LEFT_OUT : word;
  });
}
