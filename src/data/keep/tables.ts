import { one, type Queryable } from "../engine/db";

/**
 * Every table as rows of JSON, and back: the same on both engines, so that a backup of one can be restored into the other. Nothing here knows
 * what the tables are about.
 */
export interface Table {
  name: string;
  /** Those that are stored; what the database works out itself is worked out again. */
  columns: string[];
}

/** What ends by itself within a day, and lets somebody in: people sign in again after a restore. */
const passing = ["session", "lti_login", "lti_choice", "provider_login", "second_step", "try_count"];

export async function tablesOf(db: Queryable): Promise<Table[]> {
  return db.query<Table>(
    `select c.relname as name, array_agg(a.attname::text order by a.attnum) columns
       from pg_class c join pg_attribute a on a.attrelid = c.oid and a.attnum > 0 and not a.attisdropped and a.attgenerated = ''
      where c.relnamespace = 'public'::regnamespace and c.relkind in ('r', 'p') and not c.relispartition
        and not c.relname = any($1::text[])
      group by c.relname order by c.relname`,
    [passing],
  );
}

const quoted = (name: string) => `"${name.replaceAll('"', '""')}"`;

/** The migrations this database has seen, in order. */
export const migrationsOf = async (db: Queryable): Promise<string[]> =>
  (await db.query<{ name: string }>("select name from migration order by name")).map(({ name }) => name);

const ROWS = 2_000;

/** The rows of a table as JSON, a piece at a time. Within a transaction: a cursor goes through them. */
export async function* rowsOf(tx: Queryable, { name, columns }: Table): AsyncGenerator<string[]> {
  const list = columns.map(quoted).join(", ");
  await tx.script(
    `declare every_row no scroll cursor for select row_to_json(r)::text as row from (select ${list} from ${quoted(name)}) r`,
  );
  for (;;) {
    const rows = await tx.query<{ row: string }>(`fetch ${ROWS} from every_row`);
    if (rows.length === 0) break;
    yield rows.map(({ row }) => row);
  }
  await tx.script("close every_row");
}

interface ForeignKey {
  table: string;
  name: string;
  definition: string;
}

/**
 * Empties every table and opens it for rows in any order: references are not asked until `closeTables` has put them back.
 * @returns what `closeTables` needs
 */
export async function openTables(tx: Queryable): Promise<ForeignKey[]> {
  const tables = await tablesOf(tx);
  const keys = await tx.query<ForeignKey>(
    `select conrelid::regclass::text as "table", conname as name, pg_get_constraintdef(oid) definition
       from pg_constraint where contype = 'f' and connamespace = 'public'::regnamespace order by 1, 2`,
  );
  for (const { table, name } of keys) await tx.script(`alter table ${table} drop constraint ${quoted(name)}`);
  const names = tables.map(({ name }) => quoted(name));
  for (const name of names) await tx.script(`alter table ${name} disable trigger user`);
  await tx.script(`truncate ${names.join(", ")}`);
  return keys;
}

/** Puts rows in as they were, numbers and all. Returns how many. */
export async function putRows(tx: Queryable, { name, columns }: Table, rows: readonly string[]): Promise<number> {
  const list = columns.map(quoted).join(", ");
  const { count } = await one<{ count: number }>(
    tx,
    `with put as (insert into ${quoted(name)} (${list}) overriding system value
       select ${list} from jsonb_populate_recordset(null::${quoted(name)}, $1::jsonb) returning 1)
     select count(*)::int count from put`,
    [`[${rows.join(",")}]`],
  );
  return count;
}

/** Puts references and triggers back, and lets numbers go on where they were. @throws DatabaseError when something names what is not there */
export async function closeTables(tx: Queryable, keys: readonly ForeignKey[]): Promise<void> {
  for (const { table, name, definition } of keys)
    await tx.script(`alter table ${table} add constraint ${quoted(name)} ${definition}`);
  for (const { name } of await tablesOf(tx)) await tx.script(`alter table ${quoted(name)} enable trigger user`);
  const numbered = await tx.query<{ table: string; column: string }>(
    `select c.relname as "table", a.attname as "column" from pg_class c join pg_attribute a on a.attrelid = c.oid
      where c.relnamespace = 'public'::regnamespace and c.relkind = 'r' and a.attidentity <> ''`,
  );
  for (const { table, column } of numbered)
    await tx.query(
      `select setval(pg_get_serial_sequence($1, $2), coalesce(max(${quoted(column)}), 1), max(${quoted(column)}) is not null)
         from ${quoted(table)}`,
      [quoted(table), column],
    );
}

/** How many rows of each reference name something that is not there. None in a database that is whole. */
export async function brokenReferences(db: Queryable): Promise<{ table: string; key: string; count: number }[]> {
  const keys = await db.query<{ name: string; table: string; other: string; columns: string[]; others: string[] }>(
    `select conname as name, conrelid::regclass::text as "table", confrelid::regclass::text other,
            (select array_agg(attname::text order by n) from unnest(conkey) with ordinality k(num, n)
               join pg_attribute a on a.attrelid = conrelid and a.attnum = k.num) columns,
            (select array_agg(attname::text order by n) from unnest(confkey) with ordinality k(num, n)
               join pg_attribute a on a.attrelid = confrelid and a.attnum = k.num) others
       from pg_constraint where contype = 'f' and connamespace = 'public'::regnamespace`,
  );
  const broken: { table: string; key: string; count: number }[] = [];
  for (const { name, table, other, columns, others } of keys) {
    const joined = columns.map((column, at) => `o.${quoted(others[at]!)} = t.${quoted(column)}`).join(" and ");
    const said = columns.map((column) => `t.${quoted(column)} is not null`).join(" and ");
    const { count } = await one<{ count: number }>(
      db,
      `select count(*)::int count from ${table} t where ${said} and not exists (select 1 from ${other} o where ${joined})`,
    );
    if (count > 0) broken.push({ table, key: name, count });
  }
  return broken;
}
