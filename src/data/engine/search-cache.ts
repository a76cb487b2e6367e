import { originOf } from "./replicas";
import { one, type Queryable } from "./db";

/**
 * What was worked out over everything there is, kept until something findable changes. The database is asked for the
 * version of the search, so several processes on one database agree; a change is seen by the next request.
 */
interface Kept {
  version: number;
  value: Promise<unknown>;
}
const kept = new WeakMap<object, Map<string, Kept>>();
const MOST_KEPT = 200;

/** To be called where something changes that is remembered and is not in search_entry: frameworks, sets. */
export async function forgetSearchCache(tx: Queryable): Promise<void> {
  await tx.query("update search_state set version = version + 1");
}

export const searchVersion = async (db: Queryable): Promise<number> =>
  (await one<{ version: number }>(db, "select version from search_state")).version;

/** `version`: as asked for earlier in the same request, so that one request asks once. */
export async function searchCache<Value>(
  db: Queryable,
  version: number | undefined,
  key: string,
  work: () => Promise<Value>,
): Promise<Value> {
  const now = version ?? (await searchVersion(db));
  const origin = originOf(db);
  const known = kept.get(origin) ?? new Map<string, Kept>();
  kept.set(origin, known);
  const found = known.get(key);
  known.delete(key);
  if (found?.version === now) {
    known.set(key, found);
    return found.value as Promise<Value>;
  }
  const value = work();
  known.set(key, { version: now, value });
  // What was not asked for the longest goes first; a failure is not kept.
  if (known.size > MOST_KEPT) known.delete(known.keys().next().value!);
  value.catch(() => known.delete(key));
  return value;
}
