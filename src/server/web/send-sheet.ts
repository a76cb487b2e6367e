import { writeCsv } from "@/formats/csv";
import { asAttachment } from "./send-stream";
import { writeXlsx } from "@/formats/xlsx";

type Rows = Parameters<typeof writeXlsx>[0];

const saved = (type: string, name: string, called?: string) => ({
  headers: {
    "content-type": type,
    "content-disposition": asAttachment(name, called),
  },
});

/** Rows as a file for a spreadsheet; days are ISO 8601. `called`: what it is called where names may have any letters. */
export function sendCsv(rows: Rows, name: string, called?: string): Response {
  const said = rows.map((row) =>
    row.map((cell) => (cell instanceof Date ? cell.toISOString().slice(0, 10) : (cell ?? ""))),
  );
  return new Response(writeCsv(said), saved("text/csv; charset=utf-8", `${name}.csv`, called && `${called}.csv`));
}

/** Rows as a workbook with types; `heads`: how many of them stay above when the others move. */
export const sendXlsx = async (rows: Rows, name: string, of: { name: string; heads: number }): Promise<Response> =>
  new Response(
    Buffer.from(await writeXlsx(rows, of)),
    saved("application/vnd.openxmlformats-officedocument.spreadsheetml.sheet", `${name}.xlsx`),
  );
