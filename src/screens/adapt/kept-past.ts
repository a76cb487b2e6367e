import { canonical } from "@/core/resource/changes";
import { DocumentError, parseDocument, type Document } from "@/core/resource/document";

/** What undo and redo go through, kept for this window while it is read again; sessionStorage holds some 5 MB. */

const MOST_CHARACTERS = 2_000_000;
const place = (resource: number) => `satchel-past-${resource}`;

interface Past {
  past: Document[];
  future: Document[];
}

/** Keeps the newest of the past and the nearest of the future, as much as there is room for. */
export function keepPast(resource: number, { past, now, future }: Past & { now: Document }): void {
  let room = MOST_CHARACTERS;
  const fits = (documents: readonly Document[]) =>
    documents.map((document) => JSON.stringify(document)).filter((text) => (room -= text.length) > 0);
  const [before, after] = [fits(past.toReversed()).toReversed(), fits(future)];
  try {
    if (before.length + after.length === 0) return sessionStorage.removeItem(place(resource));
    sessionStorage.setItem(
      place(resource),
      `{"now":${JSON.stringify(canonical(now))},"past":[${before.join()}],"future":[${after.join()}]}`,
    );
  } catch {
    // Without storage undo begins anew with the page; nothing of the document is lost.
  }
}

/** The past of a document, if what was kept is that of this very document. */
export function readPast(resource: number, now: Document): Past | null {
  try {
    const kept = JSON.parse(sessionStorage.getItem(place(resource)) ?? "null") as (Past & { now: string }) | null;
    if (!kept || kept.now !== canonical(now)) return null;
    return { past: kept.past.map(parseDocument), future: kept.future.map(parseDocument) };
  } catch (error) {
    if (error instanceof DocumentError || error instanceof SyntaxError || error instanceof DOMException) return null;
    throw error;
  }
}
