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
