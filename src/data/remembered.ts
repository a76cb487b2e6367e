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
const MOST_KEPT = 80;

export const searchVersion = async (db: Queryable): Promise<number> =>
  (await one<{ version: number }>(db, "select version from search_state")).version;

/** `version`: as asked for earlier in the same request, so that one request asks once. */
export async function remembered<Value>(
  db: Queryable,
  version: number | undefined,
  key: string,
  work: () => Promise<Value>,
): Promise<Value> {
  const now = version ?? (await searchVersion(db));
  const known = kept.get(db) ?? new Map<string, Kept>();
  kept.set(db, known);
  const found = known.get(key);
  if (found?.version === now) return found.value as Promise<Value>;
  const value = work();
  known.delete(key);
  known.set(key, { version: now, value });
  // The oldest goes first; a failure is not kept.
  if (known.size > MOST_KEPT) known.delete(known.keys().next().value!);
  value.catch(() => known.delete(key));
  return value;
}
