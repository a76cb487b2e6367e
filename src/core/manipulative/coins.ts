/** Coins and notes, in the smallest unit of each currency, largest first. As issued for circulation (from memory, 2025). */
export const currencies = ["USD", "CAD", "GBP", "EUR", "AUD", "MXN"] as const;
export type Currency = (typeof currencies)[number];

const issued: Record<Currency, { notes: readonly number[]; coins: readonly number[] }> = {
  USD: { notes: [10000, 5000, 2000, 1000, 500, 100], coins: [25, 10, 5, 1] },
  CAD: { notes: [10000, 5000, 2000, 1000, 500], coins: [200, 100, 25, 10, 5] },
  GBP: { notes: [5000, 2000, 1000, 500], coins: [200, 100, 50, 20, 10, 5, 2, 1] },
  EUR: { notes: [10000, 5000, 2000, 1000, 500], coins: [200, 100, 50, 20, 10, 5, 2, 1] },
  AUD: { notes: [10000, 5000, 2000, 1000, 500], coins: [200, 100, 50, 20, 10, 5] },
  MXN: { notes: [50000, 20000, 10000, 5000, 2000], coins: [1000, 500, 200, 100, 50] },
};

export interface Piece {
  /** In the smallest unit (cents, pence). */
  worth: number;
  is: "coin" | "note";
}

export const piecesOf = (currency: Currency): Piece[] => [
  ...issued[currency].notes.map((worth) => ({ worth, is: "note" as const })),
  ...issued[currency].coins.map((worth) => ({ worth, is: "coin" as const })),
];

/** How many of each piece lie on the table, by what one is worth. */
export type OnTable = Readonly<Record<number, number>>;

/** In the smallest unit. */
export const totalOf = (table: OnTable): number =>
  Object.entries(table).reduce((sum, [worth, count]) => sum + Number(worth) * count, 0);

/** The fewest pieces that make an amount, or null when none do; by trying every smaller amount, so it holds for any set of pieces. */
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

/** An amount in the smallest unit as that language writes it. */
export function sayMoney(amount: number, currency: Currency, language: string): string {
  return new Intl.NumberFormat(language, { style: "currency", currency }).format(amount / 100);
}
