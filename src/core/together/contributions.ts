import * as Y from "yjs";

/** A change to a shared page as it came. */
export interface PageChange {
  id: number;
  /** Null: the teacher, who put the page back. */
  student: number | null;
  /** Milliseconds since 1970. */
  at: number;
  /** A Yjs update. */
  change: Uint8Array;
  /** Of a child who was deleted: nothing is left in it to be told. */
  erased?: boolean;
}

/** What one child did to a page in one go. */
export interface Contribution {
  student: number | null;
  from: number;
  to: number;
  /** Letters written, other things done (lines drawn, cards placed), and how much was taken away. */
  letters: number;
  things: number;
  removed: number;
  /** The first change of it: the page can be put back to before this one. */
  first: number;
}

/** Anyone who does nothing for this long has finished one go. Milliseconds; common practice. */
const PAUSE_MS = 90_000;

interface Contents {
  letters: number;
  things: number;
  removed: number;
  clients: number[];
}
/** A lesson's changes are looked at again and again while it grows: each is read once. */
const known = new WeakMap<Uint8Array, Contents>();

/** What a change adds and takes away, and the devices that made it. `contentsOf(pageChanges[0].change).letters` gives `4`. */
export function contentsOf(change: Uint8Array): Contents {
  const before = known.get(change);
  if (before) return before;
  const { structs, ds } = Y.decodeUpdate(change);
  const clients = new Set<number>();
  let [letters, things, removed] = [0, 0, 0];
  for (const struct of structs) {
    if (!(struct instanceof Y.Item)) continue;
    clients.add(struct.id.client);
    if (struct.content instanceof Y.ContentString) letters += struct.content.str.length;
    else if (struct.content.isCountable()) things += struct.content.getLength();
  }
  for (const items of ds.clients.values()) for (const { len } of items) removed += len;
  const contents = { letters, things, removed, clients: [...clients] };
  known.set(change, contents);
  return contents;
}

/** Whose each device is: a number belongs to the first who wrote with it. `devicesOf(pageChanges)` gives `new Map([[1, 1], [2, 2]])`. */
export function devicesOf(changes: readonly PageChange[]): Map<number, number | null> {
  const owners = new Map<number, number | null>();
  for (const { student, change } of changes)
    for (const client of contentsOf(change).clients) if (!owners.has(client)) owners.set(client, student);
  return owners;
}

/**
 * Who did what to a page, in order; changes that follow each other closely are one.
 * `contributionsOf(pageChanges).map(({ student, letters }) => [student, letters])` gives `[[1, 4], [2, 4]]`.
 */
export function contributionsOf(changes: readonly PageChange[]): Contribution[] {
  const all: Contribution[] = [];
  for (const { id, student, at, change, erased } of changes) {
    if (erased) continue;
    const { letters, things, removed } = contentsOf(change);
    const last = all.at(-1);
    if (last?.student === student && at - last.to < PAUSE_MS) {
      last.to = at;
      last.letters += letters;
      last.things += things;
      last.removed += removed;
    } else all.push({ student, from: at, to: at, letters, things, removed, first: id });
  }
  return all;
}

/**
 * A page made of changes; of all of them, or of those before one.
 * `pageOf(pageChanges).getText("text q ").toString()` gives `"Low tide"`.
 */
export function pageOf(changes: readonly Pick<PageChange, "id" | "change">[], before = Infinity): Y.Doc {
  const page = new Y.Doc();
  page.transact(() => {
    for (const { id, change } of changes) if (id < before) Y.applyUpdate(page, change);
  });
  return page;
}
