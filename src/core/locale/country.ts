import type { Country } from "../find/also";
import { americanOf, britishOf, dependsOnSense } from "./spelling";

/** One thing in a text that belongs to a country, or to a few. */
export interface Sign {
  kind: "money" | "units" | "spelling" | "paper" | "date" | "holiday";
  /** As it stands in the text. */
  text: string;
  countries: readonly Country[];
}

interface Pattern {
  kind: Sign["kind"];
  countries: readonly Country[];
  finds: RegExp;
}

const commonwealth = ["GB", "IE", "AU", "NZ", "CA"] as const;
const dayFirst = ["GB", "IE", "AU", "NZ", "ES", "FR", "MX", "DK", "IS", "XS"] as const;

/** Whether 3/12 is 3 December where a text or a teacher comes from; source: short dates of the Unicode CLDR. */
export const dayComesFirst = (country: Country): boolean => country !== "US";

/**
 * Currency signs and names, customary units, paper and date forms as in the Unicode CLDR (territory currencies,
 * measurement systems, paper sizes, short dates); holidays: common knowledge. XS counts in isle crowns.
 */
const patterns: Pattern[] = [
  { kind: "money", countries: ["XS"], finds: /\b(?:\d+(?:[.,]\d+)*\s*)?(?:isle )?crowns?\b/gi },
  {
    kind: "money",
    countries: ["US", "CA", "AU", "NZ"],
    finds: /\$\s?\d+(?:[.,]\d+)*|\b\d+(?:[.,]\d+)*\s*dollars?\b/gi,
  },
  { kind: "money", countries: ["US"], finds: /\b(?:nickels?|dimes?)\b/gi },
  {
    kind: "money",
    countries: ["GB"],
    finds: /£\s?\d+(?:[.,]\d+)*|\b\d+\s*(?:pence|p)\b(?!\.?\s?m\b)(?!\.\s?\d)|\b\d+(?:[.,]\d+)*\s*pounds? sterling\b/gi,
  },
  { kind: "money", countries: ["IE", "ES", "FR"], finds: /€\s?\d+(?:[.,]\d+)*|\b\d+(?:[.,]\d+)*\s*(?:€|euros?\b)/gi },
  {
    kind: "units",
    countries: ["US"],
    finds:
      /\b\d+(?:[.,]\d+)*\s*(?:inch(?:es)?|feet|foot|ft|yards?|gallons?|ounces?|oz|lbs?|°\s?F|degrees Fahrenheit)(?![\p{L}])/giu,
  },
  { kind: "units", countries: ["US", "GB"], finds: /\b\d+(?:[.,]\d+)*\s*miles?\b(?! (?:an hour )?at sea)/gi },
  { kind: "paper", countries: ["US", "CA", "MX"], finds: /\b(?:letter[- ]size(?:d)? paper|8\.5\s?[x×]\s?11)\b/gi },
  {
    kind: "paper",
    countries: ["GB", "IE", "AU", "NZ", "ES", "FR", "DK", "IS", "XS"],
    finds: /\bA[345] (?:paper|sheets?)\b/g,
  },
  { kind: "date", countries: ["US"], finds: /\b(?:0?[1-9]|1[0-2])\/(?:1[3-9]|2\d|3[01])\/(?:\d{4}|\d\d)\b/g },
  { kind: "date", countries: dayFirst, finds: /\b(?:1[3-9]|2\d|3[01])\/(?:0?[1-9]|1[0-2])\/(?:\d{4}|\d\d)\b/g },
  {
    kind: "holiday",
    countries: ["US"],
    finds: /\b(?:Thanksgiving|Fourth of July|Presidents[’']? Day|Memorial Day)\b/g,
  },
  { kind: "holiday", countries: ["GB"], finds: /\b(?:Bonfire Night|Guy Fawkes)\b/g },
  { kind: "holiday", countries: [...commonwealth], finds: /\bBoxing Day\b/g },
  { kind: "holiday", countries: ["MX"], finds: /\bD[ií]a de (?:los )?Muertos\b/gi },
  { kind: "holiday", countries: ["XS"], finds: /\b(?:Boat Day|Lamp Night|Herring Fair)\b/g },
];

// Both spellings of the colour are written in the United States.
const isUnclear = (word: string) => dependsOnSense(word) || word === "gray" || word === "grey";

function* spellingSigns(text: string): Generator<Sign> {
  for (const [word] of text.matchAll(/\b\p{Ll}{4,}\b/gu)) {
    if (isUnclear(word)) continue;
    if (britishOf.has(word)) yield { kind: "spelling", text: word, countries: ["US"] };
    else if (americanOf.has(word)) yield { kind: "spelling", text: word, countries: [...commonwealth, "XS"] };
  }
}

/** Everything in a text that belongs to some countries and not to others, each wording once. */
export function signsIn(text: string, language: string): Sign[] {
  const signs = patterns.flatMap(({ kind, countries, finds }) =>
    [...text.matchAll(finds)].map((found): Sign => ({ kind, text: found[0].trim(), countries })),
  );
  if (language.startsWith("en")) signs.push(...spellingSigns(text));
  const seen = new Set<string>();
  return signs.filter((sign) => {
    const key = `${sign.kind} ${sign.text.toLowerCase()}`;
    if (seen.has(key)) return false;
    seen.add(key);
    return true;
  });
}

export interface Belonging {
  /** The one country most signs speak for; "any" when none do or several do alike. */
  country: Country;
  signs: Sign[];
}

// Money and holidays cannot be read past; a spelling can.
const weights: Record<Sign["kind"], number> = { money: 3, holiday: 3, units: 2, paper: 2, date: 2, spelling: 1 };
const ENOUGH = 2;

/** The country a text belongs to. British spelling alone decides nothing: many countries write so. */
export function belongsTo(text: string, language: string): Belonging {
  const signs = signsIn(text, language);
  const score = new Map<Country, number>();
  for (const sign of signs) {
    for (const country of sign.countries)
      score.set(country, (score.get(country) ?? 0) + weights[sign.kind] / sign.countries.length);
  }
  const [first, second] = [...score].sort((one, other) => other[1] - one[1]);
  const clear = first && first[1] >= ENOUGH && (!second || first[1] >= second[1] + 1);
  return { country: clear ? first[0] : "any", signs };
}

/** Signs that speak of somewhere else than `home`, heaviest first: what a teacher there would have to change. */
export function foreignSigns(signs: readonly Sign[], home: Country): Sign[] {
  return signs
    .filter((sign) => !sign.countries.includes(home))
    .sort((one, other) => weights[other.kind] - weights[one.kind]);
}
