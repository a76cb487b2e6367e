/**
 * International Standard Book Numbers. Check digits as in ISO 2108: ten digits weighted 10 to 1 sum to a multiple of 11
 * (X is ten), thirteen weighted 1, 3, 1, 3 … to a multiple of 10.
 */
const digitsOf = (typed: string): string =>
  typed
    .replace(/^isbn(-1[03])?:?/i, "")
    .replace(/[\s-]/g, "")
    .toUpperCase();

const sum10 = (digits: string): number =>
  [...digits].reduce((sum, digit, at) => sum + (10 - at) * (digit === "X" ? 10 : Number(digit)), 0);

const sum13 = (digits: string): number =>
  [...digits].reduce((sum, digit, at) => sum + Number(digit) * (at % 2 ? 3 : 1), 0);

export type IsbnReading =
  | { isbn13: string }
  /** Looks like one, but a digit is wrong. */
  | { wrong: string };

/**
 * Reads an ISBN-10 or ISBN-13 as typed, hyphens and spaces allowed; null when it is nothing of the sort.
 * `readIsbn("978-0-00-000000-2")` gives `{ isbn13: "9780000000002" }`.
 */
export function readIsbn(typed: string): IsbnReading | null {
  const digits = digitsOf(typed.trim());
  if (/^97[89]\d{10}$/.test(digits)) return sum13(digits) % 10 === 0 ? { isbn13: digits } : { wrong: digits };
  if (/^\d{9}[\dX]$/.test(digits)) return sum10(digits) % 11 === 0 ? { isbn13: isbn10To13(digits) } : { wrong: digits };
  return null;
}

/** `isbn10To13("0306406152")` gives `"9780306406157"`. @param isbn10 ten characters with a right check digit, no hyphens */
export function isbn10To13(isbn10: string): string {
  const body = `978${isbn10.slice(0, 9)}`;
  return body + String((10 - (sum13(body) % 10)) % 10);
}

/** Null for numbers that begin with 979: those have no ten-digit form. `isbn13To10("9780306406157")` gives `"0306406152"`. */
export function isbn13To10(isbn13: string): string | null {
  if (!isbn13.startsWith("978")) return null;
  const body = isbn13.slice(3, 12);
  const check = (11 - (sum10(`${body}0`) % 11)) % 11;
  return body + (check === 10 ? "X" : String(check));
}

export interface Edition {
  work: string;
  isbn13?: string | undefined;
  year?: number | undefined;
  pages?: number | undefined;
  format?: string | undefined;
  readBy?: string | undefined;
}

export interface EditionRow {
  what: string;
  /** One for each edition, in the order given; "–" where nothing is said. */
  values: string[];
  differs: boolean;
}

/**
 * Editions of one work as a table: a row for each thing that is said of any of them.
 * `compareEditions([{ year: 1999 }, { year: 2004 }])` gives `[{ what: "Year", values: ["1999", "2004"], differs: true }]`.
 */
export function compareEditions(editions: readonly Edition[]): EditionRow[] {
  const rows: [what: string, value: (edition: Edition) => string | number | undefined][] = [
    ["Year", (edition) => edition.year],
    ["Pages", (edition) => edition.pages],
    ["Format", (edition) => edition.format],
    ["Read aloud by", (edition) => edition.readBy],
    ["ISBN", (edition) => edition.isbn13],
  ];
  return rows.flatMap(([what, value]) => {
    const values = editions.map((edition) => String(value(edition) ?? "–"));
    return values.every((one) => one === "–") ? [] : [{ what, values, differs: new Set(values).size > 1 }];
  });
}
