import { titleOf, type Document } from "@/core/resource/document";
import { addResource, addRevision, saveDraft, setArchived } from "@/data/adapt/resources";
import { headsWithHash, ownPocketsWith, unpublishedDrafts } from "@/data/adapt/mine";
import type { Db } from "@/data/engine/db";
import { addMedia, bytesBy } from "@/data/engine/media";
import { indexResource, removeFromSearch } from "@/data/find/shelves";
import { addPocket, arrangePockets, putIntoPocket } from "@/data/satchel/pockets";
import { relocate } from "@/formats/package/relocate";
import type { ReadPackage } from "@/formats/package/read-package";
import { hashOf } from "../adapt/publish";
import { ActionError } from "../web/act";
import { keepFile } from "../files/files";
import { quota } from "../web/keep-upload";
import type { Visitor } from "../web/session";

/** What a package would bring, thing by thing. */
export interface PackageLook {
  by: string;
  resources: { id: number; title: string; revisions: number; draft: boolean; there: boolean }[];
  pockets: { name: string; things: number }[];
  files: number;
}

type Packed = ReadPackage["index"]["resources"][number];

const newestOf = (pack: ReadPackage, { id, revisions, draft }: Packed): Document =>
  (draft && pack.drafts.get(id)) || pack.documents.get(revisions.at(-1)!.id)!;

/** A document as it would be if nothing else of the package were here: what is compared with what she has. */
const alone = (pack: ReadPackage, visitor: Visitor, document: Document): Document =>
  relocate(document, {
    maker: { there: pack.index.by.id, here: visitor.id },
    resource: () => undefined,
    revision: () => undefined,
  });

/** Which of them she has already, just as they are: by the newest revision, or by the draft where nothing is published. */
async function alreadyThere(db: Db, visitor: Visitor, pack: ReadPackage): Promise<Set<number>> {
  const hashes = new Map(
    pack.index.resources.map((one) => {
      const last = one.revisions.at(-1);
      const document = last ? pack.documents.get(last.id)! : pack.drafts.get(one.id)!;
      return [one.id, [hashOf(document), hashOf(alone(pack, visitor, document))]] as const;
    }),
  );
  const known = await headsWithHash(db, visitor.id, [...hashes.values()].flat());
  const begun = new Set((await unpublishedDrafts(db, visitor.id)).map(hashOf));
  const isThere = ({ id, revisions }: Packed) =>
    hashes.get(id)!.some((hash) => (revisions.length > 0 ? known : begun).has(hash));
  return new Set(pack.index.resources.filter(isThere).map(({ id }) => id));
}

export async function lookAtPackage(db: Db, visitor: Visitor, pack: ReadPackage): Promise<PackageLook> {
  const there = await alreadyThere(db, visitor, pack);
  return {
    by: pack.index.by.name,
    resources: pack.index.resources.map((one) => ({
      ...{ id: one.id, title: titleOf(newestOf(pack, one)), revisions: one.revisions.length },
      ...{ draft: one.draft !== null, there: there.has(one.id) },
    })),
    pockets: pack.index.pockets.map(({ name, resources }) => ({ name, things: resources.length })),
    files: pack.index.media.length,
  };
}

/**
 * Brings a package in: all of it or nothing. What she has already just as it is stays once. Things are hers alone: nothing of a package
 * stands on a shelf or is shared.
 *
 * @throws ActionError when her files take all the room there is
 */
export async function bringPackageIn(
  db: Db,
  visitor: Visitor,
  pack: ReadPackage,
  now: Date,
): Promise<{ resources: number; there: number; pockets: number }> {
  const there = await alreadyThere(db, visitor, pack);
  const size = pack.index.media.reduce((sum, { sha256 }) => sum + pack.media.get(sha256)!.length, 0);
  if ((await bytesBy(db, visitor.id)) + size > quota[visitor.kind]) throw new ActionError("noRoomForFiles");
  // Files first: one too many does no harm, one too few would.
  for (const { sha256 } of pack.index.media) await keepFile(pack.media.get(sha256)!);
  return db.transaction(async (tx) => {
    for (const { sha256, mime } of pack.index.media)
      await addMedia(tx, { ...{ sha256, mime }, bytes: pack.media.get(sha256)!.length, by: visitor.id, at: now });
    const resources = new Map<number, number>();
    const revisions = new Map<number, number>();
    const here = {
      maker: { there: pack.index.by.id, here: visitor.id },
      resource: (id: number) => resources.get(id),
      revision: (id: number) => revisions.get(id),
    };
    const wanted = pack.index.resources.filter(({ id }) => !there.has(id));
    // In the order they were published, so that what something was made from is here before it.
    const inOrder = wanted
      .flatMap((one) => one.revisions.map((revision) => ({ one, revision })))
      .toSorted((a, b) => a.revision.created.localeCompare(b.revision.created) || a.revision.id - b.revision.id);
    const resourceFor = async (one: Packed): Promise<number> => {
      const known = resources.get(one.id);
      if (known !== undefined) return known;
      const id = await addResource(tx, {
        ...{ district: visitor.district, owner: visitor.id, created: now },
        source: (one.source && revisions.get(one.source.revision)) ?? null,
      });
      resources.set(one.id, id);
      return id;
    };
    for (const { one, revision } of inOrder) {
      const resource = await resourceFor(one);
      const document = relocate(pack.documents.get(revision.id)!, here);
      const created = new Date(revision.created);
      const added = await addRevision(tx, {
        ...{ resource, document, hash: hashOf(document), author: visitor.id },
        created: created > now ? now : created,
      });
      revisions.set(revision.id, added.id);
      if (revision === one.revisions.at(-1)) await indexResource(tx, resource, document, true);
    }
    for (const one of wanted) {
      const resource = await resourceFor(one);
      const draft = pack.drafts.get(one.id);
      if (draft) {
        const document = relocate(draft, here);
        const base = (one.revisions.length > 0 && revisions.get(one.revisions.at(-1)!.id)) || null;
        await saveDraft(tx, { ...{ resource, document, base, seen: 0 }, by: visitor.id, at: now });
        if (base === null) await indexResource(tx, resource, document, false);
      }
      if (one.archived) {
        await setArchived(tx, resource, now);
        await removeFromSearch(tx, resource);
      }
    }
    const before = await ownPocketsWith(tx, visitor.id);
    const pockets = new Map<number, number>();
    const parents = new Map<number, number>();
    let made = 0;
    for (const { id, name } of pack.index.pockets) {
      const known = before.find((pocket) => pocket.name === name);
      if (!known) made += 1;
      pockets.set(id, known?.id ?? (await addPocket(tx, visitor.id, name)).id);
    }
    for (const { id, name, within, resources: things } of pack.index.pockets) {
      const inside = things.flatMap((thing) => resources.get(thing) ?? []);
      if (inside.length > 0) await putIntoPocket(tx, pockets.get(id)!, inside, visitor.id, now);
      const parent = within === null ? undefined : pockets.get(within);
      if (parent !== undefined && !before.some((pocket) => pocket.name === name)) parents.set(pockets.get(id)!, parent);
    }
    if (parents.size > 0)
      await arrangePockets(
        tx,
        visitor.id,
        (await ownPocketsWith(tx, visitor.id)).map(({ id, within }) => ({ id, parent: parents.get(id) ?? within })),
      );
    return { resources: resources.size, there: there.size, pockets: made };
  });
}
