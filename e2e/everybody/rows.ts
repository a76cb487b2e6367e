import type { Db, Queryable } from "@/data/engine/db";
import { rowsOf, tablesOf } from "@/data/keep/tables";

/** Every row of every table, as JSON. */
export type Rows = Record<string, string[]>;

export const rowsByTable = (db: Db): Promise<Rows> =>
  db.transaction(async (tx) => {
    const rows: Rows = {};
    for (const table of await tablesOf(tx)) {
      rows[table.name] = [];
      for await (const some of rowsOf(tx, table)) rows[table.name]!.push(...some);
    }
    return rows;
  });

interface Reference {
  table: string;
  column: string;
  to: string;
}
const referencesOf = (db: Queryable): Promise<Reference[]> =>
  db.query(
    `select c.conrelid::regclass::text as "table", a.attname::text as column, c.confrelid::regclass::text as to
       from pg_constraint c join pg_attribute a on a.attrelid = c.conrelid and a.attnum = c.conkey[1]
      where c.contype = 'f' and c.connamespace = 'public'::regnamespace and array_length(c.conkey, 1) = 1`,
  );

/** Kept by the program for itself: what it counted, and whom it let in. */
const bookkeeping = new Set([
  "search_state",
  "search_tally",
  "search_word",
  "search_entry",
  "try_count",
  "outbox",
  "job",
]);

/**
 * What was changed that is not the doing of `own` to what is theirs: rows that are gone or changed, and new ones that lead to none of them.
 *
 * @returns a line for each, with the table
 */
export async function changedOfOthers(
  db: Db,
  before: Rows,
  own: Readonly<Record<string, readonly number[]>>,
): Promise<string[]> {
  const after = await rowsByTable(db);
  const references = await referencesOf(db);
  const owned = new Map(Object.entries(own).map(([table, ids]) => [table, new Set(ids)]));
  const fresh: { table: string; row: Record<string, unknown>; text: string }[] = [];
  const wrong: string[] = [];
  for (const [table, rows] of Object.entries(after)) {
    if (bookkeeping.has(table)) continue;
    const [was, is] = [new Set(before[table]), new Set(rows)];
    for (const text of was) {
      if (is.has(text)) continue;
      const row = JSON.parse(text) as Record<string, unknown>;
      if (!(table in own && own[table]!.includes(Number(row.id)))) wrong.push(`gone or changed in ${table}: ${text}`);
    }
    for (const text of is)
      if (!was.has(text)) fresh.push({ table, row: JSON.parse(text) as Record<string, unknown>, text });
  }
  const isOwn = ({ table, row }: (typeof fresh)[number]) =>
    owned.get(table)?.has(Number(row.id)) ||
    references.some((of) => of.table === table && owned.get(of.to)?.has(Number(row[of.column])));
  // What leads to something of theirs is theirs, however long the way.
  for (let more = true; more;) {
    more = false;
    for (const one of fresh) {
      if (typeof one.row.id !== "number" || owned.get(one.table)?.has(one.row.id) || !isOwn(one)) continue;
      owned.set(one.table, (owned.get(one.table) ?? new Set()).add(one.row.id));
      more = true;
    }
  }
  return [...wrong, ...fresh.filter((one) => !isOwn(one)).map(({ table, text }) => `new in ${table}: ${text}`)];
}
