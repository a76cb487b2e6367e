import type { Correction } from "@/core/results/correction";
import { fixedDocument } from "@/core/results/fix-question";
import * as resources from "@/data/adapt/resources";
import type { Queryable } from "@/data/engine/db";
import { publish, publishAgain } from "../adapt/publish";
import { publishable } from "../adapt/publishable";
import { ActionError } from "../web/act";

/**
 * What became of a teacher's own version: published with the question corrected, kept in the draft she is working on (or in a new one,
 * where it cannot be published as it is), right already, or left for her to change by hand, because this kind of question cannot say it.
 */
export type Fixed =
  { how: "published"; from: number; to: number } | { how: "in draft" } | { how: "already" } | { how: "by hand" };

/** Corrects a question in a resource for the next time it is assigned. It is one of hers; that was asked. */
export async function fixOwnVersion(
  tx: Queryable,
  of: { resource: number; question: string; correction: Correction; by: number; now: Date },
): Promise<Fixed> {
  const { question, correction, by, now } = of;
  const resource = (await resources.resourceById(tx, of.resource))!;
  const draft = await resources.draftOf(tx, resource.id);
  const head = resource.head === null ? undefined : await resources.revisionById(tx, resource.head);
  const before = draft?.document ?? head?.document;
  const document = before && fixedDocument(before, question, correction);
  if (!document) return { how: "by hand" };
  if (document === before) return { how: "already" };
  const seen = await resources.editsOf(tx, resource.id);
  const base = draft ? draft.base : resource.head;
  const saved = await resources.saveDraft(tx, { resource: resource.id, document, base, seen, by, at: now });
  if (saved === null) throw new ActionError("ownVersionChanged");
  // What she is working on is not published behind her back.
  if (draft || !head) return { how: "in draft" };
  try {
    const ready = await publishable(tx, resource.id, saved);
    const added = await publish(tx, { resource: resource.id, document: ready.document, author: by, now });
    await resources.dropDraft(tx, resource.id);
    return { how: "published", from: head.id, to: added.id };
  } catch (error) {
    // Something of it may not be published as it is: she sees what in the editor.
    if (error instanceof ActionError) return { how: "in draft" };
    throw error;
  }
}

/** Makes her version what it was before, unless something was published since or she is working on it. */
export async function unfixOwnVersion(tx: Queryable, { from, to }: { from: number; to: number }): Promise<boolean> {
  const before = await resources.revisionById(tx, from);
  if (!before || (await resources.draftOf(tx, before.resource))) return false;
  if (!(await publishAgain(tx, { resource: before.resource, from: to, to: from }))) return false;
  // There is none: it is counted, so that windows that have not heard are told.
  await resources.dropDraft(tx, before.resource);
  return true;
}
