import type { Document } from "@/core/resource/document";
import type { Db } from "@/data/db";
import { draftOf, resourceById, revisionById } from "@/data/resources";

/** What the editor opens: the draft, or the head where there is none; and the revision it was adapted from. */
export interface AdaptData {
  resource: number;
  document: Document;
  /** The draft's counter; 0 when there is no draft. */
  counter: number;
  hasDraft: boolean;
  published: boolean;
  shelves: string[];
  saved: Date | null;
  source: { author: string; number: number; document: Document } | null;
}

/** For a resource the caller has been found to own. */
export async function adaptData(db: Db, id: number): Promise<AdaptData | null> {
  const [resource, draft] = await Promise.all([resourceById(db, id), draftOf(db, id)]);
  if (!resource) return null;
  const [head, source] = await Promise.all([
    resource.head === null ? undefined : revisionById(db, resource.head),
    resource.source ? revisionById(db, resource.source.revision) : undefined,
  ]);
  const document = draft?.document ?? head?.document;
  if (!document) return null;
  return {
    resource: id,
    document,
    counter: draft?.counter ?? 0,
    hasDraft: draft !== undefined,
    published: resource.head !== null,
    shelves: resource.shelves,
    saved: draft?.saved ?? head?.created ?? null,
    source:
      source && resource.source
        ? { author: resource.source.author, number: source.number, document: source.document }
        : null,
  };
}
