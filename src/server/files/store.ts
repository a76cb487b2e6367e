import type { Readable } from "node:stream";

/** Where files lie beside the database, each under its SHA-256 and never changed: a folder, or a store on the network. */
export interface FileStore {
  /** Keeps it, whole or not at all. One that is there already counts as new for `removeOld`. */
  keep(sha256: string, bytes: Uint8Array): Promise<void>;
  /** @throws NodeJS.ErrnoException with the code ENOENT when it is not there */
  read(sha256: string): Promise<Uint8Array<ArrayBuffer>>;
  /** From one byte to another, both included, or to the end. @throws as `read` */
  readPart(sha256: string, from: number, to: number): Promise<Uint8Array<ArrayBuffer>>;
  /** For what is too large to hold. @throws as `read` */
  open(sha256: string): Promise<{ bytes: number; stream: Readable }>;
  isThere(sha256: string): Promise<boolean>;
  /** Takes one away that nobody has kept again since `before`. */
  removeOld(sha256: string, before: Date): Promise<void>;
  /** Takes away what a stop in the middle of keeping left behind. Returns how many there were. */
  removeLeftOvers(now: Date): Promise<number>;
  /** The SHA-256 of everything, in order. */
  every(): AsyncGenerator<string>;
  /** @throws FileStoreAway when it does not answer */
  mustAnswer(): Promise<void>;
}

/** The store on the network does not answer, or not to us. Nothing was kept. */
export class FileStoreAway extends Error {
  readonly code = "FILES_AWAY";

  constructor(why: string) {
    super(`The store for files does not answer: ${why}`);
    this.name = "FileStoreAway";
  }
}

export function mustBeHash(sha256: string): void {
  if (!/^[0-9a-f]{64}$/.test(sha256)) throw new Error("not a SHA-256");
}
