import { one, type Db, type Queryable } from "./db";

/**
 * What was worked out over everything there is, kept until something findable changes. Every use asks the database for
 * the version of the search, so several processes on one database agree; a change is seen by the next request.
 */
interface Kept {
  version: number;
  value: Promise<unknown>;
}
const kept = new WeakMap<object, Map<string, Kept>>();
const MOST_KEPT = 200;

export async function remembered<Value>(db: Queryable, key: string, work: () => Promise<Value>): Promise<Value> {
  const { version } = await one<{ version: number }>(db, "select version::int8 as version from search_state");
  const known = kept.get(db as Db) ?? new Map<string, Kept>();
  kept.set(db as Db, known);
  const found = known.get(key);
  if (found?.version === version) return found.value as Promise<Value>;
  const value = work();
  known.delete(key);
  known.set(key, { version, value });
  // The oldest goes first; a failure is not kept.
  if (known.size > MOST_KEPT) known.delete(known.keys().next().value!);
  value.catch(() => known.delete(key));
  return value;
}
