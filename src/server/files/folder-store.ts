import { randomUUID } from "node:crypto";
import { createReadStream, existsSync, mkdirSync } from "node:fs";
import { open, readdir, readFile, rename, rm, stat, utimes, writeFile } from "node:fs/promises";
import path from "node:path";
import { dataFolder } from "@/data/engine/open";
import { mustBeHash, type FileStore } from "./store";

/** Another process may be writing one now; an hour later it is not. */
const LEFT_OVER_MS = 3_600_000;

const mediaFolder = () => path.join(/* turbopackIgnore: true */ dataFolder(), "media");

/** Never under a name somebody gave. @throws Error for what is no SHA-256 */
export function placeOf(sha256: string): string {
  mustBeHash(sha256);
  return path.join(mediaFolder(), sha256.slice(0, 2), sha256);
}

/** In the data folder. What cannot be written throws the system's code (ENOSPC, EROFS …): see storage-problem.ts. */
export const folderStore: FileStore = {
  async keep(sha256, bytes) {
    const file = placeOf(sha256);
    if (existsSync(file)) return utimes(file, new Date(), new Date());
    mkdirSync(path.dirname(file), { recursive: true });
    const part = `${file}.${randomUUID()}.part`;
    try {
      await writeFile(part, bytes);
      await rename(part, file);
    } catch (error) {
      await rm(part, { force: true }).catch(() => undefined);
      throw error;
    }
  },
  async read(sha256) {
    return new Uint8Array(await readFile(placeOf(sha256)));
  },
  async readPart(sha256, from, to) {
    const file = await open(placeOf(sha256));
    try {
      const part = new Uint8Array(to - from + 1);
      const { bytesRead } = await file.read(part, 0, part.length, from);
      return part.slice(0, bytesRead);
    } finally {
      await file.close();
    }
  },
  async open(sha256) {
    const { size } = await stat(placeOf(sha256));
    return { bytes: size, stream: createReadStream(placeOf(sha256), { end: Math.max(0, size - 1) }) };
  },
  isThere: (sha256) =>
    stat(placeOf(sha256)).then(
      () => true,
      () => false,
    ),
  async removeOld(sha256, before) {
    const file = placeOf(sha256);
    const kept = await stat(file).catch(() => null);
    if (kept && kept.mtime < before) await rm(file, { force: true });
  },
  async removeLeftOvers(now) {
    let removed = 0;
    for (const shelf of await readdir(mediaFolder()).catch(() => []))
      for (const name of await readdir(path.join(mediaFolder(), shelf)).catch(() => [])) {
        const file = path.join(mediaFolder(), shelf, name);
        if (!name.endsWith(".part") || now.getTime() - (await stat(file)).mtimeMs < LEFT_OVER_MS) continue;
        await rm(file, { force: true });
        removed += 1;
      }
    return removed;
  },
  async *every() {
    for (const shelf of (await readdir(mediaFolder()).catch(() => [])).sort())
      for (const name of (await readdir(path.join(mediaFolder(), shelf)).catch(() => [])).sort())
        if (/^[0-9a-f]{64}$/.test(name)) yield name;
  },
  // Whether the folder can be written in is asked of the data folder as a whole.
  mustAnswer: () => Promise.resolve(),
};
