import type { Report, ReportBlock } from "./report";

type Cell = string | number | Date | null;

/** More columns than these do not fit a page on its side: what is left over goes into tables of its own. */
const MOST_COLUMNS = 12;
const WIDE_FROM = 6;

/** A day as everybody reads it, whatever order their country writes it in: "19 Nov 2026". */
const day = new Intl.DateTimeFormat("en-GB", { day: "numeric", month: "short", year: "numeric", timeZone: "UTC" });
const said = (cell: Cell): string => (cell === null ? "" : typeof cell === "object" ? day.format(cell) : String(cell));

/**
 * Rows as they go into a spreadsheet, as a report: the first `heads` rows are what stands in each column. Of a table that is too
 * wide the first `kept` columns stand in each of its parts.
 * `tableReport([["Name", "Marks"], ["Ana", 3]], { title: "Marks", subtitle: "", author: "Ines", heads: 1, kept: 1 }).sections[0].blocks[1].rows` gives `[["Ana", "3"]]`.
 */
export function tableReport(
  rows: readonly (readonly Cell[])[],
  of: { title: string; subtitle: string; author: string; heads: number; kept: number },
): Report {
  const columns = Math.max(0, ...rows.map(({ length }) => length));
  const head = Array.from({ length: columns }, (_, at) =>
    rows
      .slice(0, of.heads)
      .map((row) => said(row[at] ?? null))
      .filter(Boolean)
      .join("\n"),
  );
  const body = rows.slice(of.heads).map((row) => head.map((_, at) => said(row[at] ?? null)));
  const each = MOST_COLUMNS - of.kept;
  const parts = columns <= MOST_COLUMNS ? 1 : Math.ceil((columns - of.kept) / each);
  const pick = <One>(row: readonly One[], part: number): One[] =>
    parts === 1
      ? [...row]
      : [...row.slice(0, of.kept), ...row.slice(of.kept + part * each, of.kept + (part + 1) * each)];
  const tables = Array.from({ length: parts }, (_, part): ReportBlock => {
    const caption = parts === 1 ? of.title : `${of.title}, part ${part + 1} of ${parts}`;
    return { kind: "table", caption, head: pick(head, part), rows: body.map((row) => pick(row, part)) };
  });
  return {
    ...{ title: of.title, language: "en", author: of.author, wide: columns >= WIDE_FROM },
    sections: tables.map((table, at) => ({
      title: at === 0 ? of.title : `${of.title}, part ${at + 1}`,
      ...{ shown: true, language: "en" },
      blocks: [{ kind: "text", text: of.subtitle, soft: true }, table],
    })),
  };
}
