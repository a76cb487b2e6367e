import { mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import type { Db } from "@/data/engine/db";
import { timed } from "@/data/engine/timed";
import { freshDatabase } from "@/data/testing/database";
import { health } from "./health";
import { log } from "./log";
import { metrics, noteAct, noteStatement } from "./metrics";
import { allDone, underWay } from "./under-way";

let db: Db;
const folder = mkdtempSync(path.join(tmpdir(), "running-"));
beforeAll(async () => {
  db = await freshDatabase();
}, 60_000);
afterAll(async () => {
  await db.close().catch(() => undefined);
  rmSync(folder, { recursive: true, force: true });
  delete process.env.DATA_DIR;
});

describe("whether it runs", () => {
  let at = 0;
  /** Each time two seconds after the last. */
  const later = () => (at += 2_000);

  test("it says so while the database answers and the folder can be written in", async () => {
    process.env.DATA_DIR = folder;
    expect(await health(db, later)).toEqual({ problems: [] });
  });

  test("a folder that is away, and a database that does not answer, are each said", async () => {
    writeFileSync(path.join(folder, "file"), "");
    process.env.DATA_DIR = path.join(folder, "file");
    expect((await health(db, later)).problems).toEqual(["The data folder is full, read-only or away."]);
    process.env.DATA_DIR = folder;
    const silent = { ...db, query: () => new Promise<never>(() => undefined) } as Db;
    expect((await health(silent, later)).problems).toEqual(["The database does not answer."]);
  });
});

test("a hundred who ask within a second make one look", async () => {
  process.env.DATA_DIR = folder;
  let asked = 0;
  const counted = { ...db, query: () => Promise.resolve((asked += 1) && []) } as unknown as Db;
  const all = await Promise.all(Array.from({ length: 100 }, (_, nth) => health(counted, () => 1e9 + nth * 9)));
  expect(all.every(({ problems }) => problems.length === 0)).toBe(true);
  expect(asked).toBe(1);
});

describe("what is measured", () => {
  test("acts by name and outcome, and statements, in the text of Prometheus", async () => {
    noteAct("assign resources", "ok", 120);
    const measured = timed(db, noteStatement);
    await measured.query("select 1");
    await measured.transaction((tx) => tx.query("select 2"));
    const text = await metrics().registry.metrics();
    expect(text).toContain('satchel_act_seconds_count{act="assign resources",outcome="ok"} 1');
    expect(text).toContain("satchel_statement_seconds_count 2");
    expect(text).toContain("process_resident_memory_bytes");
  });

  test("a slow statement is said by its words, and never what it was asked about", async () => {
    const said: unknown[] = [];
    const warn = jest.spyOn(log, "warn").mockImplementation((...words: unknown[]) => void said.push(words));
    noteStatement("select *\n   from person where email = $1", 4_200);
    noteStatement("select 1", 2);
    expect(said).toEqual([[{ ms: 4200, statement: "select * from person where email = $1" }, "a slow statement"]]);
    warn.mockRestore();
  });

  test("a statement that fails is measured too, and fails as it would", async () => {
    const noted: string[] = [];
    const measured = timed(db, (text) => noted.push(text));
    await expect(measured.query("select nothing_at_all")).rejects.toThrow("nothing_at_all");
    expect(noted).toEqual(["select nothing_at_all"]);
  });
});

describe("a stop", () => {
  test("waits for what is under way, and for nothing when nothing is", async () => {
    expect(await allDone(10)).toBe(true);
    let finish = () => {};
    const work = underWay(() => new Promise<void>((done) => (finish = done)));
    const stopped = allDone(5_000);
    finish();
    await work;
    expect(await stopped).toBe(true);
  });

  test("does not wait for ever", async () => {
    void underWay(() => new Promise<void>(() => undefined));
    expect(await allDone(20)).toBe(false);
  });
});
