export type { RichTextByLanguage, TextByLanguage } from "./schema/language";

/**
 * The entry for the first of `languages` that has one, or any there is. A jsonb column does not keep the order of keys,
 * so the order of languages is a list of its own in the document.
 * `inLanguage({ en: "tide", es: "marea" }, ["fr", "es"])` gives `"marea"`.
 */
export function inLanguage<Text>(
  byLanguage: Record<string, Text> | undefined,
  languages: readonly string[],
): Text | undefined {
  if (!byLanguage) return undefined;
  for (const language of languages) if (byLanguage[language] !== undefined) return byLanguage[language];
  return Object.values(byLanguage)[0];
}

/**
 * The languages of something, the one that is read first; as they are when it is none of them.
 * `readFirst(["en", "es"], "es")` gives `["es", "en"]`.
 */
export const readFirst = (languages: readonly string[], reads: string): string[] =>
  languages.includes(reads) ? [reads, ...languages.filter((one) => one !== reads)] : [...languages];
