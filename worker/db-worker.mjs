// The one owner of the embedded database in a process. PGlite blocks its thread for the whole of a query, so it lives here,
// away from the thread that answers requests. Messages in: { id, op, ... }; out: { id, ok, value | error } or { notify }.
// A transaction holds the queue from `begin` to `commit`/`rollback`. One that falls silent for too long, or goes on for far
// too long, is rolled back, so that a caller that dies half-way cannot stop everyone else.
import { readFileSync } from "node:fs";
import { parentPort, workerData } from "node:worker_threads";
import { PGlite, types } from "@electric-sql/pglite";
import { ltree } from "@electric-sql/pglite/contrib/ltree";
import { pg_trgm } from "@electric-sql/pglite/contrib/pg_trgm";
import { unaccent } from "@electric-sql/pglite/contrib/unaccent";
import { Statements } from "./statements.mjs";

const silenceLimit = workerData.transactionLimit ?? 20_000;
const wholeLimit = silenceLimit * 15;

// Both engines return the same JavaScript values: see data/engine/postgres.ts.
const parsers = {
  [types.INT8]: Number,
  [types.NUMERIC]: Number,
  [types.DATE]: (text) => text,
};

const opened = PGlite.create({
  ...(workerData.dataDir ? { dataDir: workerData.dataDir } : {}),
  ...(workerData.template ? { loadDataDir: new Blob([readFileSync(workerData.template)]) } : {}),
  extensions: { pg_trgm, unaccent, ltree },
  parsers,
});

let queue = Promise.resolve();
let open = null; // the running transaction: { id, end, timer, until }
let nextTransaction = 1;

function enqueue(work) {
  const result = queue.then(work);
  queue = result.catch(() => undefined);
  return result;
}

function plainError(error) {
  const { message, code, detail, constraint, table } = error ?? {};
  return { message: String(message ?? error), code, detail, constraint, table };
}

async function begin(db) {
  let started;
  const ready = new Promise((resolve, reject) => (started = { resolve, reject }));
  void enqueue(async () => {
    try {
      await db.exec("begin");
    } catch (error) {
      started.reject(error);
      return;
    }
    const id = nextTransaction++;
    await new Promise((end) => {
      open = { id, end, timer: undefined, until: Date.now() + wholeLimit };
      watch(db);
      started.resolve(id);
    });
  });
  return ready;
}

/** Begins the wait for the next word of the running transaction anew. */
function watch(db) {
  const running = open;
  clearTimeout(running.timer);
  const left = Math.max(0, Math.min(silenceLimit, running.until - Date.now()));
  running.timer = setTimeout(() => open === running && void finish(db, running.id, "rollback"), left);
}

async function finish(db, id, verb) {
  if (open?.id !== id) throw new Error("This transaction took too long and was rolled back; nothing of it was kept.");
  const { end, timer } = open;
  clearTimeout(timer);
  try {
    await db.exec(verb);
  } finally {
    open = null;
    end();
  }
}

let statements;

async function run(db, message) {
  const { text, params } = message;
  if (text === undefined) return db.exec(message.script).then(() => null);
  statements ??= new Statements(db);
  return statements.query(text, params);
}

async function handle(db, message) {
  switch (message.op) {
    case "run":
      if (message.transaction === undefined) return enqueue(() => run(db, message));
      if (open?.id !== message.transaction) {
        throw new Error("This transaction took too long and was rolled back; nothing of it was kept.");
      }
      clearTimeout(open.timer);
      return run(db, message).finally(() => open?.id === message.transaction && watch(db));
    case "begin":
      return begin(db);
    case "commit":
    case "rollback":
      return finish(db, message.transaction, message.op);
    case "listen":
      // In the queue like everything else: two statements at once would be given each other's rows.
      await enqueue(() =>
        db.listen(message.channel, (payload) => parentPort.postMessage({ notify: message.channel, payload })),
      );
      return null;
    case "dump": {
      const file = await enqueue(() => db.dumpDataDir("none"));
      return new Uint8Array(await file.arrayBuffer());
    }
    case "close":
      return enqueue(() => db.close());
    default:
      throw new Error(`unknown operation ${message.op}`);
  }
}

parentPort.on("message", async (message) => {
  try {
    const db = await opened;
    parentPort.postMessage({ id: message.id, ok: true, value: await handle(db, message) });
  } catch (error) {
    parentPort.postMessage({ id: message.id, ok: false, error: plainError(error) });
    // The engine itself broke down: it answers nothing any more. The thread ends, and its owner starts another.
    if (error instanceof WebAssembly.RuntimeError) setTimeout(() => process.exit(1), 0);
  }
  if (message.op === "close") setTimeout(() => process.exit(0), 0);
});
