import path from "node:path";
import type { Db } from "./db";
import { migrate } from "./migrate";
import { EmbeddedDb } from "./pglite";
import { PostgresDb } from "./postgres";

export function dataFolder(): string {
  return path.resolve(/* turbopackIgnore: true */ process.env.DATA_DIR ?? ".data");
}

/**
 * The database this installation uses, brought up to date: the server named by DATABASE_URL, or else the embedded one
 * in DATA_DIR.
 * @throws FolderInUse when another process owns the folder.
 */
export async function openDatabase(): Promise<Db> {
  const url = process.env.DATABASE_URL;
  const db = url ? new PostgresDb(url) : await EmbeddedDb.open({ folder: dataFolder() });
  try {
    await migrate(db);
  } catch (error) {
    await db.close();
    throw error;
  }
  return db;
}
