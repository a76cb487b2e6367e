import { readFileSync, mkdtempSync, rmSync, writeFileSync, readdirSync, existsSync, utimesSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import { gunzipSync, gzipSync } from "node:zlib";
import type { Db } from "@/data/engine/db";
import { addMedia } from "@/data/engine/media";
import { EmbeddedDb } from "@/data/engine/pglite";
import { tablesOf } from "@/data/keep/tables";
import { freshDatabase } from "@/data/testing/database";
import { giveInLesson, lesson, now, publishFor, smallWorld, type World } from "@/data/testing/world";
import { keepFile } from "../files/files";
import { placeOf } from "../files/folder-store";
import { answerBackups, askForBackup } from "./asked";
import { backupName, writeBackup } from "./backup";
import { restoreBackup } from "./restore";
import { backupPlan, backupsIn, backUpIfDue } from "./schedule";
import { verify } from "./verify";

let db: Db;
let world: World;
let sha256: string;
const folder = mkdtempSync(path.join(tmpdir(), "keep-"));
const place = (name: string) => path.join(folder, name);
/** Another machine: there is no school yet. */
const elsewhere = (open: () => Promise<Db> = freshDatabase) => {
  process.env.DATA_DIR = mkdtempSync(path.join(folder, "other-"));
  return open();
};

beforeAll(async () => {
  process.env.DATA_DIR = place("here");
  db = await freshDatabase();
  world = await smallWorld(db);
  sha256 = await keepFile(Buffer.from("a picture, let us say"));
  await addMedia(db, { sha256, mime: "image/png", bytes: 21, by: world.ines, at: now });
  const published = await publishFor(db, world.ines, lesson("Ebb “and” flood \u2014 Ælfgyth\\n"));
  const at = {
    ...{ date: "2026-11-26", period: 1 },
    ...{ starts: new Date("2026-11-26T09:00Z"), ends: new Date("2026-11-26T10:00Z") },
  };
  await giveInLesson(db, world, published, at);
  await db.query("insert into session (token_hash, person_id, created, expires) values ('x', $1, $2, $2)", [
    ...[world.ines, now],
  ]);
}, 60_000);
afterAll(async () => {
  await db.close();
  delete process.env.DATA_DIR;
  rmSync(folder, { recursive: true, force: true });
});
beforeEach(() => void (process.env.DATA_DIR = place("here")));

/** Everything in every table, as text. */
async function everything(of: Db): Promise<Record<string, string[]>> {
  const found: Record<string, string[]> = {};
  for (const { name } of await tablesOf(of)) {
    const rows = await of.query<{ row: string }>(`select to_jsonb(t)::text as row from "${name}" t order by 1`);
    // When a migration was applied is a matter of each machine until its rows are replaced.
    found[name] = rows.map(({ row }) => row);
  }
  return found;
}

test("what is backed up and restored is the same to the last row and file; people sign in again", async () => {
  const counts = await writeBackup(db, place("whole.tar.gz"), { now });
  expect(counts.media).toBe(1);
  expect(counts.tables.person).toBeGreaterThan(3);
  const other = await elsewhere(() => EmbeddedDb.open());
  expect(await restoreBackup(other, place("whole.tar.gz"), undefined)).toEqual({ ...counts, made: now.toISOString() });
  expect(await everything(other)).toEqual(await everything(db));
  expect(await other.query("select 1 from session")).toEqual([]);
  expect(readFileSync(placeOf(sha256), "utf8")).toBe("a picture, let us say");
  // Numbers go on where they were, and triggers are awake again.
  await publishFor(other, world.ines, lesson("Made after the disaster"));
  expect((await verify(other)).wrong).toEqual([]);
  await expect(other.query("update revision set number = 7")).rejects.toThrow("never changes");
  await other.close();
});

test("a sealed backup opens with its passphrase only, and not when a byte of it was changed", async () => {
  await writeBackup(db, place("sealed"), { now, passphrase: "nine grey seals" });
  expect(readFileSync(place("sealed")).includes("backup.json")).toBe(false);
  const other = await elsewhere();
  await expect(restoreBackup(other, place("sealed"), undefined)).rejects.toThrow("BACKUP_PASSPHRASE");
  await expect(restoreBackup(other, place("sealed"), "nine grey eels")).rejects.toThrow("The passphrase is wrong");
  const bytes = readFileSync(place("sealed"));
  bytes[bytes.length >> 1]! ^= 1;
  writeFileSync(place("changed"), bytes);
  await expect(restoreBackup(other, place("changed"), "nine grey seals")).rejects.toThrow("damaged");
  await restoreBackup(other, place("sealed"), "nine grey seals");
  expect((await other.query("select 1 from person")).length).toBeGreaterThan(3);
  expect(readdirSync(folder).filter((name) => name.endsWith(".open"))).toEqual([]);
  await other.close();
});

test("a backup that is cut off, changed, of something else or of a newer version is refused, and nothing is left of it", async () => {
  await writeBackup(db, place("good.tar.gz"), { now });
  const tar = gunzipSync(readFileSync(place("good.tar.gz")));
  const variants: [string, Buffer, RegExp][] = [
    ["cut", readFileSync(place("good.tar.gz")).subarray(0, 4000), /damaged|not whole/],
    ["no-zip", Buffer.from("hello"), /not a backup/],
    ["lost-end", gzipSync(tar.subarray(0, tar.indexOf("counts.json"))), /not whole|damaged/],
    ["other-file", gzipSync(replaced(tar, "a picture, let us say", "a picture, let us sax")), /is damaged/],
    ["newer", gzipSync(replaced(tar, "0001_", "9001_")), /newer Golden Satchel/],
    ["fewer", gzipSync(replaced(tar, '"media": 1', '"media": 2')), /1 rows and not 2/],
  ];
  // What was refused leaves nothing behind: one place is enough for all of them.
  const other = await elsewhere();
  for (const [name, bytes, why] of variants) {
    writeFileSync(place(name), bytes);
    await expect(restoreBackup(other, place(name), undefined)).rejects.toThrow(why);
    expect(await other.query("select 1 from person")).toEqual([]);
  }
  expect((await restoreBackup(other, place("good.tar.gz"), undefined)).media).toBe(1);
  await other.close();
});

const replaced = (bytes: Buffer, from: string, to: string): Buffer => {
  const at = bytes.indexOf(from);
  expect(at).toBeGreaterThan(-1);
  const copy = Buffer.from(bytes);
  copy.write(to, at);
  return copy;
};

test("nothing is restored over a school that is there", async () => {
  await writeBackup(db, place("again.tar.gz"), { now });
  await expect(restoreBackup(db, place("again.tar.gz"), undefined)).rejects.toThrow("There is a school here already");
});

test("while the server runs, the backup is asked of it", async () => {
  const end = answerBackups(db);
  const counts = await askForBackup({ file: place("asked.tar.gz") }, { id: "one", limit: 20_000 });
  expect(counts.media).toBe(1);
  expect(existsSync(place("asked.tar.gz"))).toBe(true);
  await expect(askForBackup({ file: place("asked.tar.gz/in-a-file") }, { id: "two", limit: 20_000 })).rejects.toThrow(
    /ENOTDIR|EEXIST/,
  );
  end();
  await expect(askForBackup({ file: place("late") }, { id: "three", limit: 300 })).rejects.toThrow("does not answer");
});

test("backups are made by themselves when the last is old enough, and the oldest go", async () => {
  const plan = { folder: place("kept"), everyHours: 24, keep: 2, passphrase: undefined };
  const day = (nth: number) => new Date(now.getTime() + nth * 86_400_000);
  for (const nth of [0, 1, 2]) {
    expect(await backUpIfDue(db, plan, day(nth))).toBe(true);
    utimesSync(path.join(plan.folder, backupName(day(nth), false)), day(nth), day(nth));
    expect(await backUpIfDue(db, plan, new Date(day(nth).getTime() + 3_600_000))).toBe(false);
  }
  expect((await backupsIn(plan.folder)).map(({ at }) => at)).toEqual([day(1), day(2)]);
  // One that was made while the clock was a year ahead keeps no other from being made.
  utimesSync(path.join(plan.folder, backupName(day(2), false)), day(365), day(365));
  expect(await backUpIfDue(db, plan, day(3))).toBe(true);
  expect(backupPlan({} as NodeJS.ProcessEnv)).toBeNull();
  expect(() => backupPlan({ BACKUP_EVERY_HOURS: "daily" } as never)).toThrow("it must be a number");
});

test("verify finds a file that is missing or damaged, a reference to nothing, and marks that are not what the answers give", async () => {
  expect((await verify(db)).wrong).toEqual([]);
  const file = placeOf(sha256);
  writeFileSync(file, "something else");
  expect((await verify(db)).wrong).toEqual([`The file ${sha256} is damaged.`]);
  rmSync(file);
  expect((await verify(db)).wrong).toEqual([`The file ${sha256} is missing.`]);
  await keepFile(Buffer.from("a picture, let us say"));
  await db.script(`alter table class_teacher disable trigger all; update class_teacher set person_id = 999999;`);
  expect((await verify(db)).wrong.join()).toContain("rows of class_teacher name something that is not there");
  await db.script(`delete from class_teacher; alter table class_teacher enable trigger all;`);
  await db.script(`insert into outcome (assignment_id, student_id, framework, code, gained, out_of, questions, minutes, handed_in)
    select r.assignment_id, r.student_id, '', '', 5, 5, 1, 1, now() from recipient r limit 1;
    insert into result_change (assignment_id) select id from assignment on conflict do nothing;
    insert into judged (assignment_id, change) select assignment_id, number from result_change on conflict do nothing;`);
  expect((await verify(db)).wrong.join()).toContain("are not what its answers give");
});
