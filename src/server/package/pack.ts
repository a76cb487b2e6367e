import { storedFiles } from "@/core/resource/stored-files";
import type { Document } from "@/core/resource/document";
import { draftOf, revisionById } from "@/data/adapt/resources";
import { ownPocketsWith, ownResources } from "@/data/adapt/mine";
import type { Db } from "@/data/engine/db";
import { mediaByHash } from "@/data/engine/media";
import { PACKAGE_FORMAT, PACKAGE_VERSION, type SatchelPackage } from "@/formats/package/package";
import { goneAmong } from "../files/files";
import type { Visitor } from "../web/session";

/** Everything of hers: every revision, what is not published yet, pockets, and which files belong to it. */
export async function packMine(db: Db, visitor: Visitor): Promise<SatchelPackage> {
  const own = await ownResources(db, visitor.id);
  const documents = new Map<number, Document>();
  const drafts = new Map<number, Document>();
  for (const { id, revisions, draft } of own) {
    for (const revision of revisions) documents.set(revision.id, (await revisionById(db, revision.id))!.document);
    if (draft) drafts.set(id, (await draftOf(db, id))!.document);
  }
  const files = [...new Set([...documents.values(), ...drafts.values()].flatMap(storedFiles))];
  const gone = new Set(await goneAmong(files));
  const media = [];
  for (const sha256 of files) {
    const known = gone.has(sha256) ? undefined : await mediaByHash(db, sha256);
    if (known) media.push({ sha256, mime: known.mime, bytes: known.bytes });
  }
  const resources = own
    .filter(({ revisions, draft }) => revisions.length > 0 || draft)
    .map(({ id, archived, source, revisions, draft }) => ({
      ...{ id, archived, source },
      revisions: revisions.map(({ id: revision, number, created }) => ({
        ...{ id: revision, number },
        created: new Date(created).toISOString(),
      })),
      draft: draft && { saved: draft.toISOString() },
    }));
  const kept = new Set(resources.map(({ id }) => id));
  const pockets = (await ownPocketsWith(db, visitor.id)).map((pocket) => ({
    ...pocket,
    resources: pocket.resources.filter((id) => kept.has(id)),
  }));
  return {
    index: {
      ...{ format: PACKAGE_FORMAT, version: PACKAGE_VERSION },
      by: { id: visitor.id, name: `${visitor.givenName} ${visitor.familyName}` },
      ...{ resources, pockets, media },
    },
    ...{ documents, drafts },
  };
}
