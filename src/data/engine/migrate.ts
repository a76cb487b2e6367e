import { readdirSync, readFileSync } from "node:fs";
import path from "node:path";
import type { Db } from "./db";

/** Any number would do, so long as every process of ours uses the same. */
const LOCK = 7_201_844;

const ownFolder = () => path.join(/* turbopackIgnore: true */ process.cwd(), "migrations");

/** The names of the migrations in a folder, in order. */
export const migrationsIn = (folder = ownFolder()): string[] =>
  readdirSync(folder)
    .filter((name) => /^\d{4}_.*\.sql$/.test(name))
    .sort();

/**
 * Applies the files of `migrations/` that this database has not seen, in order, each wholly or not at all.
 * Runs under a lock, so several processes may start at once. Returns the names applied.
 * @param only these and no later ones: the state of an older version
 */
export async function migrate(db: Db, folder = ownFolder(), only?: ReadonlySet<string>): Promise<string[]> {
  const files = migrationsIn(folder).filter((name) => !only || only.has(name));
  return db.transaction(async (tx) => {
    await tx.query("select pg_advisory_xact_lock($1)", [LOCK]);
    await tx.script("create table if not exists migration (name text primary key, applied timestamptz not null)");
    const seen = new Set((await tx.query<{ name: string }>("select name from migration")).map((row) => row.name));
    const fresh = files.filter((name) => !seen.has(name));
    for (const name of fresh) {
      await tx.script(readFileSync(path.join(folder, name), "utf8"));
      await tx.query("insert into migration (name, applied) values ($1, now())", [name]);
    }
    return fresh;
  });
}
