/** `--n 5000,50000` and `--json` of a benchmark's command line. */
export function readOptions(usual: { n: number[] }): { n: number[]; json: boolean } {
  const given = process.argv.slice(2);
  const at = given.indexOf("--n");
  const n = at < 0 ? usual.n : (given[at + 1] ?? "").split(",").map(Number);
  if (n.some((count) => !Number.isInteger(count) || count < 1))
    throw new Error("--n takes whole numbers, separated by commas");
  return { n, json: given.includes("--json") };
}

/** The p-th percentile of durations in milliseconds, to a tenth. */
export function percentile(durations: readonly number[], p: number): number {
  const sorted = [...durations].sort((a, b) => a - b);
  return Math.round(sorted[Math.min(sorted.length - 1, Math.floor((p / 100) * sorted.length))]! * 10) / 10;
}

/** As a table for people, or, with `json`, one object a line for scripts. */
export function printTable(rows: readonly Record<string, string | number | undefined>[], json: boolean): void {
  if (json) for (const row of rows) console.log(JSON.stringify(row));
  else console.table(rows);
}

/** The mean of values, to a thousandth. */
export const mean = (values: readonly number[]): number =>
  Math.round((1000 * values.reduce((sum, one) => sum + one, 0)) / values.length) / 1000;
