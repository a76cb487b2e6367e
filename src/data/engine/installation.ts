import { originOf } from "./replicas";
import { one, type Queryable } from "./db";

const known = new WeakMap<object, Map<string, Promise<string>>>();

/** A random key of this installation, the same for all processes on its database; read once. */
export function installationKey(db: Queryable, purpose: "disguise"): Promise<string> {
  const origin = originOf(db);
  const keys = known.get(origin) ?? new Map<string, Promise<string>>();
  known.set(origin, keys);
  const key =
    keys.get(purpose) ??
    one<{ value: string }>(db, "select value from installation_key where purpose = $1", [purpose]).then(
      ({ value }) => value,
    );
  keys.set(purpose, key);
  key.catch(() => keys.delete(purpose));
  return key;
}
