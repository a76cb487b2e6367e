import { lrmi } from "../lrmi";
import { writeZip, type ZipEntry } from "../write-zip";
import { aboutFile, documentSchema, draftFile, mediaFile, revisionFile, type SatchelPackage } from "./package";

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
const json = (name: string, value: unknown): ZipEntry => ({
  name,
  bytes: `${JSON.stringify(inOrder(value), null, 1)}\n`,
});

async function* entriesOf(
  pack: SatchelPackage,
  bytesOf: (sha256: string) => Promise<Uint8Array>,
): AsyncGenerator<ZipEntry> {
  yield json("satchel.json", pack.index);
  yield json("schema/document.schema.json", documentSchema());
  for (const { id, revisions, draft } of pack.index.resources) {
    for (const revision of revisions) yield json(revisionFile(id, revision.number), pack.documents.get(revision.id));
    const newest = pack.documents.get(revisions.at(-1)?.id ?? -1);
    if (newest) yield json(aboutFile(id), lrmi(newest, { author: pack.index.by.name }));
    if (draft) yield json(draftFile(id), pack.drafts.get(id));
  }
  // Pictures, sounds and films are packed already.
  for (const { sha256 } of pack.index.media)
    yield { name: mediaFile(sha256), bytes: await bytesOf(sha256), packed: false };
}

/**
 * Writes a package piece by piece: a film is never in memory together with the others.
 * @param bytesOf a stored file by its SHA-256
 */
export const writePackage = (
  pack: SatchelPackage,
  bytesOf: (sha256: string) => Promise<Uint8Array>,
): AsyncGenerator<Uint8Array> => writeZip(entriesOf(pack, bytesOf));
