import { countries, type Country } from "./names";
import cldr from "./cldr.json";
import { americanOf, britishOf, dependsOnSense } from "./spelling";

/** One thing in a text that belongs to a country, or to a few. */
export interface Sign {
  kind: "money" | "units" | "spelling" | "paper" | "date" | "holiday";
  /** As it stands in the text. */
  text: string;
  /** Where it is at home. */
  countries: readonly Country[];
  /** For which of them it speaks, where it is at home in more than would write so for others. */
  speaksFor?: readonly Country[];
}

interface Pattern {
  kind: Sign["kind"];
  countries: readonly Country[];
  /** It is at home there as well. */
  alsoIn?: readonly Country[];
  speaksFor?: readonly Country[];
  finds: RegExp;
}

const commonwealth = ["GB", "IE", "AU", "NZ", "CA"] as const;
const listed = (codes: string): Country[] => codes.split(" ") as Country[];
const paidWith = (currency: keyof typeof cldr.currencies): Country[] => listed(cldr.currencies[currency]);
const others = (codes: string): Country[] => countries.filter((one) => one !== "any" && !listed(codes).includes(one));

/**
 * Whether 3/12 is 3 December where a text or a teacher comes from; source: short dates of the Unicode CLDR.
 * `dayComesFirst("GB")` gives `true`.
 */
export const dayComesFirst = (country: Country): boolean => !listed(cldr.monthFirst).includes(country);

/** Signs that say by themselves what is paid with, as CLDR has them, and the codes of ISO 4217, with where that is. */
function signsOfMoney(): Map<string, Country[]> {
  const bySign = new Map<string, Country[]>();
  for (const currency of Object.keys(cldr.currencies) as (keyof typeof cldr.currencies)[]) {
    const [home] = paidWith(currency);
    const { language } = new Intl.Locale(`und-${home}`).maximize();
    const format = new Intl.NumberFormat(`${language}-${home}`, {
      ...{ style: "currency", currency, currencyDisplay: "narrowSymbol" },
    });
    const sign = format.formatToParts(1).find(({ type }) => type === "currency")!.value;
    // Dollars, pounds and euros are read below, in words too; a sign of one plain letter is as good as none.
    const ownSign = !sign.includes("$") && !/^(?:[A-Za-z.]|[£€]|[A-Z]{3})$/u.test(sign) ? [sign] : [];
    for (const one of [...ownSign, currency]) bySign.set(one, [...(bySign.get(one) ?? []), ...paidWith(currency)]);
  }
  return bySign;
}

interface MoneyReader {
  signs: Map<string, Country[]>;
  /** An amount with one of the signs before it (group 1) or after it (group 2): "₹50", "50 kr". */
  finds: RegExp;
}

let reader: MoneyReader | null = null;
/** Made when a text is first read: CLDR's signs take some milliseconds. */
function moneyReader(): MoneyReader {
  if (reader) return reader;
  const signs = signsOfMoney();
  const any = [...signs.keys()]
    .sort((one, other) => other.length - one.length)
    .map((sign) => sign.replace(/[.*+?^${}()|[\]\\]/g, "\\$&"))
    .join("|");
  const amount = "\\d[\\d.,]{0,15}";
  return (reader = {
    signs,
    finds: new RegExp(`(?<!\\p{L})(${any})\\s?${amount}|(?<!\\d)${amount}\\s?(${any})(?!\\p{L})`, "gu"),
  });
}

function moneyIn(text: string): Sign[] {
  const { signs, finds } = moneyReader();
  return [...text.matchAll(finds)].map(([found, before, after]): Sign => ({
    ...{ kind: "money", text: found.replace(/[.,]$/, "").trim() },
    countries: signs.get(before ?? after!)!,
  }));
}

/**
 * Currency signs and names, customary units, paper and date forms by country as in the Unicode CLDR (cldr.json: territory
 * currencies, measurement systems, paper sizes, short dates); words and holidays: common knowledge. XS counts in isle crowns.
 */
const patterns: Pattern[] = [
  { kind: "money", countries: ["XS"], finds: /\b(?:\d+(?:[.,]\d+)*\s*)?(?:isle )?crowns?\b/gi },
  {
    kind: "money",
    countries: ["US", "CA", "AU", "NZ"],
    alsoIn: (Object.keys(cldr.currencies) as (keyof typeof cldr.currencies)[])
      .filter((currency) => /D$/.test(currency) && !/^(?:AED|BHD|DZD|IQD|JOD|KWD|LYD|MKD|RSD|SDD|TND)$/.test(currency))
      .flatMap(paidWith),
    finds: /\$\s?\d+(?:[.,]\d+)*|\b\d+(?:[.,]\d+)*\s*dollars?\b/gi,
  },
  { kind: "money", countries: ["US"], finds: /\b(?:nickels?|dimes?)\b/gi },
  {
    kind: "money",
    countries: ["GB"],
    alsoIn: paidWith("GBP"),
    finds: /£\s?\d+(?:[.,]\d+)*|\b\d+\s*(?:pence|p)\b(?!\.?\s?m\b)(?!\.\s?\d)|\b\d+(?:[.,]\d+)*\s*pounds? sterling\b/gi,
  },
  {
    kind: "money",
    countries: paidWith("EUR"),
    finds: /€\s?\d+(?:[.,]\d+)*|\b\d+(?:[.,]\d+)*\s*(?:€|euros?\b)/gi,
  },
  {
    kind: "units",
    countries: listed(cldr.inches),
    speaksFor: ["US"],
    finds:
      /\b\d+(?:[.,]\d+)*\s*(?:inch(?:es)?|feet|foot|ft|yards?|gallons?|ounces?|oz|lbs?|°\s?F|degrees Fahrenheit)(?![\p{L}])/giu,
  },
  {
    kind: "units",
    countries: listed(cldr.miles),
    speaksFor: ["US", "GB"],
    finds: /\b\d+(?:[.,]\d+)*\s*miles?\b(?! (?:an hour )?at sea)/gi,
  },
  {
    kind: "paper",
    countries: listed(cldr.letterPaper),
    speaksFor: ["US", "CA", "MX"],
    finds: /\b(?:letter[- ]size(?:d)? paper|8\.5\s?[x×]\s?11)\b/gi,
  },
  { kind: "paper", countries: others(cldr.letterPaper), finds: /\bA[345] (?:paper|sheets?)\b/g },
  {
    kind: "date",
    countries: listed(cldr.monthFirst),
    speaksFor: ["US"],
    finds: /\b(?:0?[1-9]|1[0-2])\/(?:1[3-9]|2\d|3[01])\/(?:\d{4}|\d\d)\b/g,
  },
  {
    kind: "date",
    countries: others(cldr.monthFirst),
    finds: /\b(?:1[3-9]|2\d|3[01])\/(?:0?[1-9]|1[0-2])\/(?:\d{4}|\d\d)\b/g,
  },
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

/**
 * Everything in a text that belongs to some countries and not to others, each wording once.
 * `signsIn("The harbor is 5 miles off", "en").map(({ text }) => text)` gives `["5 miles", "harbor"]`.
 */
export function signsIn(text: string, language: string): Sign[] {
  const signs = patterns.flatMap(({ kind, countries: of, alsoIn, speaksFor, finds }) =>
    [...text.matchAll(finds)].map((found): Sign => {
      const at = { kind, text: found[0].trim(), countries: alsoIn ? [...new Set([...of, ...alsoIn])] : of };
      return alsoIn || speaksFor ? { ...at, speaksFor: speaksFor ?? of } : at;
    }),
  );
  signs.push(...moneyIn(text));
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

/**
 * The country a text belongs to. British spelling alone decides nothing: many countries write so.
 * `belongsTo("A gallon of milk costs $4 in Ohio; 70 °F outside.", "en").country` gives `"US"`.
 */
export function belongsTo(text: string, language: string): Belonging {
  const signs = signsIn(text, language);
  const score = new Map<Country, number>();
  for (const sign of signs) {
    const of = sign.speaksFor ?? sign.countries;
    for (const country of of) score.set(country, (score.get(country) ?? 0) + weights[sign.kind] / of.length);
  }
  const [first, second] = [...score].sort((one, other) => other[1] - one[1]);
  const clear = first && first[1] >= ENOUGH && (!second || first[1] >= second[1] + 1);
  return { country: clear ? first[0] : "any", signs };
}

/**
 * Signs that speak of somewhere else than `home`, heaviest first: what a teacher there would have to change.
 * `foreignSigns(signsIn("the colour of the harbor", "en"), "GB").map(({ text }) => text)` gives `["harbor"]`.
 */
export function foreignSigns(signs: readonly Sign[], home: Country): Sign[] {
  return signs
    .filter((sign) => !sign.countries.includes(home))
    .sort((one, other) => weights[other.kind] - weights[one.kind]);
}
