import { most } from "../content/vocabulary";
import type { Block } from "../resource/block";
import type { BroughtBlock, BroughtPage } from "./brought";

/** What a table and its cells have room for; see the schema of blocks. */
const table = { columns: 20, rows: 60, letters: 400 } as const;

/**
 * Tables with more rows than there is room for become several, each with its headings.
 * `inRoom({ kind: "table", headerRow: true, rows: new Array(100).fill(["tide"]) }).length` gives `2`.
 */
export function inRoom(block: BroughtBlock): BroughtBlock[] {
  if (block.kind !== "table" || block.rows.length <= table.rows) return [block];
  const head = block.headerRow ? block.rows.slice(0, 1) : [];
  const rows = block.rows.slice(head.length);
  const each = table.rows - head.length;
  return Array.from({ length: Math.ceil(rows.length / each) }, (_, at) => ({
    ...block,
    rows: [...head, ...rows.slice(at * each, (at + 1) * each)],
  }));
}

/**
 * What of a page there is no room for, each in a sentence.
 * `withoutRoom({ blocks: [{ kind: "table", rows: [["x".repeat(401)]] }] }).length` gives `1`.
 */
export function withoutRoom({ blocks }: BroughtPage): string[] {
  const tables = blocks.flatMap((block) => (block.kind === "table" ? [block.rows] : []));
  const wide = tables.some((rows) => rows.some((row) => row.length > table.columns));
  const long = tables.some((rows) => rows.some((row) => row.some((cell) => cell.length > table.letters)));
  return [
    ...(wide ? [`Columns of a table beyond the ${table.columns}th.`] : []),
    ...(long ? [`What a table’s cell says beyond ${table.letters} letters.`] : []),
  ];
}

/**
 * The cells there is room for, every row as wide as the widest.
 * `cellsOf([["Time", "Height"], ["08:40"]])` gives `[["Time", "Height"], ["08:40", ""]]`.
 */
export function cellsOf(rows: readonly (readonly string[])[]): string[][] {
  const wide = Math.min(table.columns, Math.max(1, ...rows.map((row) => row.length)));
  return rows.map((row) => Array.from({ length: wide }, (_, at) => (row[at] ?? "").slice(0, table.letters)));
}

/** Blocks by steps that have room for them. `byRoom([])` gives `[[]]`. */
export const byRoom = (blocks: readonly Block[]): Block[][] =>
  Array.from({ length: Math.max(1, Math.ceil(blocks.length / most.blocks)) }, (_, at) =>
    blocks.slice(at * most.blocks, (at + 1) * most.blocks),
  );
