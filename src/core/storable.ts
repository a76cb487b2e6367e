/**
 * Text as it can be kept: the database takes neither NUL nor half of a surrogate pair (a broken emoji), and would refuse
 * everything sent along with one. They are taken out, wherever in a value they are; everything else stays as it is.
 *
 *     storable({ name: "Tide\u0000s" })   // { name: "Tides" }
 *
 * Returns the same value when nothing had to be taken out.
 */
export function storable<Value>(value: Value): Value {
  return clean(value, 0) as Value;
}

/** Deeper than any document is; what is deeper is left as it is, for the schema to refuse. */
const DEEPEST = 100;
const plainText = (text: string): string =>
  text.isWellFormed() && !text.includes("\0")
    ? text
    : text
        .replaceAll("\0", "")
        .replace(/[\uD800-\uDBFF](?![\uDC00-\uDFFF])/g, "")
        .replace(/(?<![\uD800-\uDBFF])[\uDC00-\uDFFF]/g, "");

function clean(value: unknown, depth: number): unknown {
  if (typeof value === "string") return plainText(value);
  if (typeof value !== "object" || value === null || depth > DEEPEST) return value;
  if (Array.isArray(value)) {
    const items = value.map((item) => clean(item, depth + 1));
    return items.some((item, at) => item !== value[at]) ? items : value;
  }
  // Dates, files and the like are no texts.
  if (Object.getPrototypeOf(value) !== Object.prototype && Object.getPrototypeOf(value) !== null) return value;
  const before = Object.entries(value);
  const after = before.map(([name, item]) => [plainText(name), clean(item, depth + 1)] as const);
  return after.some(([name, item], at) => item !== before[at]![1] || name !== before[at]![0])
    ? Object.fromEntries(after)
    : value;
}
