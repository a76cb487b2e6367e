import type { Db, Queryable } from "./db";

const timedQueryable = (inner: Queryable, note: (text: string, ms: number) => void): Queryable => ({
  async query<Row>(text: string, params?: unknown[]): Promise<Row[]> {
    const at = performance.now();
    try {
      return await inner.query<Row>(text, params);
    } finally {
      note(text, performance.now() - at);
    }
  },
  script: (text) => inner.script(text),
});

/** The same database, which says of each statement how many milliseconds it took. */
export function timed(db: Db, note: (text: string, ms: number) => void): Db {
  return {
    ...timedQueryable(db, note),
    transaction: (work) => db.transaction((tx) => work(timedQueryable(tx, note))),
    listen: (channel, heard, missed) => db.listen(channel, heard, missed),
    close: () => db.close(),
  };
}
