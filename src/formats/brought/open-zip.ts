import { readZip, ZipError } from "../read-zip";
import { BroughtError } from "./brought-error";

/** What is in an archive, by the whole names. */
export type Files = ReadonlyMap<string, Uint8Array>;

const limits = { files: 20_000, bytes: 300_000_000, name: "file" };

/** Opens slides, documents and books, which are all zips. Macros and programs in them are not even unpacked. */
export function openZip(bytes: Uint8Array): Files {
  try {
    return readZip(bytes, limits, (name) => !/\.(?:bin|exe|dll|js|vbs)$/i.test(name));
  } catch (error) {
    throw error instanceof ZipError ? new BroughtError(error.message) : error;
  }
}
