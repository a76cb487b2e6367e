import { Replicas, readingFrom } from "@/data/engine/replicas";
import type { Db } from "@/data/engine/db";
import { migrate } from "@/data/engine/migrate";
import { OFTEN } from "@/data/engine/often";
import { replicaAt, PostgresDb } from "@/data/engine/postgres";
import { smallWorld } from "@/data/testing/world";
import { startPooler, startPostgres, startStandby } from "./postgres.mjs";

/**
 * A server, a streaming replica of it and a pooler before it, all Debian's: the application is behind the pooler, listens beside it, and reads
 * from the replica. Then one after the other goes away. In this order: each test leaves what it has done.
 */
type Server = ReturnType<typeof startPostgres>;
let primary: Server;
let standby: Server;
let pooler: ReturnType<typeof startPooler>;
/** For notices: another way to the server, on which each client keeps a connection of its own. */
let direct: ReturnType<typeof startPooler>;
let db: Db;
let replicas: Replicas;
let pocket: number;

const wait = (ms: number) => new Promise((done) => setTimeout(done, ms));
const numberOf = async (from: Db, text: string) => (await from.query<{ n: number }>(text))[0]!.n;
const rename = (name: string) => db.query("update pocket set name = $2 where id = $1", [pocket, name]);

beforeAll(async () => {
  primary = startPostgres(5441, "-c synchronous_commit=on");
  standby = startStandby(primary, 5442);
  pooler = startPooler(5443, primary);
  direct = startPooler(5444, primary, "session");
  db = new PostgresDb(pooler.url, direct.url);
  replicas = new Replicas([replicaAt(standby.url)]);
  await migrate(db);
  const world = await smallWorld(db);
  const [row] = await db.query<{ id: number }>(
    "insert into pocket (person_id, name, position) values ($1, 'Tide', 0) returning id",
    [world.ines],
  );
  pocket = row!.id;
}, 120_000);
afterAll(async () => {
  await replicas?.close();
  await db?.close();
  pooler?.stop();
  direct?.stop();
  standby?.stop();
  primary?.stop();
});

test("behind a pooler that lends a connection for one transaction, transactions are whole and notices are heard beside it", async () => {
  const heard: string[] = [];
  const stop = await db.listen("tide", (payload) => heard.push(payload));
  await Promise.all(
    Array.from({ length: 40 }, (_, nth) =>
      db.transaction(async (tx) => {
        const [before] = await tx.query<{ id: number }>("select pg_backend_pid() id");
        await tx.query("select pg_notify('tide', $1)", [String(nth)]);
        const [after] = await tx.query<{ id: number }>("select pg_backend_pid() id");
        expect(after).toEqual(before);
      }),
    ),
  );
  await wait(300);
  expect(heard.map(Number).sort((one, other) => one - other)).toEqual(Array.from({ length: 40 }, (_, nth) => nth));
  stop();
});

test("what is asked often is planned once for a connection of ours, and asked as everything else behind a pooler", async () => {
  const counted = `${OFTEN} select count(*)::int n from pocket where name <> $1`;
  const keptBy = async (asked: Db) => {
    const kept = await asked.transaction(async (tx) => {
      for (let nth = 0; nth < 3; nth += 1) expect(await tx.query(counted, [String(nth)])).toEqual([{ n: 1 }]);
      return tx.query<{ statement: string; times: number }>(
        "select statement, (generic_plans + custom_plans)::int times from pg_prepared_statements where statement = $1",
        [counted],
      );
    });
    return kept.map(({ times }) => times);
  };
  expect(await keptBy(db)).toEqual([]);
  const own = new PostgresDb(primary.url);
  expect(await keptBy(own)).toEqual([3]);
  // What was planned before a table changed is planned anew.
  await own.script("alter table pocket add column tide_test int");
  expect(await keptBy(own)).toEqual([6]);
  await own.script("alter table pocket drop column tide_test");
  await own.close();
});

test("who has just written something reads it, whether the replica is as far or not; and it mostly is", async () => {
  const nameOf = async () =>
    (
      await readingFrom(db, replicas).query<{ name: string; replica: boolean }>(
        "select name, pg_is_in_recovery() replica from pocket where id = $1",
        [pocket],
      )
    )[0]!;
  let onReplica = 0;
  for (let nth = 0; nth < 100; nth += 1) {
    await rename(`Tide ${nth}`);
    const { name, replica } = await nameOf();
    expect(name).toBe(`Tide ${nth}`);
    onReplica += Number(replica);
  }
  expect(onReplica).toBeGreaterThan(50);
  // Now it falls behind, as one does that is busy with something else.
  const itself = new PostgresDb(standby.url);
  await itself.query("select pg_wal_replay_pause()");
  await rename("Neap tide");
  expect(await nameOf()).toEqual({ name: "Neap tide", replica: false });
  await itself.query("select pg_wal_replay_resume()");
  await wait(200);
  expect(await nameOf()).toEqual({ name: "Neap tide", replica: true });
  await itself.close();
}, 30_000);

test("nobody notices when the replica dies, nor when it is back", async () => {
  const read = () => numberOf(readingFrom(db, replicas), "select count(*)::int n from pocket");
  const reading = Promise.all(
    Array.from({ length: 100 }, async (_, nth) => {
      await wait(nth * 20);
      return read();
    }),
  );
  await wait(500);
  standby.kill();
  expect(new Set(await reading)).toEqual(new Set([1]));
  standby.start();
  await wait(5_200);
  expect(
    (await readingFrom(db, replicas).query<{ replica: boolean }>("select pg_is_in_recovery() replica"))[0]!.replica,
  ).toBe(true);
}, 60_000);

test("the server dies and the replica takes its place: nothing that was acknowledged is lost, and work goes on by itself", async () => {
  // What is acknowledged is on both disks: as operate.md says it must be for this.
  await db.script("alter system set synchronous_standby_names = '*'");
  await db.query("select pg_reload_conf()");
  await wait(500);
  const acknowledged: string[] = [];
  let on = true;
  const heard: string[] = [];
  const stop = await db.listen(
    "tide",
    (payload) => heard.push(payload),
    () => heard.push("was away"),
  );
  const writing = Array.from({ length: 4 }, async (_, who) => {
    for (let nth = 0; on; nth += 1) {
      const name = `written ${who} ${nth}`;
      await db
        .query("insert into pocket (person_id, name, position) select person_id, $2, 1 from pocket where id = $1", [
          pocket,
          name,
        ])
        .then(
          () => acknowledged.push(name),
          () => wait(20),
        );
    }
  });
  await wait(500);
  primary.kill();
  standby.promote();
  pooler.pointTo(standby);
  direct.pointTo(standby);
  // Nobody stands behind the new server yet, and it must not wait for one.
  const promoted = new PostgresDb(standby.url);
  await promoted.script("alter system set synchronous_standby_names = ''");
  await promoted.query("select pg_reload_conf()");
  await promoted.close();
  const before = acknowledged.length;
  const until = Date.now() + 20_000;
  while (acknowledged.length < before + 20 && Date.now() < until) await wait(100);
  on = false;
  await Promise.all(writing);
  while (!heard.includes("was away") && Date.now() < until) await wait(100);
  await db.query("select pg_notify('tide', 'it is high again')");
  await wait(300);
  stop();
  expect(heard).toEqual(["was away", "it is high again"]);
  expect(before).toBeGreaterThan(20);
  expect(acknowledged.length).toBeGreaterThanOrEqual(before + 20);
  const kept = new Set((await db.query<{ name: string }>("select name from pocket")).map(({ name }) => name));
  expect(acknowledged.filter((name) => !kept.has(name))).toEqual([]);
  // The replica is none any more: what is read comes from the server, and is not old.
  await rename("After the storm");
  expect(
    (await readingFrom(db, replicas).query<{ name: string }>("select name from pocket where id = $1", [pocket]))[0]!
      .name,
  ).toBe("After the storm");
}, 90_000);
