import { mkdtempSync, readdirSync, rmSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { addMedia, mediaByHash } from "@/data/engine/media";
import { freshDatabase } from "@/data/testing/database";
import { now, smallWorld } from "@/data/testing/world";
import { goneAmong, keepFile, readKept, readPart } from "./files";

const folder = mkdtempSync(path.join(os.tmpdir(), "satchel-files-"));
const before = process.env.DATA_DIR;
beforeAll(() => void (process.env.DATA_DIR = folder));
afterAll(() => {
  if (before === undefined) delete process.env.DATA_DIR;
  else process.env.DATA_DIR = before;
  rmSync(folder, { recursive: true, force: true });
});

const bytes = (text: string) => new TextEncoder().encode(text);
const everyFile = () =>
  readdirSync(path.join(folder, "media"), { recursive: true, encoding: "utf8" }).filter((name) =>
    /[0-9a-f]{64}/.test(name),
  );

describe("files beside the database", () => {
  // SHA-256 of "abc": FIPS 180-2, appendix B.1.
  test("are kept under their SHA-256, and come back as they were", async () => {
    const sha256 = await keepFile(bytes("abc"));
    expect(sha256).toBe("ba7816bf8f01cfea414140de5dae2223b00361a396177a9cb410ff61f20015ad");
    expect(new TextDecoder().decode(await readKept(sha256))).toBe("abc");
  });

  test("the same file twice, even at once, is one file and leaves no half of one", async () => {
    await Promise.all([keepFile(bytes("twice")), keepFile(bytes("twice"))]);
    await keepFile(bytes("twice"));
    expect(everyFile().filter((name) => name.endsWith(".part"))).toEqual([]);
    expect(everyFile()).toHaveLength(2);
  });

  test.each(["../../etc/passwd", "", "ABC", "/etc/passwd", `${"a".repeat(63)}/`, "a".repeat(65)])(
    "%j is no file's name",
    async (name) => {
      await expect(readKept(name)).rejects.toThrow("not a SHA-256");
    },
  );

  test("a part of one is what stands there, and no more than there is", async () => {
    const sha256 = await keepFile(bytes("high water, low water"));
    const read = async (from: number, to: number) => new TextDecoder().decode(await readPart(sha256, from, to));
    expect(await read(0, 3)).toBe("high");
    expect(await read(12, 14)).toBe("low");
    expect(await read(12, 999)).toBe("low water");
    await expect(readPart("../../etc/passwd", 0, 9)).rejects.toThrow("not a SHA-256");
  });

  test("one that was never kept is not there", async () => {
    await expect(readKept("0".repeat(64))).rejects.toThrow(/ENOENT/);
  });
});

describe("what is known of a file", () => {
  test("is written down once, by the first who brought it", async () => {
    const db = await freshDatabase();
    const world = await smallWorld(db);
    const sha256 = "a".repeat(64);
    await addMedia(db, { sha256, mime: "image/png", bytes: 12, by: world.ines, at: now });
    await addMedia(db, { sha256, mime: "image/gif", bytes: 99, by: world.teodor, at: now });
    expect(await mediaByHash(db, sha256)).toEqual({ sha256, mime: "image/png", bytes: 12 });
    expect(await mediaByHash(db, "b".repeat(64))).toBeUndefined();
    await db.close();
  }, 30_000);

  test("those that are gone are known", async () => {
    const kept = await keepFile(bytes("still there"));
    const gone = "c".repeat(64);
    expect(await goneAmong([kept, gone])).toEqual([gone]);
  });
});
