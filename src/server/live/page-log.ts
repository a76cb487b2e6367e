import { fromBase64 } from "lib0/buffer";
import * as Y from "yjs";
import type { PageChange } from "@/core/together/contributions";
import type { Db } from "@/data/engine/db";
import { changesAfter } from "@/data/live/shared-pages";

/** All that was done to a page, and the page as it stands. */
export interface PageLog {
  changes: readonly PageChange[];
  /** A Yjs update. */
  state: Uint8Array;
  /** How often the changes were made others: what was read before is not so any more. */
  rewritten: number;
}

/** How many pages are remembered, those that were looked at last: four lessons in groups of two. */
const MOST_PAGES = 50;
const empty: PageLog = { changes: [], state: Y.encodeStateAsUpdate(new Y.Doc()), rewritten: 0 };
const remembered = new WeakMap<Db, Map<number, PageLog>>();

/**
 * Reads a page. While a group writes it is read several times a second: only what is new since the last time comes from the
 * database.
 */
export async function pageLog(db: Db, page: number): Promise<PageLog> {
  const pages = remembered.get(db) ?? new Map<number, PageLog>();
  remembered.set(db, pages);
  let known = pages.get(page) ?? empty;
  let read = await changesAfter(db, page, known.changes.at(-1)?.id ?? 0);
  if (read.rewritten !== known.rewritten) [known, read] = [empty, await changesAfter(db, page, 0)];
  const fresh = read.changes.map((kept) => ({
    ...kept,
    at: kept.at.getTime(),
    change: fromBase64(kept.change),
  }));
  const log =
    fresh.length === 0
      ? known
      : {
          changes: [...known.changes, ...fresh],
          state: Y.mergeUpdates([known.state, ...fresh.map(({ change }) => change)]),
          rewritten: read.rewritten,
        };
  // Of two who read at the same time, the one that has read more is remembered.
  const newer = pages.get(page);
  pages.delete(page);
  pages.set(
    page,
    newer && newer.rewritten === log.rewritten && newer.changes.length > log.changes.length ? newer : log,
  );
  if (pages.size > MOST_PAGES) pages.delete(pages.keys().next().value!);
  return log;
}
