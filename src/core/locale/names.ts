import { isoCountries } from "./countries";

/** Languages and countries: those that are listed, and what each is called. */

export const languages = ["en", "es", "fr", "da", "fo", "is", "other"] as const;
/** A listed one, or the code (ISO 639) of any that resources are in: those share the bit of "other". */
export type Language = string;
/** `isLanguage("es")` gives `true`. */
export const isLanguage = (text: string): boolean => /^[a-z]{2,3}$/.test(text) || text === "other";

/** The listed language a BCP 47 tag belongs to. `languageOf("en-GB")` gives `"en"`. */
export function languageOf(tag: string): (typeof languages)[number] {
  const base = tag.split("-")[0]!.toLowerCase();
  return languages.find((language) => language === base) ?? "other";
}

/** Countries a resource can belong to. "any" belongs to none: nothing in it speaks of one country's ways. XS: the Skerry Isles. */
export const countries = ["any", "XS", ...isoCountries] as const;
export type Country = (typeof countries)[number];

const made = new Map<"region" | "language", Intl.DisplayNames>();
/** Names in English; they take some 10 ms to read, which a page that shows none need not wait for. */
function namesOf(type: "region" | "language"): Intl.DisplayNames {
  const names = made.get(type) ?? new Intl.DisplayNames("en", { type });
  made.set(type, names);
  return names;
}

/** `countryName("US")` gives `"the United States"`. */
export function countryName(country: Country): string {
  if (country === "any") return "anywhere";
  // Unicode keeps the codes XA to XZ for private use: Intl has no name for them.
  return country === "XS"
    ? "the Skerry Isles"
    : namesOf("region")
        .of(country)!
        .replace(/^United /, "the United ");
}

/** `languageName("es")` gives `"Spanish"`. */
export const languageName = (language: string): string =>
  language === "other" ? "another language" : (namesOf("language").of(language) ?? language);
