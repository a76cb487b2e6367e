import { existsSync, mkdirSync, rmSync, writeFileSync } from "node:fs";
import path from "node:path";
import type { Db } from "./db";
import { migrate } from "./migrate";
import { EmbeddedDb } from "./pglite";
import { Replicas } from "./replicas";
import { replicaAt, PostgresDb } from "./postgres";

export function dataFolder(): string {
  return path.resolve(/* turbopackIgnore: true */ process.env.DATA_DIR ?? ".data");
}

/** The data folder cannot be written in; the message says which and what to do. */
export class FolderNotWritable extends Error {
  constructor(folder: string, reason: string) {
    super(
      `Nothing can be saved in the folder ${folder} (${reason}). ` +
        "Make room there or let Golden Satchel write in it, or set DATA_DIR to another folder. Nothing was changed.",
    );
    this.name = "FolderNotWritable";
  }
}

/** A file or two's worth is written and taken away again: a full disk lets folders be made, and says so only then. */
function mustBeWritable(folder: string): void {
  const probe = path.join(folder, `.probe-${process.pid}`);
  try {
    mkdirSync(folder, { recursive: true });
    writeFileSync(probe, new Uint8Array(65_536));
  } catch (error) {
    const { code = "" } = error as NodeJS.ErrnoException;
    const reason = { ENOSPC: "it is full", EDQUOT: "it is full", EROFS: "it is read-only", EACCES: "it is read-only" }[
      code
    ];
    throw new FolderNotWritable(folder, reason ?? code);
  } finally {
    if (existsSync(probe)) rmSync(probe);
  }
}

/** The database this installation uses, as it is. `patience`: how many seconds to wait for another owner of the folder to let go. */
export async function openUnchanged(patience?: number): Promise<Db> {
  mustBeWritable(dataFolder());
  const url = process.env.DATABASE_URL;
  return url
    ? new PostgresDb(url, process.env.DATABASE_LISTEN_URL || url)
    : EmbeddedDb.open({ folder: dataFolder(), ...(patience !== undefined && { patience }) });
}

/**
 * The database this installation uses, brought up to date: the server named by DATABASE_URL, or else the embedded one
 * in DATA_DIR.
 * @throws FolderInUse when another process owns the folder.
 * @throws FolderNotWritable when the folder is full or read-only.
 */
export async function openDatabase(): Promise<Db> {
  const db = await openUnchanged();
  try {
    await migrate(db);
  } catch (error) {
    await db.close();
    throw error;
  }
  return db;
}

/** The streaming replicas of DATABASE_READ_URL, addresses with spaces between; null: there are none. */
export function openReplicas(): Replicas | null {
  const urls = (process.env.DATABASE_READ_URL ?? "").split(/\s+/).filter(Boolean);
  return process.env.DATABASE_URL && urls.length > 0 ? new Replicas(urls.map(replicaAt)) : null;
}
