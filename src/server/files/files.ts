import { createHash } from "node:crypto";
import type { Readable } from "node:stream";
import { folderStore } from "./folder-store";
import type { FileStore } from "./store";

let bucket: { url: string; store: Promise<FileStore> } | undefined;

/** FILES_URL's store, or else the data folder. */
async function store(): Promise<FileStore> {
  const url = process.env.FILES_URL;
  if (!url) return folderStore;
  // Its client is large: it is loaded only where there is such a store.
  if (bucket?.url !== url) bucket = { url, store: import("./bucket-store").then((made) => made.bucketStore(url)) };
  return bucket.store;
}

/**
 * Keeps a file, whole or not at all, and returns its SHA-256.
 * @throws what storage-problem.ts has words for when there is no room, or the store does not answer
 */
export async function keepFile(bytes: Uint8Array): Promise<string> {
  const sha256 = createHash("sha256").update(bytes).digest("hex");
  await (await store()).keep(sha256, bytes);
  return sha256;
}

/** Takes away what a stop in the middle of keeping a file left behind. Returns how many there were. */
export const removeLeftOvers = async (now: Date): Promise<number> => (await store()).removeLeftOvers(now);

/** Takes a file away that nobody has kept again since. */
export const removeOldFile = async (sha256: string, before: Date): Promise<void> =>
  (await store()).removeOld(sha256, before);

/** How many are asked for at a time: a satchel, or a school, may have thousands. */
const AT_ONCE = 40;

/** Which of these files are not where they should be. */
export async function goneAmong(files: readonly string[]): Promise<string[]> {
  const kept = await store();
  const gone: string[] = [];
  for (let from = 0; from < files.length; from += AT_ONCE) {
    const some = files.slice(from, from + AT_ONCE);
    const there = await Promise.all(some.map((sha256) => kept.isThere(sha256)));
    gone.push(...some.filter((_, at) => !there[at]));
  }
  return gone;
}

/** The bytes from one place to another, both included: a player asks for a film in many parts. */
export const readPart = async (sha256: string, from: number, to: number): Promise<Uint8Array<ArrayBuffer>> =>
  (await store()).readPart(sha256, from, to);

export const readKept = async (sha256: string): Promise<Uint8Array<ArrayBuffer>> => (await store()).read(sha256);

/** As a stream, with how many bytes there are. */
export const openKept = async (sha256: string): Promise<{ bytes: number; stream: Readable }> =>
  (await store()).open(sha256);

/** The SHA-256 of every file that is kept, in order. */
export async function* everyKept(): AsyncGenerator<string> {
  yield* (await store()).every();
}

/** @throws FileStoreAway when files are in a store on the network and it does not answer */
export const filesMustAnswer = async (): Promise<void> => (await store()).mustAnswer();
