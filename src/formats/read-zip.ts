import { Unzip, UnzipInflate } from "fflate";

/** A zip that cannot be read, in words for the person who sent it: what is wrong, and where. */
export class ZipError extends Error {
  constructor(message: string) {
    super(message);
    this.name = "ZipError";
  }
}

export interface ZipLimits {
  files: number;
  /** Bytes of what is wanted, unpacked. */
  bytes: number;
  /** What this file is called where it is too much: "roster". */
  name: string;
}

/** How much is read at a time: what a zip says of its sizes may be a lie, so what comes out is counted. */
const PIECE = 16_384;
/** Text packs to a twentieth; what packs to a five-hundredth was made to fill a disk. */
const MOST_TIMES = 500;
const FEW = 1_000_000; // below this nothing is suspicious

/** A path that climbs out of the archive, or begins at the root of a disk. */
const climbs = (name: string): boolean =>
  name.includes("\0") || name.includes("\\") || /^(?:\/|[A-Za-z]:)/.test(name) || name.split("/").includes("..");

function joined(parts: readonly Uint8Array[]): Uint8Array {
  const whole = new Uint8Array(parts.reduce((sum, part) => sum + part.length, 0));
  let at = 0;
  for (const part of parts) {
    whole.set(part, at);
    at += part.length;
  }
  return whole;
}

/** Every zip ends with a list of what is in it (APPNOTE 4.3.16); what was cut off has none. A comment of 64 KB at most may follow. */
function hasEnd(bytes: Uint8Array): boolean {
  for (let at = bytes.length - 22; at >= Math.max(0, bytes.length - 22 - 65_535); at -= 1)
    if (bytes[at] === 0x50 && bytes[at + 1] === 0x4b && bytes[at + 2] === 5 && bytes[at + 3] === 6) return true;
  return false;
}

/**
 * The wanted files of a zip by their whole names.
 * @throws ZipError when it is none, is cut off, is larger than the limits, or has names that climb out of it
 */
export function readZip(
  bytes: Uint8Array,
  limits: ZipLimits,
  wanted: (name: string) => boolean,
): Map<string, Uint8Array> {
  const files = new Map<string, Uint8Array>();
  let [seen, size, open] = [0, 0, 0];
  const unzip = new Unzip((file) => {
    seen += 1;
    if (seen > limits.files) throw new ZipError(`This zip has more than ${limits.files} files in it.`);
    if (climbs(file.name))
      throw new ZipError("This zip has a file in it whose name leads out of the zip. It was not opened.");
    if (file.name.endsWith("/") || !wanted(file.name)) return;
    const parts: Uint8Array[] = [];
    open += 1;
    file.ondata = (error, piece, last) => {
      if (error) throw error;
      size += piece.length;
      if (size > limits.bytes)
        throw new ZipError(`This ${limits.name} is larger than ${Math.round(limits.bytes / 1_000_000)} MB unpacked.`);
      if (size > FEW && size > bytes.length * MOST_TIMES)
        throw new ZipError("This zip unpacks to far more than it holds. It was not opened.");
      parts.push(piece);
      if (!last) return;
      open -= 1;
      files.set(file.name, joined(parts));
    };
    file.start();
  });
  unzip.register(UnzipInflate);
  try {
    for (let at = 0; at < bytes.length; at += PIECE)
      unzip.push(bytes.subarray(at, at + PIECE), at + PIECE >= bytes.length);
  } catch (error) {
    if (error instanceof ZipError) throw error;
    throw new ZipError("This is not a zip file we can open.");
  }
  if (open > 0 || (seen > 0 && !hasEnd(bytes)))
    throw new ZipError("This zip file is cut off: its last part is missing.");
  return files;
}
