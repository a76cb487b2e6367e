/**
 * Coins and notes, in the smallest unit of each currency, largest first. As issued for circulation (from memory, 2025); XSC are the
 * crowns of the Skerry Isles. Those of other currencies are the series 1-2-5 that most are issued in, until somebody says them.
 */
const issued: Record<string, { notes: readonly number[]; coins: readonly number[] }> = {
  XSC: { notes: [10000, 5000, 2000, 1000, 500], coins: [200, 100, 50, 20, 10, 5] },
  USD: { notes: [10000, 5000, 2000, 1000, 500, 100], coins: [25, 10, 5, 1] },
  CAD: { notes: [10000, 5000, 2000, 1000, 500], coins: [200, 100, 25, 10, 5] },
  GBP: { notes: [5000, 2000, 1000, 500], coins: [200, 100, 50, 20, 10, 5, 2, 1] },
  EUR: { notes: [10000, 5000, 2000, 1000, 500], coins: [200, 100, 50, 20, 10, 5, 2, 1] },
  AUD: { notes: [10000, 5000, 2000, 1000, 500], coins: [200, 100, 50, 20, 10, 5] },
  NZD: { notes: [10000, 5000, 2000, 1000, 500], coins: [200, 100, 50, 20, 10] },
  MXN: { notes: [50000, 20000, 10000, 5000, 2000], coins: [1000, 500, 200, 100, 50] },
  DKK: { notes: [50000, 20000, 10000, 5000], coins: [2000, 1000, 500, 200, 100, 50] },
  ISK: { notes: [10000, 5000, 2000, 1000, 500], coins: [100, 50, 10, 5, 1] },
  INR: { notes: [50000, 20000, 10000, 5000, 2000, 1000], coins: [2000, 1000, 500, 200, 100] },
  JPY: { notes: [10000, 5000, 2000, 1000], coins: [500, 100, 50, 10, 5, 1] },
  CHF: { notes: [20000, 10000, 5000, 2000, 1000], coins: [500, 200, 100, 50, 20, 10, 5] },
};
const series = { notes: [10000, 5000, 2000, 1000, 500], coins: [200, 100, 50, 20, 10, 5, 2, 1] };

/** A currency by its code in ISO 4217, or XSC, the isle crown. */
export type Currency = string;
export const ISLE_CROWN = "XSC";
/** `isCurrency("GBP")` gives `true`. */
export const isCurrency = (code: string): boolean =>
  code === ISLE_CROWN || Intl.supportedValuesOf("currency").includes(code);

/** Those whose coins are known first, then all the others there are. `currencies().includes("EUR")` gives `true`. */
export const currencies = (): Currency[] => [
  ...Object.keys(issued),
  ...Intl.supportedValuesOf("currency").filter((code) => !(code in issued)),
];

/** How many digits an amount has behind the point: 2 for cents, 0 for yen. Source: ISO 4217, as Intl has it. */
const digitsOf = (currency: Currency): number =>
  new Intl.NumberFormat("en", { style: "currency", currency }).resolvedOptions().maximumFractionDigits ?? 2;

/** `currencyName("GBP", "en")` gives `"British Pound"`. */
export const currencyName = (currency: Currency, language: string): string =>
  currency === ISLE_CROWN
    ? "isle crowns"
    : (new Intl.DisplayNames([language], { type: "currency" }).of(currency) ?? currency);

export interface Piece {
  /** In the smallest unit (cents, pence). */
  worth: number;
  is: "coin" | "note";
}

/**
 * What a table of this currency offers, the largest first; `own`: the worths somebody has said, in place of those known.
 * `piecesOf("EUR", [100, 1000])` gives `[{ worth: 1000, is: "note" }, { worth: 100, is: "coin" }]`.
 */
export function piecesOf(currency: Currency, own?: readonly number[]): Piece[] {
  const { notes, coins } = issued[currency] ?? series;
  const largestCoin = coins[0]!;
  return [...new Set(own?.length ? own : [...notes, ...coins])]
    .sort((one, other) => other - one)
    .map((worth) => ({ worth, is: worth > largestCoin ? "note" : "coin" }));
}

/** An amount in the smallest unit as a number of whole ones: 1250 cents are 12.5. `inWhole(1250, "EUR")` gives `12.5`. */
export const inWhole = (amount: number, currency: Currency): number => amount / 10 ** digitsOf(currency);

const MOST_PIECES = 16;

/**
 * Worths said in whole ones (5, 2, 1, 0.5) in the smallest unit. Null where one of them is no coin, or there are too many.
 * `piecesFrom([0.5, 2], "EUR")` gives `[200, 50]`.
 */
export function piecesFrom(whole: readonly number[], currency: Currency): number[] | null {
  const worths = whole.map((one) => Math.round(one * 10 ** digitsOf(currency)));
  const good = worths.length > 0 && worths.length <= MOST_PIECES && worths.every((one) => one > 0 && one <= 1_000_000);
  return good ? [...new Set(worths)].sort((one, other) => other - one) : null;
}

/** How many of each piece lie on the table, by what one is worth. */
export type OnTable = Readonly<Record<number, number>>;

/** In the smallest unit. `totalOf({ 50: 2, 20: 1 })` gives `120`. */
export const totalOf = (table: OnTable): number =>
  Object.entries(table).reduce((sum, [worth, count]) => sum + Number(worth) * count, 0);

/**
 * The fewest pieces that make an amount, or null when none do; by trying every smaller amount, so it holds for any set of pieces.
 * `fewestPieces(80, [50, 20, 10])` gives `{ "10": 1, "20": 1, "50": 1 }`.
 */
export function fewestPieces(amount: number, worths: readonly number[]): OnTable | null {
  const best: ({ count: number; last: number } | null)[] = [{ count: 0, last: 0 }];
  for (let sum = 1; sum <= amount; sum += 1) {
    let found: { count: number; last: number } | null = null;
    for (const worth of worths) {
      const before = sum >= worth ? best[sum - worth] : null;
      if (before && (!found || before.count + 1 < found.count)) found = { count: before.count + 1, last: worth };
    }
    best.push(found);
  }
  if (!best[amount]) return null;
  const table: Record<number, number> = {};
  for (let left = amount; left > 0; left -= best[left]!.last)
    table[best[left]!.last] = (table[best[left]!.last] ?? 0) + 1;
  return table;
}

/** An amount in the smallest unit as that language writes it. `formatMoney(1250, "GBP", "en-GB")` gives `"£12.50"`. */
export function formatMoney(amount: number, currency: Currency, language: string): string {
  const whole = inWhole(amount, currency);
  if (currency !== ISLE_CROWN) return new Intl.NumberFormat(language, { style: "currency", currency }).format(whole);
  // Intl has no sign for a currency of private use.
  return `${new Intl.NumberFormat(language, { minimumFractionDigits: 2 }).format(whole)} cr`;
}
