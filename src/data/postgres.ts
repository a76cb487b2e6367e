import pg from "pg";
import { DatabaseError, type Db, type Queryable } from "./db";

// The same JavaScript values as the embedded engine gives: see worker/db-worker.mjs.
const INT8 = 20;
const NUMERIC = 1700;
const DATE = 1082;
const types = new pg.TypeOverrides();
types.setTypeParser(INT8, Number);
types.setTypeParser(NUMERIC, Number);
types.setTypeParser(DATE, (text) => text);

type Client = Pick<pg.ClientBase, "query">;

function queryable(client: Client | pg.Pool): Queryable {
  const run = async (text: string, params?: unknown[]) => {
    try {
      return await client.query(text, params as unknown[]);
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
  private listener: Promise<pg.Client> | undefined;
  private readonly listeners = new Map<string, Set<(payload: string) => void>>();

  constructor(private readonly url: string) {
    this.pool = new pg.Pool({ connectionString: url, max: 10, types, options: SETTINGS });
    this.pool.on("error", (error) => console.error(`PostgreSQL connection lost: ${error.message}`));
  }

  query<Row>(text: string, params: unknown[] = []): Promise<Row[]> {
    return queryable(this.pool).query<Row>(text, params);
  }

  script(text: string): Promise<void> {
    return queryable(this.pool).script(text);
  }

  async transaction<Result>(work: (tx: Queryable) => Promise<Result>): Promise<Result> {
    const client = await this.pool.connect();
    try {
      await client.query("begin");
      const result = await work(queryable(client));
      await client.query("commit");
      return result;
    } catch (error) {
      await client.query("rollback").catch(() => undefined);
      throw error;
    } finally {
      client.release();
    }
  }

  async listen(channel: string, heard: (payload: string) => void): Promise<() => void> {
    this.listener ??= this.connectListener();
    const client = await this.listener;
    if (!this.listeners.has(channel)) {
      this.listeners.set(channel, new Set());
      await client.query(`listen ${pg.escapeIdentifier(channel)}`);
    }
    this.listeners.get(channel)!.add(heard);
    return () => void this.listeners.get(channel)?.delete(heard);
  }

  private async connectListener(): Promise<pg.Client> {
    const client = new pg.Client({ connectionString: this.url });
    await client.connect();
    client.on("notification", ({ channel, payload }) => {
      for (const heard of this.listeners.get(channel) ?? []) heard(payload ?? "");
    });
    return client;
  }

  async close(): Promise<void> {
    await (await this.listener)?.end();
    await this.pool.end();
  }
}
