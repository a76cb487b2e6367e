/**
 * A statement that is asked many times a second begins with this: a PostgreSQL server reads and plans it once for each connection. Only for
 * statements whose text is always the same.
 */
export const OFTEN = "/* often */";

const names = new Map<string, string>();

/** The name under which a connection keeps such a statement; undefined for all others. */
export function preparedName(text: string): string | undefined {
  if (!text.startsWith(OFTEN)) return undefined;
  const name = names.get(text) ?? `often ${names.size + 1}`;
  names.set(text, name);
  return name;
}
