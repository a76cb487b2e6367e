import { mkdtempSync, readdirSync, rmSync, utimesSync, writeFileSync, mkdirSync } from "node:fs";
import fs from "node:fs/promises";
import os from "node:os";
import path from "node:path";
import { DatabaseError } from "@/data/engine/db";
import { FolderNotWritable, openDatabase } from "@/data/engine/open";
import { keepFile, removeLeftOvers } from "../files/files";
import { storageProblem } from "./storage-problem";

const folder = mkdtempSync(path.join(os.tmpdir(), "satchel-storage-"));
const before = process.env.DATA_DIR;
beforeEach(() => {
  process.env.DATA_DIR = folder;
});
afterEach(() => jest.restoreAllMocks());
afterAll(() => {
  rmSync(folder, { recursive: true, force: true });
  process.env.DATA_DIR = before;
});

const files = (): string[] =>
  readdirSync(folder, { recursive: true })
    .map(String)
    .filter((name) => /[0-9a-f]{64}/.test(name));

test("a full or read-only disk is said in plain words, whichever engine or file met it", () => {
  const full = "There is no room left on the school's computer. Nothing was changed. Tell the school office.";
  expect(storageProblem(Object.assign(new Error("write"), { code: "ENOSPC" }))).toBe(full);
  expect(storageProblem(new DatabaseError("could not extend file", "53100"))).toBe(full);
  expect(storageProblem(new DatabaseError("could not write: No space left on device"))).toBe(full);
  expect(storageProblem(Object.assign(new Error("x"), { code: "EROFS" }))).toContain("read-only");
  expect(storageProblem(new Error("something else"))).toBeNull();
});

test("a file there is no room for leaves nothing of itself behind", async () => {
  jest.spyOn(fs, "writeFile").mockImplementationOnce(async (file) => {
    writeFileSync(String(file), "half of it");
    throw Object.assign(new Error("no room"), { code: "ENOSPC" });
  });
  await expect(keepFile(new Uint8Array([1, 2, 3]))).rejects.toMatchObject({ code: "ENOSPC" });
  expect(files()).toEqual([]);
  await keepFile(new Uint8Array([1, 2, 3]));
  expect(files()).toHaveLength(1);
});

test("what a crash left half-written is taken away at the next start; what is whole, and what is new, stays", async () => {
  const sha256 = await keepFile(new Uint8Array([4, 5, 6]));
  const shelf = path.join(folder, "media", sha256.slice(0, 2));
  mkdirSync(shelf, { recursive: true });
  const now = new Date();
  for (const [name, hours] of [
    ["old.part", 2],
    ["new.part", 0],
  ] as const) {
    writeFileSync(path.join(shelf, name), "x");
    const at = new Date(now.getTime() - hours * 3_600_000);
    utimesSync(path.join(shelf, name), at, at);
  }
  expect(await removeLeftOvers(now)).toBe(1);
  expect(readdirSync(shelf).sort()).toEqual([sha256, "new.part"].sort());
});

test("a data folder nothing can be saved in is refused at the start, with what to do", async () => {
  const file = path.join(folder, "a-file");
  writeFileSync(file, "");
  process.env.DATA_DIR = path.join(file, "below");
  await expect(openDatabase()).rejects.toThrow(FolderNotWritable);
  await expect(openDatabase()).rejects.toThrow(/set DATA_DIR to another folder/);
});
