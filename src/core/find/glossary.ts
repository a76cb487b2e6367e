import { listedForm } from "../content/listed-form";

/** Words of one language with the word of another, by listed form. */
export type Glossary = ReadonlyMap<string, string>;

/**
 * Reads a glossary: a line for each word, "tiburón = shark"; "#" begins a remark.
 * `[...readGlossary("tiburón = shark")]` gives `[["tiburon", "shark"]]`.
 * @throws Error naming the line that is not two words
 */
export function readGlossary(file: string): Glossary {
  const meant = new Map<string, string>();
  file.split("\n").forEach((line, at) => {
    const text = line.replace(/#.*/, "").trim();
    if (!text) return;
    const [word, other, more] = text.split("=").map((side) => side.trim());
    if (!word || !other || more !== undefined) throw new Error(`line ${at + 1}: “${text}” is not a word = a word`);
    meant.set(listedForm(word), other);
  });
  return meant;
}

/**
 * The words in the other language, those the glossary knows; null when it knows none of them.
 * `translated("tiburón", readGlossary("tiburón = shark"))` gives `"shark"`.
 */
export function translated(typed: string, glossary: Glossary): string | null {
  const whole = glossary.get(listedForm(typed.trim()));
  if (whole) return whole;
  const words = typed.trim().split(/\s+/);
  const known = words.map((word) => glossary.get(listedForm(word)) ?? null);
  if (known.every((word) => word === null)) return null;
  // "tabla de mareas": the small words between need no counterpart.
  return known.filter((word) => word !== null).join(" ");
}
