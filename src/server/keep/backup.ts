import { randomUUID } from "node:crypto";
import { createWriteStream, mkdirSync } from "node:fs";
import { rename, rm } from "node:fs/promises";
import path from "node:path";
import { pipeline } from "node:stream/promises";
import { createGzip } from "node:zlib";
import { pack, type Pack } from "tar-stream";
import type { Db, Queryable } from "@/data/engine/db";
import { migrationsOf, rowsOf, tablesOf } from "@/data/keep/tables";
import { everyKept, openKept } from "../files/files";
import { sealing } from "./sealed";

/**
 * A backup is a tar.gz that any program opens: `backup.json` (what made it), `tables/<name>/<nth>.ndjson` (a row a line), `media/<sha256>`, and
 * `counts.json` at its end: what is in it, counted. A file without its end is no backup.
 */
export const FORMAT = 1;

export interface BackupHead {
  format: number;
  made: string;
  migrations: string[];
}

export interface BackupCounts {
  /** Rows by table. */
  tables: Record<string, number>;
  media: number;
}

/** What takes the pieces; `broken` fails when they cannot be written any more, so that nobody waits for a piece to be taken. */
interface To {
  tar: Pack;
  broken: Promise<never>;
}

const put = ({ tar, broken }: To, name: string, text: string) =>
  Promise.race([
    broken,
    new Promise<void>((done, fail) => tar.entry({ name }, text, (error) => (error ? fail(error) : done()))),
  ]);

async function putFile({ tar, broken }: To, sha256: string): Promise<void> {
  const { bytes, stream } = await openKept(sha256);
  await Promise.race([broken, pipeline(stream, tar.entry({ name: `media/${sha256}`, size: bytes }))]);
}

async function putTables(tx: Queryable, to: To): Promise<BackupCounts["tables"]> {
  const counts: Record<string, number> = {};
  for (const table of await tablesOf(tx)) {
    let [count, nth] = [0, 0];
    for await (const rows of rowsOf(tx, table)) {
      await put(to, `tables/${table.name}/${String((nth += 1)).padStart(6, "0")}.ndjson`, `${rows.join("\n")}\n`);
      count += rows.length;
    }
    counts[table.name] = count;
  }
  return counts;
}

/**
 * Writes everything into a file, while the system runs: the tables as they are at one moment, and every stored file. The file has its name only
 * when it is whole.
 * @param passphrase seals it
 * @returns how much is in it
 */
export async function writeBackup(
  db: Db,
  file: string,
  of: { now: Date; passphrase?: string | undefined },
): Promise<BackupCounts> {
  mkdirSync(path.dirname(file), { recursive: true });
  // Two processes may write one at the same moment: each its own, and the last one counts.
  const part = `${file}.${randomUUID()}.part`;
  const tar = pack();
  const out = createWriteStream(part, { mode: 0o600 });
  const written = of.passphrase
    ? pipeline(tar, createGzip(), await sealing(of.passphrase), out)
    : pipeline(tar, createGzip(), out);
  const broken = written.then(() => new Promise<never>(() => undefined));
  // Between two pieces nobody hears it.
  broken.catch(() => undefined);
  const to = { tar, broken };
  const fill = async (): Promise<BackupCounts> => {
    const tables = await db.transaction(async (tx) => {
      await tx.script("set transaction isolation level repeatable read");
      const head: BackupHead = { format: FORMAT, made: of.now.toISOString(), migrations: await migrationsOf(tx) };
      await put(to, "backup.json", JSON.stringify(head, null, 2));
      return putTables(tx, to);
    });
    // Files are never changed once they are there, and none goes within a month of being named last: they may come after.
    let media = 0;
    for await (const sha256 of everyKept()) {
      await putFile(to, sha256);
      media += 1;
    }
    const counts = { tables, media };
    await put(to, "counts.json", JSON.stringify(counts, null, 2));
    tar.finalize();
    return counts;
  };
  try {
    const [counts] = await Promise.all([
      fill().catch((error: Error) => {
        tar.destroy(error);
        throw error;
      }),
      written,
    ]);
    await rename(part, file);
    return counts;
  } catch (error) {
    await rm(part, { force: true }).catch(() => undefined);
    throw error;
  }
}

/** "golden-satchel-2026-11-29-0315.tar.gz". */
export const backupName = (now: Date, isSealed: boolean): string =>
  `golden-satchel-${now.toISOString().slice(0, 16).replace("T", "-").replace(":", "")}.tar.gz${isSealed ? ".sealed" : ""}`;
