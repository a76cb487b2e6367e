import writeExcelFile from "write-excel-file/node";

/** What stands in a cell of a spreadsheet: a date is a day without a clock or a zone, as at midnight UTC. */
export type SheetCell = string | number | Date | null;

const LONGEST_NAME = 31;

/**
 * A workbook of one sheet, as Office Open XML has it: numbers are numbers, days are days, and text is text, whatever it begins
 * with. The first `heads` rows and the first column stay in sight.
 */
export async function writeXlsx(
  rows: readonly (readonly SheetCell[])[],
  { name, heads }: { name: string; heads: number },
): Promise<Uint8Array> {
  const wide = Math.max(0, ...rows.map(({ length }) => length));
  const data = rows.map((row, at) =>
    row.map((value) => {
      if (value === null || value === "") return null;
      const bold = at < heads ? { fontWeight: "bold" as const, wrap: true } : {};
      if (typeof value === "object") return { value, type: Date, format: "yyyy-mm-dd", ...bold };
      return typeof value === "number" ? { value, type: Number, ...bold } : { value, type: String, ...bold };
    }),
  );
  const buffer = await writeExcelFile(data, {
    // A sheet's name may not have these.
    sheet: name.replace(/[\\/?*[\]:]/g, " ").slice(0, LONGEST_NAME) || "Sheet",
    columns: Array.from({ length: wide }, (_, at) => ({ width: at === 0 ? 26 : 14 })),
    stickyRowsCount: heads,
    stickyColumnsCount: 1,
  }).toBuffer();
  return new Uint8Array(buffer);
}
