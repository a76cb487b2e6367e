import type { Db } from "@/data/engine/db";
import { openDatabase } from "@/data/engine/open";
import { timed } from "@/data/engine/timed";
import { noteStatement } from "./metrics";

// One for the whole process, however many bundles of this module there are: the embedded engine has a single owner.
const holder = globalThis as { goldenSatchelDb?: Promise<Db> };

/** The open database. Opened on first use; instrumentation.ts uses it at start-up, so that a refusal is seen at once. */
export function database(): Promise<Db> {
  holder.goldenSatchelDb ??= openDatabase().then((db) => timed(db, noteStatement));
  return holder.goldenSatchelDb;
}
