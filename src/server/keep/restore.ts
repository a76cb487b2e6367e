import { createHash } from "node:crypto";
import { createReadStream } from "node:fs";
import { rm } from "node:fs/promises";
import { pipeline } from "node:stream";
import { createGunzip } from "node:zlib";
import { extract } from "tar-stream";
import { z } from "zod";
import type { Db, Queryable } from "@/data/engine/db";
import { migrate, migrationsIn } from "@/data/engine/migrate";
import { closeTables, openTables, putRows, tablesOf, type Table } from "@/data/keep/tables";
import { keepFile } from "../files/files";
import { FORMAT, type BackupCounts } from "./backup";
import { isSealed, unseal } from "./sealed";

/** Why a backup was not restored, for the person who asked. Nothing was changed. */
export class CannotRestore extends Error {
  constructor(message: string) {
    super(message);
    this.name = "CannotRestore";
  }
}

const Head = z.object({ format: z.number(), made: z.string(), migrations: z.array(z.string()) });
const Counts = z.object({ tables: z.record(z.string(), z.number()), media: z.number() });

type Entry = AsyncIterable<Buffer> & { header: { name: string } };

async function bytesOf(entry: Entry): Promise<Buffer> {
  const parts: Buffer[] = [];
  for await (const part of entry) parts.push(part);
  return Buffer.concat(parts);
}

const readJson = <Value>(schema: z.ZodType<Value>, bytes: Buffer): Value => {
  try {
    return schema.parse(JSON.parse(bytes.toString("utf8")));
  } catch {
    throw new CannotRestore("This is not a backup of Golden Satchel.");
  }
};

/** A database without people: nothing in it is lost. */
async function mustBeEmpty(db: Db): Promise<void> {
  const [{ known } = { known: false }] = await db.query<{ known: boolean }>(
    "select to_regclass('public.person') is not null known",
  );
  const people = known ? await db.query("select 1 from person limit 1") : [];
  if (people.length > 0)
    throw new CannotRestore(
      "There is a school here already. Restore into an empty folder (DATA_DIR) or an empty database (DATABASE_URL).",
    );
}

/**
 * Puts a backup into an empty database, whatever engine made it, and brings it up to date. All of it or nothing; counted at the end, every file
 * checked by its hash, every reference by the database.
 * @param db nothing has been applied to it yet
 * @throws CannotRestore in words
 */
export async function restoreBackup(
  db: Db,
  file: string,
  passphrase: string | undefined,
): Promise<BackupCounts & { made: string }> {
  await mustBeEmpty(db);
  if (!(await isSealed(file))) return restore(db, file);
  if (!passphrase) throw new CannotRestore("This backup is sealed. Say its passphrase in BACKUP_PASSPHRASE.");
  const open = `${file}.open`;
  try {
    await unseal(file, passphrase, open);
    return await restore(db, open);
  } finally {
    await rm(open, { force: true });
  }
}

async function restore(db: Db, file: string): Promise<BackupCounts & { made: string }> {
  const entries = extract();
  // What goes wrong on the way comes out of the last of them.
  pipeline(createReadStream(file), createGunzip(), entries, () => undefined);
  const each = (entries as unknown as AsyncIterable<Entry>)[Symbol.asyncIterator]();
  const next = async (): Promise<Entry | null> => {
    try {
      const { value, done } = (await each.next()) as { value: Entry; done: boolean };
      return done ? null : value;
    } catch {
      throw new CannotRestore("This file is damaged, or not a backup of Golden Satchel.");
    }
  };
  const first = await next();
  if (first?.header.name !== "backup.json") throw new CannotRestore("This is not a backup of Golden Satchel.");
  const head = readJson(Head, await bytesOf(first));
  const unknown = head.migrations.filter((name) => !migrationsIn().includes(name));
  if (head.format > FORMAT || unknown.length > 0)
    throw new CannotRestore("This backup was made by a newer Golden Satchel. Install that one first.");
  // As the database was when the backup was made; then on, as with any update.
  await migrate(db, undefined, new Set(head.migrations));
  const counts = await db.transaction(async (tx) => {
    const keys = await openTables(tx);
    const found = await putEverything(tx, next);
    await closeTables(tx, keys);
    return found;
  });
  await migrate(db);
  await db.script("analyze");
  return { ...counts, made: head.made };
}

async function putEverything(tx: Queryable, next: () => Promise<Entry | null>): Promise<BackupCounts> {
  const tables = new Map<string, Table>((await tablesOf(tx)).map((table) => [table.name, table]));
  const found: BackupCounts = { tables: {}, media: 0 };
  for (let entry = await next(); entry; entry = await next()) {
    const [kind, name = ""] = entry.header.name.split("/");
    const bytes = await bytesOf(entry);
    if (kind === "counts.json") {
      const said = readJson(Counts, bytes);
      for (const [table, count] of Object.entries(said.tables))
        if ((found.tables[table] ?? 0) !== count)
          throw new CannotRestore(`Of “${table}” there are ${found.tables[table] ?? 0} rows and not ${count}.`);
      if (found.media !== said.media)
        throw new CannotRestore(`There are ${found.media} files in it and not ${said.media}.`);
      return said;
    }
    if (kind === "media") {
      if (createHash("sha256").update(bytes).digest("hex") !== name)
        throw new CannotRestore(`The file ${name.slice(0, 12)}… is damaged.`);
      await keepFile(bytes);
      found.media += 1;
      continue;
    }
    const table = kind === "tables" ? tables.get(name) : undefined;
    if (!table)
      throw new CannotRestore(`There is something in this backup that is not known here: ${entry.header.name}.`);
    const rows = bytes.toString("utf8").split("\n").filter(Boolean);
    found.tables[name] = (found.tables[name] ?? 0) + (await putRows(tx, table, rows));
  }
  throw new CannotRestore("This backup is not whole: its end is missing.");
}
