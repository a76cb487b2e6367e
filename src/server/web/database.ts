import { readingFrom, type Replicas } from "@/data/engine/replicas";
import type { Db } from "@/data/engine/db";
import { openReplicas, openDatabase } from "@/data/engine/open";
import { timed } from "@/data/engine/timed";
import { noteStatement } from "./metrics";
import type { Act } from "./permissions";

// One for the whole process, however many bundles of this module there are: the embedded engine has a single owner.
const holder = globalThis as { goldenSatchelDb?: Promise<Db>; goldenSatchelReplicas?: Replicas | null };

/** The open database. Opened on first use; instrumentation.ts uses it at start-up, so that a refusal is seen at once. */
export function database(): Promise<Db> {
  holder.goldenSatchelDb ??= openDatabase().then((db) => timed(db, noteStatement));
  return holder.goldenSatchelDb;
}

/** What costs the database most and only reads, or nearly. */
const mostlyRead: ReadonlySet<Act> = new Set<Act>([
  ...(["find resources", "look at resource", "see own satchel", "see coverage"] as const),
  ...(["see results", "see marks", "see how a student is doing"] as const),
]);

/** For a request that looks: from a streaming replica, where there are any and this act reads enough to be worth it. */
export async function databaseToRead(act: Act): Promise<Db> {
  const db = await database();
  // Null: looked for, and there are none.
  if (holder.goldenSatchelReplicas === undefined) holder.goldenSatchelReplicas = openReplicas();
  const replicas = holder.goldenSatchelReplicas;
  return replicas && mostlyRead.has(act) ? readingFrom(db, replicas) : db;
}
