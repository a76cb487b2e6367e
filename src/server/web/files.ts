import { createHash, randomUUID } from "node:crypto";
import { existsSync, mkdirSync } from "node:fs";
import { open, readdir, readFile, rename, rm, stat, utimes, writeFile } from "node:fs/promises";
import path from "node:path";
import { dataFolder } from "@/data/engine/open";

/** Files beside the database, each under its SHA-256: never under a name somebody gave. */
export function placeOf(sha256: string): string {
  if (!/^[0-9a-f]{64}$/.test(sha256)) throw new Error("not a SHA-256");
  return path.join(/* turbopackIgnore: true */ dataFolder(), "media", sha256.slice(0, 2), sha256);
}

/**
 * Keeps a file, whole or not at all, and returns its SHA-256.
 * @throws Error with the system's code (ENOSPC, EROFS …) when the folder is full or read-only: see storage-problem.ts
 */
export async function keepFile(bytes: Uint8Array): Promise<string> {
  const sha256 = createHash("sha256").update(bytes).digest("hex");
  const file = placeOf(sha256);
  // Wanted again: it counts as new for whatever takes old files away.
  if (existsSync(file)) await utimes(file, new Date(), new Date());
  else {
    mkdirSync(path.dirname(file), { recursive: true });
    const part = `${file}.${randomUUID()}.part`;
    try {
      await writeFile(part, bytes);
      await rename(part, file);
    } catch (error) {
      await rm(part, { force: true }).catch(() => undefined);
      throw error;
    }
  }
  return sha256;
}

/** Another process may be writing one now; an hour later it is not. */
const LEFT_OVER_MS = 3_600_000;

/** Takes away what a stop in the middle of keeping a file left behind. Returns how many there were. */
export async function removeLeftOvers(now: Date): Promise<number> {
  const folder = path.join(/* turbopackIgnore: true */ dataFolder(), "media");
  let removed = 0;
  for (const shelf of await readdir(folder).catch(() => []))
    for (const name of await readdir(path.join(folder, shelf)).catch(() => [])) {
      const file = path.join(folder, shelf, name);
      if (!name.endsWith(".part") || now.getTime() - (await stat(file)).mtimeMs < LEFT_OVER_MS) continue;
      await rm(file, { force: true });
      removed += 1;
    }
  return removed;
}

/** Takes a file away that nobody has kept again since. */
export async function removeOldFile(sha256: string, before: Date): Promise<void> {
  const file = placeOf(sha256);
  const kept = await stat(file).catch(() => null);
  if (kept && kept.mtime < before) await rm(file, { force: true });
}

/** Which of these files are not where they should be. */
export async function goneAmong(files: readonly string[]): Promise<string[]> {
  const there = await Promise.all(
    files.map((sha256) =>
      stat(placeOf(sha256)).then(
        () => true,
        () => false,
      ),
    ),
  );
  return files.filter((_, at) => !there[at]);
}

/** The bytes from one place to another, both included: a player asks for a film in many parts. */
export async function readPart(sha256: string, from: number, to: number): Promise<Uint8Array<ArrayBuffer>> {
  const file = await open(placeOf(sha256));
  try {
    const part = new Uint8Array(to - from + 1);
    const { bytesRead } = await file.read(part, 0, part.length, from);
    return part.slice(0, bytesRead);
  } finally {
    await file.close();
  }
}

export async function readKept(sha256: string): Promise<Uint8Array<ArrayBuffer>> {
  return new Uint8Array(await readFile(placeOf(sha256)));
}

/** The SHA-256 of every file that is kept. */
export async function* everyKept(): AsyncGenerator<string> {
  const folder = path.join(/* turbopackIgnore: true */ dataFolder(), "media");
  for (const shelf of (await readdir(folder).catch(() => [])).sort())
    for (const name of (await readdir(path.join(folder, shelf)).catch(() => [])).sort())
      if (/^[0-9a-f]{64}$/.test(name)) yield name;
}
