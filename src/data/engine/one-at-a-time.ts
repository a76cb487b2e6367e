import type { Queryable } from "./db";

/**
 * The statements of a transaction run one after another, also where they are asked for all at once: a connection takes one
 * statement at a time. Once the transaction is over nothing more goes through: the connection may be somebody else's by then.
 *
 *     const { tx, end } = oneAtATime(connection);
 *     await Promise.all([tx.query("select 1"), tx.query("select 2")]);
 *     end();
 */
export function oneAtATime(connection: Queryable): { tx: Queryable; end: () => void } {
  let last: Promise<unknown> = Promise.resolve();
  let over = false;
  const queued = <Value>(run: () => Promise<Value>): Promise<Value> => {
    if (over) return Promise.reject(new Error("This transaction is over: nothing more can be done in it."));
    const next = last.then(run);
    last = next.catch(() => undefined);
    return next;
  };
  return {
    tx: {
      query: (text, params) => queued(() => connection.query(text, params)),
      script: (text) => queued(() => connection.script(text)),
    },
    end: () => {
      over = true;
    },
  };
}
