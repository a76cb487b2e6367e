import { Replicas, logPlace, originOf, readingFrom, type Replica } from "./replicas";
import { DatabaseError, type Db } from "./db";

/** A server or a replica that says who answered. `place`: how far it has come. */
function standing(name: string, place: () => string | null, fail?: () => Error | null) {
  const asked: string[] = [];
  const query = <Row>(text: string): Promise<Row[]> => {
    asked.push(text);
    if (text.includes("pg_last_wal_replay_lsn") || text.includes("pg_current_wal"))
      return Promise.resolve([{ place: place() } as Row]);
    const error = fail?.();
    return error ? Promise.reject(error) : Promise.resolve([{ from: name } as Row]);
  };
  const db = {
    ...{ query, script: () => Promise.resolve(), close: () => Promise.resolve() },
    transaction: <Result>(work: (tx: { query: typeof query }) => Promise<Result>) => work({ query }),
    listen: () => Promise.resolve(() => undefined),
  } as unknown as Db;
  const replica: Replica = { db, place: -1n, restsUntil: 0 };
  return { db, replica, asked };
}
const from = async (db: Db, text = "select name from pocket") => (await db.query<{ from: string }>(text))[0]!.from;

test("a place in the log is one number, larger the later it is", () => {
  expect(logPlace("0/0")).toBe(0n);
  expect(logPlace("16/B374D848")).toBe(0x16b374d848n);
  expect(logPlace("1/0") > logPlace("0/FFFFFFFF")).toBe(true);
});

test("a replica that has everything answers; one that has fallen behind does not, and the server does", async () => {
  const server = standing("server", () => "0/200");
  const [level, behind] = [standing("replica", () => "0/200"), standing("replica", () => "0/1FF")];
  expect(await from(readingFrom(server.db, new Replicas([level.replica])))).toBe("replica");
  expect(await from(readingFrom(server.db, new Replicas([behind.replica])))).toBe("server");
});

test("a replica that is only a moment behind is waited for", async () => {
  const server = standing("server", () => "0/200");
  let looked = 0;
  const soon = standing("replica", () => ((looked += 1) > 3 ? "0/200" : "0/100"));
  expect(await from(readingFrom(server.db, new Replicas([soon.replica])))).toBe("replica");
});

test("what a request has written it reads where it wrote it", async () => {
  const [server, replica] = [standing("server", () => "0/1"), standing("replica", () => "0/1")];
  const replicas = new Replicas([replica.replica]);
  for (const write of [
    (db: Db) => db.query("insert into viewed values (1)"),
    (db: Db) => db.query("\n  update pocket set name = 'x'"),
    (db: Db) => db.transaction(async (tx) => tx.query("select 1")),
    (db: Db) => db.script("analyze"),
  ]) {
    const db = readingFrom(server.db, replicas);
    expect(await from(db)).toBe("replica");
    await write(db);
    expect(await from(db)).toBe("server");
  }
});

test("a statement that writes in the middle goes to the server, and the replica is none the worse", async () => {
  const server = standing("server", () => "0/1");
  const replica = standing(
    "replica",
    () => "0/1",
    () => (replica.asked.at(-1)!.includes("insert") ? new DatabaseError("read-only", "25006") : null),
  );
  const replicas = new Replicas([replica.replica]);
  const db = readingFrom(server.db, replicas);
  expect(await from(db, "with new as (insert into viewed values (1) returning 1) select * from new")).toBe("server");
  expect(await from(db)).toBe("server");
  expect(await from(readingFrom(server.db, replicas))).toBe("replica");
});

test.each(["ECONNREFUSED", "57P01", "40001", undefined])(
  "nobody notices a replica that dies in the middle (%s): the server answers, and the replica is left alone for a while",
  async (code) => {
    const [server, other] = [standing("server", () => "0/1"), standing("other replica", () => "0/1")];
    const dying = standing(
      "replica",
      () => "0/1",
      () => new DatabaseError("gone", code),
    );
    const replicas = new Replicas([other.replica, dying.replica]);
    expect(await from(readingFrom(server.db, replicas))).toBe("server");
    expect(await from(readingFrom(server.db, replicas))).toBe("other replica");
    expect(await from(readingFrom(server.db, replicas))).toBe("other replica");
  },
);

test("a statement that is wrong is wrong on the server too, and is not asked twice", async () => {
  const server = standing("server", () => "0/1");
  const replica = standing(
    "replica",
    () => "0/1",
    () => new DatabaseError("no such column", "42703"),
  );
  await expect(from(readingFrom(server.db, new Replicas([replica.replica])))).rejects.toThrow("no such column");
  expect(server.asked.filter((text) => !text.includes("pg_"))).toEqual([]);
});

test("a replica that has become a server of its own is no replica any more", async () => {
  const server = standing("server", () => "0/1");
  const promoted = standing("replica", () => null);
  expect(await from(readingFrom(server.db, new Replicas([promoted.replica])))).toBe("server");
});

test("what outlives a request is remembered by the database, wherever the request reads", () => {
  const [server, replica] = [standing("server", () => "0/1"), standing("replica", () => "0/1")];
  expect(originOf(readingFrom(server.db, new Replicas([replica.replica])))).toBe(server.db);
  expect(originOf(server.db)).toBe(server.db);
});
