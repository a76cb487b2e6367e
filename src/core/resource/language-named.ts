import { isLanguageTag } from "../content/vocabulary";

const plain = (text: string): string => text.normalize("NFD").replace(/\p{M}/gu, "").toLowerCase().trim();

const letters = "abcdefghijklmnopqrstuvwxyz";
/** Kinds of a language that people call by a name of their own. */
const kinds = ["pt-BR", "pt-PT", "zh-Hans", "zh-Hant", "en-GB", "en-US", "fr-CA", "es-MX"];

let named: Map<string, string> | null = null;

/** Every language with a code of two letters (ISO 639-1), by its English name and by its own. */
function byName(): Map<string, string> {
  if (named) return named;
  const english = new Intl.DisplayNames(["en"], { type: "language", fallback: "none" });
  const found = new Map<string, string>();
  const pairs = [...letters].flatMap((first) => [...letters].map((second) => first + second));
  for (const tag of [...pairs, ...kinds]) {
    // Old codes lead to the one in use: "iw" is Hebrew too.
    if (Intl.getCanonicalLocales(tag)[0] !== tag) continue;
    const name = english.of(tag);
    if (name === undefined) continue;
    const own = new Intl.DisplayNames([tag], { type: "language" }).of(tag);
    for (const each of own ? [name, own] : [name]) if (!found.has(plain(each))) found.set(plain(each), tag);
  }
  return (named = found);
}

/**
 * The BCP 47 tag of a language as a teacher types it: "Spanish", "español" or "es"; "pt-br" comes out as "pt-BR". Null
 * when no language is called that.
 * `languageNamed("español")` gives `"es"`.
 */
export function languageNamed(typed: string): string | null {
  if (typed.trim() === "") return null;
  const name = byName().get(plain(typed));
  if (name) return name;
  try {
    const [tag] = Intl.getCanonicalLocales(typed.trim());
    return tag && isLanguageTag(tag) ? tag : null;
  } catch {
    return null;
  }
}
