import Papa from "papaparse";

/**
 * CSV as RFC 4180 has it, with a byte-order mark so that spreadsheets read it as UTF-8. A cell that a spreadsheet would
 * run as a formula (it begins with = + - @) gets an apostrophe in front; numbers stay numbers.
 */
export function writeCsv(rows: readonly (readonly (string | number)[])[]): string {
  const safe = rows.map((row) =>
    row.map((cell) => (typeof cell === "string" && /^[=+\-@\t\r]/.test(cell) ? `'${cell}` : cell)),
  );
  return `\uFEFF${Papa.unparse(safe, { newline: "\r\n" })}\r\n`;
}

/** Lines of a table that are read; readers of tables refuse fewer, and say so. */
export const MOST_LINES = 20_000;

/**
 * A table as it is pasted from a spreadsheet or kept as CSV: tabs, commas or semicolons between cells, quotes where needed.
 * Of a longer one the first 20,000 lines are read.
 */
export function readTable(text: string): string[][] {
  const bare = text.replace(/^\uFEFF/, "").replace(/\r\n?/g, "\n");
  const delimiter = bare.includes("\t") ? "\t" : undefined;
  const { data } = Papa.parse<string[]>(bare, {
    skipEmptyLines: false,
    preview: MOST_LINES,
    ...(delimiter && { delimiter }),
    delimitersToGuess: [",", ";", "|"],
  });
  return data;
}
