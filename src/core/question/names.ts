import type { Names } from "./kind";

/** How ids are changed for the names students see, in questions and in answers. */

/** `renamed([{ id: "a" }], new Map([["a", "x"]]))` gives `[{ id: "x" }]`. */
export const renamed = <Item extends { id: string }>(items: readonly Item[], names: Names): Item[] =>
  items.map((item) => ({ ...item, id: names.get(item.id) ?? item.id }));

/**
 * Mixed by their names, which are drawn at random; never by chance just as it is right.
 * `mixedByName([{ id: "b" }, { id: "a" }])` gives `[{ id: "a" }, { id: "b" }]`.
 */
export function mixedByName<Item extends { id: string }>(
  options: readonly Item[],
  right: readonly string[] = [],
): Item[] {
  const sorted = [...options].sort((one, other) => (one.id < other.id ? -1 : 1));
  const isRightOrder =
    sorted.length > 1 && right.length === sorted.length && sorted.every(({ id }, at) => id === right[at]);
  return isRightOrder ? [...sorted.slice(1), sorted[0]!] : sorted;
}

type Rename = (id: unknown) => unknown;

/** A list of names with each of them changed; what is no list stays. `eachRenamed(["a"], () => "b")` gives `["b"]`. */
export const eachRenamed = (value: unknown, one: Rename): unknown => (Array.isArray(value) ? value.map(one) : value);

/**
 * Pairs of names, the first and the second of each changed in their own way.
 * `pairsRenamed([["a", "b"]], () => "x", () => "y")` gives `[["x", "y"]]`.
 */
export const pairsRenamed = (value: unknown, one: Rename, other: Rename): unknown =>
  Array.isArray(value)
    ? value.map((pair) => (Array.isArray(pair) && pair.length === 2 ? [one(pair[0]), other(pair[1])] : pair))
    : value;
