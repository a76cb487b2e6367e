import { needParameters, satisfiesAll, type ReadNeed } from "./conditions";
import { one, type Queryable } from "../engine/db";
import { reached, type Reader } from "./reach";

/** How many results of a need became findable, or were revised, after a moment. */
export async function freshSince(db: Queryable, reader: Reader, read: ReadNeed, since: Date): Promise<number> {
  const list = needParameters(reader, read);
  const row = await one<{ entries: number }>(
    db,
    `select count(*)::int entries from search_entry e, ${reached}
      where e.fresh > ${list.add(since)} and e.owner_id <> $1 and ${satisfiesAll(read, list)}`,
    list.values,
  );
  return row.entries;
}
