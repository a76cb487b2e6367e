import { canonical } from "@/core/resource/changes";
import type { Document } from "@/core/resource/document";

/** What undo and redo go through, kept for this window while it is read again; sessionStorage holds some 5 MB. */

const MOST_CHARACTERS = 2_000_000;
export const pastPlace = (resource: number) => `satchel-past-${resource}`;

export interface Past {
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
    if (before.length + after.length === 0) return sessionStorage.removeItem(pastPlace(resource));
    sessionStorage.setItem(
      pastPlace(resource),
      `{"now":${JSON.stringify(canonical(now))},"past":[${before.join()}],"future":[${after.join()}]}`,
    );
  } catch {
    // Without storage undo begins anew with the page; nothing of the document is lost.
  }
}

/** Whether anything was kept that may be worth reading. */
export function hasPast(resource: number): boolean {
  try {
    return sessionStorage.getItem(pastPlace(resource)) !== null;
  } catch {
    return false;
  }
}
