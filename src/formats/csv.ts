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

/** A table as it is pasted from a spreadsheet or kept as CSV: tabs, commas or semicolons between cells, quotes where needed. */
export function readTable(text: string): string[][] {
  const bare = text.replace(/^\uFEFF/, "").replace(/\r\n?/g, "\n");
  const delimiter = bare.includes("\t") ? "\t" : undefined;
  const { data } = Papa.parse<string[]>(bare, {
    skipEmptyLines: false,
    ...(delimiter && { delimiter }),
    delimitersToGuess: [",", ";", "|"],
  });
  return data;
}
