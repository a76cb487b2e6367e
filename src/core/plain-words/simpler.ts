/** Plainer words by the harder form: "purchased" is "bought". */
export type Simpler = ReadonlyMap<string, string>;

/**
 * Reads a list: a line is `harder forms > plainer forms`, the forms in the same order, parted by commas where one is of several words.
 * Lines with # and those whose sides do not match are left out.
 * `[...readSimpler("purchase > buy")]` gives `[["purchase", "buy"]]`.
 */
export function readSimpler(text: string): Simpler {
  const found = new Map<string, string>();
  for (const line of text.split("\n")) {
    const [harder = "", plainer] = line.split(" > ");
    if (line.startsWith("#") || plainer === undefined) continue;
    const from = harder.trim().split(/\s/);
    const to = (
      plainer.includes(",") ? plainer.split(",") : from.length === 1 ? [plainer] : plainer.trim().split(/\s/)
    ).map((one) => one.trim());
    if (from.length === to.length) from.forEach((word, at) => found.set(word, to[at]!));
  }
  return found;
}
