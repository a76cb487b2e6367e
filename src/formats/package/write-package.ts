import { strToU8, Zip, ZipDeflate, ZipPassThrough } from "fflate";
import { lrmi } from "../lrmi";
import { aboutFile, documentSchema, draftFile, mediaFile, revisionFile, type SatchelPackage } from "./package";

/** Every file of a zip says when it was made; the same package is the same bytes whenever it is written. */
const MADE = new Date(2020, 0, 1, 12);

/** Keys in one order, so that the order of a database's columns does not show. */
function inOrder(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(inOrder);
  if (typeof value !== "object" || value === null) return value;
  return Object.fromEntries(
    Object.entries(value)
      .sort(([one], [other]) => (one < other ? -1 : 1))
      .map(([key, inner]) => [key, inOrder(inner)]),
  );
}
const json = (value: unknown): Uint8Array => strToU8(`${JSON.stringify(inOrder(value), null, 1)}\n`);

/**
 * Writes a package piece by piece: a film is never in memory together with the others.
 * @param bytesOf a stored file by its SHA-256
 */
export async function* writePackage(
  pack: SatchelPackage,
  bytesOf: (sha256: string) => Promise<Uint8Array>,
): AsyncGenerator<Uint8Array> {
  const ready: Uint8Array[] = [];
  const zip = new Zip((error, piece) => {
    if (error) throw error;
    ready.push(piece);
  });
  const add = (name: string, bytes: Uint8Array, packed: boolean) => {
    const file = packed ? new ZipDeflate(name, { level: 6 }) : new ZipPassThrough(name);
    file.mtime = MADE;
    zip.add(file);
    file.push(bytes, true);
  };
  add("satchel.json", json(pack.index), true);
  add("schema/document.schema.json", json(documentSchema()), true);
  for (const { id, revisions, draft } of pack.index.resources) {
    for (const revision of revisions)
      add(revisionFile(id, revision.number), json(pack.documents.get(revision.id)), true);
    const newest = pack.documents.get(revisions.at(-1)?.id ?? -1);
    if (newest) add(aboutFile(id), json(lrmi(newest, { author: pack.index.by.name })), true);
    if (draft) add(draftFile(id), json(pack.drafts.get(id)), true);
    yield* ready.splice(0);
  }
  for (const { sha256 } of pack.index.media) {
    // Pictures, sounds and films are packed already.
    add(mediaFile(sha256), await bytesOf(sha256), false);
    yield* ready.splice(0);
  }
  zip.end();
  yield* ready.splice(0);
}
