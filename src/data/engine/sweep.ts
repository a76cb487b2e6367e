import type { Db, Queryable } from "./db";

/** How many days things are kept that nobody comes back to. Common practice: half a school year, and a month for files. */
export const keptDays = { events: 180, viewed: 180, unusedMedia: 30 } as const;

const DAY_MS = 86_400_000;
const before = (now: Date, days: number) => new Date(now.getTime() - days * DAY_MS);

/** Takes away what was done so long ago that nobody will undo it, and what was looked at that long ago. Returns how many of each. */
export async function sweepRecords(db: Queryable, now: Date): Promise<{ events: number; viewed: number }> {
  const events = await db.query("delete from event where at < $1 returning id", [before(now, keptDays.events)]);
  const viewed = await db.query("delete from viewed where at < $1 returning resource_id", [
    before(now, keptDays.viewed),
  ]);
  return { events: events.length, viewed: viewed.length };
}

/** How many rows are read in one go: nobody waits for this. */
const ROWS = 300;

/** What may name a file, as one text a row: everything that is written, answered, proposed, or can be undone. */
const places = [
  { table: "revision", text: "document::text" },
  { table: "response", text: "value::text" },
  { table: "brought_file", text: "document::text || coalesce(newer::text, '')" },
  { table: "offer", text: "coalesce(proposal::text, '')" },
  { table: "event", text: "before::text || after::text" },
  { table: "curated_set", text: "to_jsonb(curated_set)::text" },
  { table: "piece", text: "coalesce(voice::text, '')" },
  { table: "piece_reply", text: "coalesce(voice::text, '')" },
  { table: "portfolio_piece", text: "coalesce(why_voice::text, '')" },
] as const;

/** Every stored file that is named anywhere, by SHA-256. */
export async function namedFiles(db: Queryable): Promise<Set<string>> {
  const named = new Set<string>();
  const found = (rows: readonly { sha256: string }[]) => rows.forEach(({ sha256 }) => named.add(sha256));
  for (const { table, text } of places) {
    for (let from = -1; ;) {
      const [{ last = null } = {}] = await db.query<{ last: number | null }>(
        `select max(id) last from (select id from ${table} where id > $1 order by id limit ${ROWS}) next`,
        [from],
      );
      if (last === null) break;
      found(
        await db.query<{ sha256: string }>(
          `select distinct hash[1] sha256
           from ${table}, regexp_matches(${text}, '[0-9a-f]{64}', 'g') hash
           where id > $1 and id <= $2`,
          [from, last],
        ),
      );
      from = last;
    }
  }
  found(
    await db.query<{ sha256: string }>(
      "select distinct hash[1] sha256 from draft, regexp_matches(document::text, '[0-9a-f]{64}', 'g') hash",
    ),
  );
  return named;
}

/**
 * Takes the rows of files away that were uploaded a month ago or more and are named nowhere. Returns their SHA-256, whose files may
 * then go too. A file that is uploaded again counts as new.
 */
export async function sweepMedia(db: Db, now: Date): Promise<string[]> {
  const old = before(now, keptDays.unusedMedia);
  const candidates = await db.query<{ sha256: string }>("select sha256 from media where added < $1", [old]);
  if (candidates.length === 0) return [];
  const named = await namedFiles(db);
  const unused = candidates.map(({ sha256 }) => sha256).filter((sha256) => !named.has(sha256));
  const gone = await db.query<{ sha256: string }>(
    "delete from media where sha256 = any($1::text[]) and added < $2 returning sha256",
    [unused, old],
  );
  return gone.map(({ sha256 }) => sha256);
}
