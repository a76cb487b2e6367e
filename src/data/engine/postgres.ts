import pg from "pg";
import type { Replica } from "./replicas";
import { DatabaseError, type Db, type Queryable } from "./db";
import { Listener, type ConnectForNotices } from "./listener";
import { preparedName } from "./often";
import { oneAtATime } from "./one-at-a-time";

// The same JavaScript values as the embedded engine gives: see worker/db-worker.mjs.
const INT8 = 20;
const NUMERIC = 1700;
const DATE = 1082;
const DATES = 1182;
const types = new pg.TypeOverrides();
types.setTypeParser(INT8, Number);
types.setTypeParser(NUMERIC, Number);
types.setTypeParser(DATE, (text) => text);
types.setTypeParser(DATES, (text) => text.slice(1, -1).split(",").filter(Boolean));

type Client = Pick<pg.ClientBase, "query">;

/** @param prepares whether a connection is ours from one statement to the next, so that it can keep some (often.ts) */
function queryable(client: Client | pg.Pool, prepares = false): Queryable {
  const run = async (text: string, params: unknown[] = []) => {
    try {
      const name = prepares ? preparedName(text) : undefined;
      return await (name ? client.query({ name, text, values: params }) : client.query(text, params));
    } catch (error) {
      const { message, code, constraint, detail } = error as pg.DatabaseError;
      throw new DatabaseError(message, code, constraint, detail);
    }
  };
  return {
    query: async <Row>(text: string, params: unknown[] = []) => (await run(text, params)).rows as Row[],
    script: async (text) => void (await run(text)),
  };
}

/**
 * Compiling a statement costs more than any of ours takes, and the server would do it for those that read much; counting
 * what a million entries leave needs more room than the usual 4 MB before it goes to disk.
 */
const SETTINGS = "-c jit=off -c work_mem=32MB";

/** A PostgreSQL server (15 or later), for schools that run one: set DATABASE_URL. */
export class PostgresDb implements Db {
  private readonly pool: pg.Pool;
  private readonly listener: Listener;
  /** A pooler hands out another connection for every transaction, which knows nothing of statements of before. */
  private readonly prepares: boolean;

  /** @param listenUrl where notices are heard, if `url` is a pooler's that hands out a connection for one transaction */
  constructor(url: string, listenUrl = url) {
    this.prepares = listenUrl === url;
    this.listener = new Listener(connectForNotices(listenUrl));
    this.pool = new pg.Pool({ connectionString: url, max: 10, types, options: SETTINGS });
    this.pool.on("error", (error) => console.error(`PostgreSQL connection lost: ${error.message}`));
  }

  query<Row>(text: string, params: unknown[] = []): Promise<Row[]> {
    return queryable(this.pool, this.prepares).query<Row>(text, params);
  }

  script(text: string): Promise<void> {
    return queryable(this.pool).script(text);
  }

  async transaction<Result>(work: (tx: Queryable) => Promise<Result>): Promise<Result> {
    const client = await this.pool.connect();
    const { tx, end } = oneAtATime(queryable(client, this.prepares));
    let broken: Error | undefined;
    try {
      await client.query("begin");
      const result = await work(tx);
      end();
      await client.query("commit");
      return result;
    } catch (error) {
      end();
      // A connection on which even this fails is not given to anybody else.
      await client.query("rollback").catch((why: Error) => (broken = why));
      throw error;
    } finally {
      client.release(broken);
    }
  }

  listen(channel: string, heard: (payload: string) => void, missed?: () => void): Promise<() => void> {
    return this.listener.listen(channel, heard, missed);
  }

  async close(): Promise<void> {
    await this.listener.close();
    await this.pool.end();
  }
}

const REPLICA_ANSWERS_MS = 1_000;
const REPLICA_READS_MS = 10_000;

/** A streaming replica: one that does not answer soon is given up, because the server itself is there to be asked. */
export function replicaAt(url: string): Replica {
  const pool = new pg.Pool({
    ...{ connectionString: url, max: 10, types, options: SETTINGS },
    ...{ connectionTimeoutMillis: REPLICA_ANSWERS_MS, query_timeout: REPLICA_READS_MS },
  });
  pool.on("error", () => undefined);
  const { query } = queryable(pool);
  return { db: { query, close: () => pool.end() }, place: -1n, restsUntil: 0 };
}

/** One connection that only listens. */
const connectForNotices =
  (url: string): ConnectForNotices =>
  async ({ notice, lost }) => {
    const client = new pg.Client({ connectionString: url, keepAlive: true });
    let told = false;
    const gone = () => {
      if (!told) lost();
      told = true;
    };
    client.on("error", gone);
    client.on("end", gone);
    client.on("notification", ({ channel, payload }) => notice(channel, payload ?? ""));
    try {
      await client.connect();
    } catch (error) {
      told = true;
      throw error;
    }
    return {
      listen: async (channel) => void (await client.query(`listen ${pg.escapeIdentifier(channel)}`)),
      close: () => client.end(),
    };
  };
