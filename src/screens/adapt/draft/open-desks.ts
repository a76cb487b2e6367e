import type { Document } from "@/core/resource/document";

/** What this window knows of a resource that is or was open in it. */
export interface Desk {
  /** How often it had been saved when this window last heard. */
  seen: number;
  /** As the server has it. */
  saved: Document;
  /** As it is here. */
  newest: Document;
  /** The save that is under way. */
  running: Promise<boolean> | null;
}

const desks = new Map<number, Desk>();

/**
 * The desk of a resource: what this window knows, where that is newer than the page it is opened with (Back shows pages from
 * before), or where something of it is not saved yet; else as the page says.
 */
export function desk(resource: number, document: Document, counter: number): Desk {
  const known = desks.get(resource);
  const unsaved = known && known.newest !== known.saved;
  if (known && (unsaved || known.seen > counter)) return known;
  const fresh: Desk = { seen: counter, saved: document, newest: document, running: null };
  // On the server a page is drawn for somebody else the next time: nothing is remembered there.
  if (typeof window !== "undefined") desks.set(resource, fresh);
  return fresh;
}
