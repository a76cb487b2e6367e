import { canonical } from "@/core/resource/changes";
import type { Document } from "@/core/resource/document";
import type { Queryable } from "@/data/engine/db";
import { followHead } from "@/data/share/offers";
import { addRevision, revisionById, setHead } from "@/data/adapt/resources";
import { indexResource } from "@/data/find/shelves";
import { sha256 } from "../web/secrets";

export const hashOf = (document: Document): string => sha256(canonical(document));

/** Makes a document the newest revision of its resource, and findable by those its shelves allow. */
export async function publish(
  tx: Queryable,
  of: { resource: number; document: Document; author: number; now: Date },
): Promise<{ id: number; number: number }> {
  const added = await addRevision(tx, {
    resource: of.resource,
    document: of.document,
    hash: hashOf(of.document),
    author: of.author,
    created: of.now,
  });
  await indexResource(tx, of.resource, of.document, true);
  await followHead(tx, of.resource, added.id);
  return added;
}

/** Makes an earlier revision the newest again, as it was found and followed. False: something newer is published by now. */
export async function publishAgain(
  tx: Queryable,
  of: { resource: number; from: number; to: number },
): Promise<boolean> {
  if (!(await setHead(tx, of.resource, of.from, of.to))) return false;
  await indexResource(tx, of.resource, (await revisionById(tx, of.to))!.document, true);
  await followHead(tx, of.resource, of.to);
  return true;
}
