import { randomBytes } from "node:crypto";
import path from "node:path";
import type { Db } from "../engine/db";
import { EmbeddedDb } from "../engine/pglite";
import { PostgresDb } from "../engine/postgres";

const template = path.resolve(__dirname, "../../../.data/test-template.tar");

/** An empty database of one test file's own: embedded, or on the server named by TEST_DATABASE_URL. */
export async function freshDatabase(): Promise<Db> {
  const server = process.env.TEST_DATABASE_URL;
  if (!server) return EmbeddedDb.open({ template });
  const name = `satchel_test_${randomBytes(6).toString("hex")}`;
  const admin = new PostgresDb(server);
  // Migrated once for all of them: prepare.mjs.
  await admin.query(`create database ${name} template satchel_test_template strategy file_copy`);
  const url = new URL(server);
  url.pathname = `/${name}`;
  const db = new PostgresDb(url.toString());
  const close = db.close.bind(db);
  db.close = async () => {
    await close();
    await admin.query(`drop database ${name}`);
    await admin.close();
  };
  return db;
}

/** What a database has from its migrations on. */
const kept = ["migration", "search_state", "installation_key"];

/**
 * Takes everything away that tests have written. Numbers go on where they were, so that nobody takes a new row for an old one. For
 * files whose every test begins with an empty school: a fresh database takes a second and more each time.
 */
export async function emptied(db: Db): Promise<Db> {
  await db.query(`
    do $$
    declare name text;
    begin
      perform set_config('session_replication_role', 'replica', true);
      for name in select c.oid::regclass from pg_class c
        where c.relkind = 'r' and c.relnamespace = 'public'::regnamespace and c.relname not in (${kept.map((one) => `'${one}'`).join()})
      loop execute 'delete from ' || name; end loop;
    end $$`);
  return db;
}
