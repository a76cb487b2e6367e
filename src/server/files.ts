import { createHash, randomUUID } from "node:crypto";
import { existsSync, mkdirSync } from "node:fs";
import { open, readFile, rename, writeFile } from "node:fs/promises";
import path from "node:path";
import { dataFolder } from "@/data/open";

/** Files beside the database, each under its SHA-256: never under a name somebody gave. */
function place(sha256: string): string {
  if (!/^[0-9a-f]{64}$/.test(sha256)) throw new Error("not a SHA-256");
  return path.join(/* turbopackIgnore: true */ dataFolder(), "media", sha256.slice(0, 2), sha256);
}

/** Keeps a file, whole or not at all, and returns its SHA-256. */
export async function keepFile(bytes: Uint8Array): Promise<string> {
  const sha256 = createHash("sha256").update(bytes).digest("hex");
  const file = place(sha256);
  if (!existsSync(file)) {
    mkdirSync(path.dirname(file), { recursive: true });
    const part = `${file}.${randomUUID()}.part`;
    await writeFile(part, bytes);
    await rename(part, file);
  }
  return sha256;
}

/** The bytes from one place to another, both included: a player asks for a film in many parts. */
export async function readPart(sha256: string, from: number, to: number): Promise<Uint8Array<ArrayBuffer>> {
  const file = await open(place(sha256));
  try {
    const part = new Uint8Array(to - from + 1);
    const { bytesRead } = await file.read(part, 0, part.length, from);
    return part.slice(0, bytesRead);
  } finally {
    await file.close();
  }
}

export async function readKept(sha256: string): Promise<Uint8Array<ArrayBuffer>> {
  return new Uint8Array(await readFile(place(sha256)));
}
