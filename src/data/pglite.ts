import { mkdirSync } from "node:fs";
import path from "node:path";
import { Worker } from "node:worker_threads";
import lockfile from "proper-lockfile";
import { DatabaseError, type Db, type Queryable } from "./db";

interface Answer {
  id?: number;
  ok?: boolean;
  value?: unknown;
  error?: { message: string; code?: string; constraint?: string; detail?: string };
  notify?: string;
  payload?: string;
}

export interface EmbeddedOptions {
  /** Folder of the database; without it the database lives in memory. */
  folder?: string;
  /** A dump to start from instead of an empty database. */
  template?: string;
  /** How many seconds to wait for another owner to let go (a crashed one's lock is free after six). */
  patience?: number;
  /** Milliseconds after which an unfinished transaction is rolled back. */
  transactionLimit?: number;
}

/** The folder is in use by another process: opening it twice would lose committed rows. */
export class FolderInUse extends Error {
  constructor(folder: string) {
    super(
      `The database folder ${folder} is in use by another running Golden Satchel. ` +
        `Stop that one first, or set DATA_DIR to another folder. Nothing was changed.`,
    );
    this.name = "FolderInUse";
  }
}

/** A crashed owner's lock is free again after this long; a living one renews it every second. */
const STALE_MS = 6_000;

async function lock(folder: string, patience: number): Promise<() => Promise<void>> {
  mkdirSync(folder, { recursive: true });
  try {
    return await lockfile.lock(folder, {
      stale: STALE_MS,
      update: 1_000,
      retries: { retries: patience, minTimeout: 1_000, maxTimeout: 1_000, factor: 1 },
      onCompromised: (error) => {
        console.error(`Lost the lock on ${folder} (${error.message}); stopping so that no row is lost.`);
        process.exit(1);
      },
    });
  } catch (error) {
    if ((error as { code?: string }).code === "ELOCKED") throw new FolderInUse(folder);
    throw error;
  }
}

/** The embedded PostgreSQL in a worker thread of its own, behind the same interface as a server. */
export class EmbeddedDb implements Db {
  private readonly waiting = new Map<number, { resolve(value: unknown): void; reject(error: Error): void }>();
  private readonly listeners = new Map<string, Set<(payload: string) => void>>();
  private nextId = 1;

  private constructor(
    private readonly worker: Worker,
    private readonly unlock: () => Promise<void>,
  ) {
    worker.on("message", (answer: Answer) => this.receive(answer));
    worker.on("error", (error) => this.fail(error));
    worker.on("exit", () => this.fail(new Error("The database has been closed.")));
  }

  /** @throws FolderInUse when another process owns the folder. */
  static async open(options: EmbeddedOptions = {}): Promise<EmbeddedDb> {
    const unlock = options.folder ? await lock(options.folder, options.patience ?? 8) : async () => undefined;
    const file = path.join(/* turbopackIgnore: true */ process.cwd(), "worker", "db-worker.mjs");
    const worker = new Worker(file, {
      workerData: {
        dataDir: options.folder && path.join(options.folder, "pg"),
        template: options.template,
        transactionLimit: options.transactionLimit,
      },
      env: process.env,
    });
    const db = new EmbeddedDb(worker, unlock);
    try {
      await db.query("select 1");
    } catch (error) {
      await unlock();
      throw error;
    }
    return db;
  }

  private receive(answer: Answer): void {
    if (answer.notify !== undefined) {
      for (const heard of this.listeners.get(answer.notify) ?? []) heard(answer.payload ?? "");
      return;
    }
    const caller = this.waiting.get(answer.id!);
    this.waiting.delete(answer.id!);
    if (answer.ok) caller?.resolve(answer.value);
    else {
      const { message, code, constraint, detail } = answer.error!;
      caller?.reject(new DatabaseError(message, code, constraint, detail));
    }
  }

  private fail(error: Error): void {
    for (const caller of this.waiting.values()) caller.reject(error);
    this.waiting.clear();
  }

  private call(op: string, fields: Record<string, unknown> = {}): Promise<unknown> {
    const id = this.nextId++;
    return new Promise((resolve, reject) => {
      this.waiting.set(id, { resolve, reject });
      this.worker.postMessage({ id, op, ...fields });
    });
  }

  private queryable(transaction?: number): Queryable {
    return {
      query: async <Row>(text: string, params: unknown[] = []) =>
        (await this.call("run", { text, params, transaction })) as Row[],
      script: async (script: string) => void (await this.call("run", { script, transaction })),
    };
  }

  query<Row>(text: string, params: unknown[] = []): Promise<Row[]> {
    return this.queryable().query<Row>(text, params);
  }

  script(text: string): Promise<void> {
    return this.queryable().script(text);
  }

  async transaction<Result>(work: (tx: Queryable) => Promise<Result>): Promise<Result> {
    const transaction = (await this.call("begin")) as number;
    let result: Result;
    try {
      result = await work(this.queryable(transaction));
    } catch (error) {
      await this.call("rollback", { transaction }).catch(() => undefined);
      throw error;
    }
    await this.call("commit", { transaction });
    return result;
  }

  async listen(channel: string, heard: (payload: string) => void): Promise<() => void> {
    if (!this.listeners.has(channel)) {
      this.listeners.set(channel, new Set());
      await this.call("listen", { channel });
    }
    this.listeners.get(channel)!.add(heard);
    return () => void this.listeners.get(channel)?.delete(heard);
  }

  /** The whole database as one compressed file, to start another from (`template`). */
  async dump(): Promise<Uint8Array> {
    return (await this.call("dump")) as Uint8Array;
  }

  async close(): Promise<void> {
    await this.call("close").catch(() => undefined);
    await this.worker.terminate();
    await this.unlock().catch(() => undefined);
  }
}
