import { spawnSync } from "node:child_process";
import {
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  statSync,
  writeFileSync,
} from "node:fs";
import os from "node:os";
import path from "node:path";
import { freeOfTheGone, lockOf, noteOwner } from "./owner";

let parent: string;
let folder: string;
beforeEach(() => {
  parent = mkdtempSync(path.join(os.tmpdir(), "owner-"));
  folder = path.join(parent, "data");
  mkdirSync(folder);
  mkdirSync(lockOf(folder));
  noteOwner(folder);
});
afterEach(() => rmSync(parent, { recursive: true, force: true }));

const noted = () => JSON.parse(readFileSync(path.join(folder, "owner.json"), "utf8")) as Record<string, unknown>;
const note = (more: Record<string, unknown>) =>
  writeFileSync(path.join(folder, "owner.json"), JSON.stringify({ ...noted(), ...more }));
/** The number of a process that was, and is not any more. */
const gone = () => spawnSync(process.execPath, ["-e", ""]).pid;

test("the lock of a process that is there stays", () => {
  expect(noted()).toMatchObject({ pid: process.pid, lock: statSync(lockOf(folder)).ino });
  expect(freeOfTheGone(folder)).toBe(false);
  expect(existsSync(lockOf(folder))).toBe(true);
});

test("the lock of a process that was killed is taken away at once", () => {
  note({ pid: gone() });
  expect(freeOfTheGone(folder)).toBe(true);
  expect(readdirSync(parent)).toEqual(["data"]);
  expect(readdirSync(folder)).toEqual(["owner.json"]);
});

test("a number that another process has by now is not its own", () => {
  note({ started: "1" });
  expect(freeOfTheGone(folder)).toBe(true);
});

test("what a process of another machine, another start or another container wrote says nothing here", () => {
  note({ pid: gone(), system: "another" });
  expect(freeOfTheGone(folder)).toBe(false);
  expect(existsSync(lockOf(folder))).toBe(true);
});

test("a lock that somebody else has taken since is theirs", () => {
  note({ pid: gone(), lock: statSync(lockOf(folder)).ino + 1 });
  expect(freeOfTheGone(folder)).toBe(false);
  expect(readdirSync(folder).sort()).toEqual(["in-use.lock", "owner.json"]);
});

test("without a note, or with one that cannot be read, the lock stays until it runs out", () => {
  writeFileSync(path.join(folder, "owner.json"), "{");
  expect(freeOfTheGone(folder)).toBe(false);
  rmSync(path.join(folder, "owner.json"));
  expect(freeOfTheGone(folder)).toBe(false);
  expect(existsSync(lockOf(folder))).toBe(true);
});
