import { mkdirSync } from "node:fs";
import path from "node:path";
import { Worker } from "node:worker_threads";
import lockfile from "proper-lockfile";
import { freeOfTheGone, lockOf, noteOwner } from "./owner";
import { DatabaseError, type Db, type Queryable } from "./db";
import { oneAtATime } from "./one-at-a-time";

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

/** Versions before 70 migrations had their lock beside the folder: one that still runs must be seen. @throws FolderInUse */
async function untilEarlierVersionIsGone(folder: string, patience: number): Promise<void> {
  for (let tried = 0; await lockfile.check(folder, { stale: STALE_MS }); tried += 1) {
    if (tried >= patience) throw new FolderInUse(folder);
    await new Promise((again) => setTimeout(again, 1_000));
  }
}

async function lock(folder: string, patience: number): Promise<() => Promise<void>> {
  mkdirSync(folder, { recursive: true });
  freeOfTheGone(folder);
  try {
    await untilEarlierVersionIsGone(folder, patience);
    const unlock = await lockfile.lock(folder, {
      lockfilePath: lockOf(folder),
      stale: STALE_MS,
      update: 1_000,
      retries: { retries: patience, minTimeout: 1_000, maxTimeout: 1_000, factor: 1 },
      onCompromised: (error) => {
        console.error(`Lost the lock on ${folder} (${error.message}); stopping so that no row is lost.`);
        process.exit(1);
      },
    });
    noteOwner(folder);
    return unlock;
  } catch (error) {
    if ((error as { code?: string }).code === "ELOCKED") throw new FolderInUse(folder);
    throw error;
  }
}

const stoppedWork = "The database stopped in the middle of this, so nothing of it was kept. Try again.";

/** How often in a minute the thread is started again; after that something is wrong that starting again does not mend. */
const MOST_RESTARTS = 3;
const RESTARTS_WITHIN_MS = 60_000;

/**
 * The embedded PostgreSQL in a worker thread of its own, behind the same interface as a server. A thread that dies is
 * started again on the same folder: what was asked of it fails at once, what was kept is there. One that keeps dying ends
 * the process, so that whatever watches over it can start it anew.
 */
export class EmbeddedDb implements Db {
  private readonly waiting = new Map<number, { resolve(value: unknown): void; reject(error: Error): void }>();
  private readonly listeners = new Map<string, Set<{ heard: (payload: string) => void; missed?: () => void }>>();
  private nextId = 1;
  private worker: Worker;
  private restarts: number[] = [];
  private ended: Error | undefined;

  private constructor(
    private readonly start: () => Worker,
    private readonly unlock: () => Promise<void>,
    private readonly giveUp: (() => void) | null,
  ) {
    this.worker = this.watched(start());
  }

  private watched(worker: Worker): Worker {
    worker.on("message", (answer: Answer) => this.receive(answer));
    worker.on("error", (error) => console.error(`The database thread failed: ${error.message}`));
    worker.on("exit", () => worker === this.worker && this.died());
    return worker;
  }

  /** The thread is gone. Nobody waits for an answer that cannot come. */
  private died(): void {
    this.fail(this.ended ?? new DatabaseError(stoppedWork));
    if (this.ended) return;
    const now = Date.now();
    this.restarts = [...this.restarts.filter((at) => at > now - RESTARTS_WITHIN_MS), now];
    if (!this.giveUp || this.restarts.length > MOST_RESTARTS) {
      this.ended = new DatabaseError("The database has stopped. Golden Satchel must be started again.");
      this.giveUp?.();
      return;
    }
    this.worker = this.watched(this.start());
    const listening = [...this.listeners.keys()].map((channel) => this.call("listen", { channel }));
    void Promise.all(listening)
      .then(() => this.listeners.forEach((all) => all.forEach(({ missed }) => missed?.())))
      .catch(() => undefined);
  }

  /**
   * @param giveUp what to do when the thread keeps dying; the process ends when it is not said
   * @throws FolderInUse when another process owns the folder.
   */
  static async open(options: EmbeddedOptions = {}, giveUp = () => process.exit(1)): Promise<EmbeddedDb> {
    const unlock = options.folder ? await lock(options.folder, options.patience ?? 8) : async () => undefined;
    const file = path.join(/* turbopackIgnore: true */ process.cwd(), "worker", "db-worker.mjs");
    const start = () =>
      new Worker(file, {
        workerData: {
          dataDir: options.folder && path.join(options.folder, "pg"),
          template: options.template,
          transactionLimit: options.transactionLimit,
        },
        env: process.env,
      });
    // A database in memory is gone with its thread: there is nothing to go on with.
    const db = new EmbeddedDb(start, unlock, options.folder ? giveUp : null);
    try {
      await db.query("select 1");
    } catch (error) {
      db.ended = error as Error;
      await db.worker.terminate();
      await unlock();
      throw error;
    }
    return db;
  }

  private receive(answer: Answer): void {
    if (answer.notify !== undefined) {
      for (const { heard } of this.listeners.get(answer.notify) ?? []) heard(answer.payload ?? "");
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
    if (this.ended) return Promise.reject(this.ended);
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
    const { tx, end } = oneAtATime(this.queryable(transaction));
    let result: Result;
    try {
      result = await work(tx);
    } catch (error) {
      end();
      await this.call("rollback", { transaction }).catch(() => undefined);
      throw error;
    }
    end();
    await this.call("commit", { transaction });
    return result;
  }

  async listen(channel: string, heard: (payload: string) => void, missed?: () => void): Promise<() => void> {
    if (!this.listeners.has(channel)) {
      this.listeners.set(channel, new Set());
      await this.call("listen", { channel });
    }
    const hearer = { heard, missed };
    this.listeners.get(channel)!.add(hearer);
    return () => void this.listeners.get(channel)?.delete(hearer);
  }

  async close(): Promise<void> {
    const closing = this.call("close").catch(() => undefined);
    this.ended = new DatabaseError("The database has been closed.");
    await closing;
    await this.worker.terminate();
    await this.unlock().catch(() => undefined);
  }
}
