import { strToU8, Zip, ZipDeflate, ZipPassThrough } from "fflate";

/** Every file of a zip says when it was made; the same things are the same bytes whenever they are written. */
const MADE = new Date(2020, 0, 1, 12);

/** A file of a zip; `packed`: false for what is packed already, as pictures and films are. */
export interface ZipEntry {
  name: string;
  bytes: Uint8Array | string;
  packed?: boolean;
}

/** Writes a zip piece by piece: a film is never in memory together with the others. */
export async function* writeZip(entries: AsyncIterable<ZipEntry> | Iterable<ZipEntry>): AsyncGenerator<Uint8Array> {
  const ready: Uint8Array[] = [];
  const zip = new Zip((error, piece) => {
    if (error) throw error;
    ready.push(piece);
  });
  for await (const { name, bytes, packed = true } of entries) {
    const file = packed ? new ZipDeflate(name, { level: 6 }) : new ZipPassThrough(name);
    file.mtime = MADE;
    zip.add(file);
    file.push(typeof bytes === "string" ? strToU8(bytes) : bytes, true);
    yield* ready.splice(0);
  }
  zip.end();
  yield* ready.splice(0);
}

/** A zip in one piece. */
export async function zipBytes(entries: AsyncIterable<ZipEntry> | Iterable<ZipEntry>): Promise<Uint8Array> {
  const pieces: Uint8Array[] = [];
  for await (const piece of writeZip(entries)) pieces.push(piece);
  return Uint8Array.from(Buffer.concat(pieces));
}
