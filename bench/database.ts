import { mkdtempSync, rmSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import type { Db } from "@/data/engine/db";
import { EmbeddedDb } from "@/data/engine/pglite";
import { PostgresDb } from "@/data/engine/postgres";

/** A database for one measurement: embedded, or, with DATABASE_URL, one of its own on that server. */
export async function emptyDatabase(): Promise<{ db: Db; drop: () => Promise<void> }> {
  const server = process.env.DATABASE_URL;
  if (server) {
    const name = `satchel_bench_${process.pid}`;
    const admin = new PostgresDb(server);
    await admin.query(`create database ${name}`);
    const url = new URL(server);
    url.pathname = `/${name}`;
    const db = new PostgresDb(url.toString());
    const drop = async () => {
      await db.close();
      await admin.query(`drop database ${name}`);
      await admin.close();
    };
    return { db, drop };
  }
  const folder = mkdtempSync(path.join(os.tmpdir(), "satchel-bench-"));
  const db = await EmbeddedDb.open({ folder });
  const drop = async () => {
    await db.close();
    rmSync(folder, { recursive: true, force: true });
  };
  return { db, drop };
}
