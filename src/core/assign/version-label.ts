/**
 * What tells versions of one thing apart, for a narrow column: the title without the words it begins with like the main one. "Reading
 * a tide table, short" beside "Reading a tide table" is "short". The whole title where nothing else is left of it, or where it begins
 * otherwise.
 * `versionLabel("Reading a tide table, short", "Reading a tide table")` gives `"short"`.
 */
export function versionLabel(title: string, main: string): string {
  const bare = (word: string) => word.toLowerCase().replace(/[^\p{L}\p{N}]/gu, "");
  const [words, known] = [title.split(" "), main.split(" ")];
  let same = 0;
  while (same < words.length && same < known.length && bare(words[same]!) === bare(known[same]!)) same += 1;
  // A word or two in common may be chance.
  if (same < Math.min(3, known.length)) return title;
  const rest = words
    .slice(same)
    .join(" ")
    .replace(/^[\s,:;–-]+/, "")
    .replace(/^\((.*)\)$/, "$1");
  return rest || title;
}
