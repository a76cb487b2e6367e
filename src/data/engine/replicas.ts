import { DatabaseError, type Db, type Queryable } from "./db";

/** A place in the log of what was written: how far a replica is, as one number. */
export const logPlace = (said: string): bigint => {
  const [high = "0", low = "0"] = said.split("/");
  return (BigInt(`0x${high}`) << 32n) + BigInt(`0x${low}`);
};

/** One streaming replica. */
export interface Replica {
  db: Pick<Db, "query" | "close">;
  /** How far it was when it was last asked; it only goes on. */
  place: bigint;
  /** It is not asked before this moment (performance.now()): it did not answer. */
  restsUntil: number;
}

/** A replica that is not that far by then has fallen behind, and the server itself is asked. */
const PATIENCE_MS = 100;
const PAUSE_MS = 3;
/** One that did not answer is asked again this much later. */
const REST_MS = 5_000;

const asked = <Value>(work: Promise<Value>): Promise<Value | null> => work.catch(() => null);

/** The streaming replicas of one server, which only read. */
export class Replicas {
  private turn = 0;

  constructor(private readonly all: readonly Replica[]) {}

  /** One after another's turn: a replica that has everything up to a place in the log; null: none has it soon enough. */
  async upTo(place: bigint): Promise<Replica | null> {
    const until = performance.now() + PATIENCE_MS;
    for (;;) {
      const now = performance.now();
      const awake = this.all.filter(({ restsUntil }) => restsUntil <= now);
      if (awake.length === 0 || now > until) return null;
      const replica = awake[(this.turn += 1) % awake.length]!;
      if (replica.place >= place || (await this.look(replica)) >= place) return replica;
      await new Promise((done) => setTimeout(done, PAUSE_MS));
    }
  }

  /** It did not answer: the next ones do without it. */
  rest(replica: Replica): void {
    replica.restsUntil = performance.now() + REST_MS;
    replica.place = -1n;
  }

  private async look(replica: Replica): Promise<bigint> {
    const rows = await asked(
      replica.db.query<{ place: string | null }>(
        "select case when pg_is_in_recovery() then pg_last_wal_replay_lsn()::text end place",
      ),
    );
    // Null: it is no replica any more, but a server of its own.
    if (!rows?.[0]?.place) this.rest(replica);
    else replica.place = logPlace(rows[0].place);
    return replica.place;
  }

  async close(): Promise<void> {
    await Promise.all(this.all.map(({ db }) => db.close()));
  }
}

const writes = /^\s*(insert|update|delete)\b/i;
/** SQLSTATE classes of statements that are wrong wherever they are asked: data, constraints, syntax. */
const wrongAnywhere = /^(22|23|42)/;

/**
 * The database for one request that reads: from a replica that has everything anybody had written when the request came, so that nobody
 * misses what she has just done. From its first write on, and when the replica dies in the middle, the request goes to the server itself.
 */
export function readingFrom(server: Db, replicas: Replicas): Db & { origin: Db } {
  const place = server
    .query<{ place: string }>("select pg_current_wal_flush_lsn()::text place")
    .then(([row]) => logPlace(row!.place));
  const chosen = place.then((at) => replicas.upTo(at)).catch(() => null);
  let onServer = false;
  async function query<Row>(text: string, params?: unknown[]): Promise<Row[]> {
    if (writes.test(text)) onServer = true;
    const replica = onServer ? null : await chosen;
    if (!replica || onServer) return server.query<Row>(text, params);
    try {
      return await replica.db.query<Row>(text, params);
    } catch (error) {
      const code = error instanceof DatabaseError ? error.code : undefined;
      if (code !== undefined && wrongAnywhere.test(code)) throw error;
      onServer = true;
      if (code !== READ_ONLY) replicas.rest(replica);
      return server.query<Row>(text, params);
    }
  }
  return {
    origin: server,
    query,
    script(text) {
      onServer = true;
      return server.script(text);
    },
    transaction<Result>(work: (tx: Queryable) => Promise<Result>) {
      onServer = true;
      return server.transaction(work);
    },
    listen: (channel, heard, missed) => server.listen(channel, heard, missed),
    close: () => server.close(),
  };
}

/** "cannot execute … in a read-only transaction": a statement that writes without beginning so. */
const READ_ONLY = "25006";

/** What outlives the request: the database itself, also where one request reads from a replica. */
export const originOf = (db: Queryable): object => (db as { origin?: Db }).origin ?? db;
