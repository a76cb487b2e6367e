import * as Y from "yjs";
import { contentsOf, contributionsOf, devicesOf, pageOf, type PageChange } from "./contributions";
import { standing, type Mark, type Standing } from "./standing";

const nothing = Y.encodeStateAsUpdate(new Y.Doc());

/** Stands for children who were deleted: nobody has this number. */
const DELETED = -1;

const saidBy = (all: readonly Standing[]): string =>
  JSON.stringify(all.map(({ part, at, value }) => [part, at, value]));

/**
 * What a page that was put back brought back of somebody's. It is told by its place: the page stands as it stood before one of its changes, and whose that
 * letter was is known there. Where that is not found, all of it is taken for hers.
 */
function broughtBack(changes: readonly PageChange[], hers: (one: Standing) => boolean): Mark[] {
  const putBack = changes.at(-1)!;
  const { clients } = contentsOf(putBack.change);
  const after = [...standing(pageOf(changes))];
  const fresh = after.map((one, place) => ({ ...one, place })).filter(({ client }) => clients.includes(client));
  if (fresh.length === 0) return [];
  const said = saidBy(after);
  const earlier = changes.slice(0, -1);
  // A page can be put back to before any go, also of a child who has been deleted since.
  const goes = earlier.map((one) => (one.erased ? { ...one, student: DELETED, erased: false } : one));
  const firsts = new Set(contributionsOf(goes).map(({ first }) => first));
  let then: Standing[] | undefined;
  const page = new Y.Doc();
  for (const { id, change } of earlier) {
    const before = firsts.has(id) ? [...standing(page)] : [];
    if (firsts.has(id) && saidBy(before) === said) then = before;
    Y.applyUpdate(page, change);
  }
  if (then) return fresh.filter(({ place }) => hers(then[place]!)).map(({ mark }) => mark);
  return fresh.map(({ mark }) => mark);
}

/** Takes out of a page what a change has just brought that somebody wrote on one of these devices; false: nothing. */
function takeOutFresh(change: Y.Transaction, devices: ReadonlySet<number>): boolean {
  let found = false;
  for (const device of devices) {
    const known = change.beforeState.get(device) ?? 0;
    const structs = change.doc.store.clients.get(device) ?? [];
    for (let nth = structs.length - 1; nth >= 0 && structs[nth]!.id.clock >= known; nth -= 1) {
      const item = structs[nth]!;
      if (item instanceof Y.Item) item.delete(change);
      found = true;
    }
  }
  return found;
}

/** Takes out of a page what stands there under these marks. */
function takeOut(page: Y.Doc, marks: ReadonlySet<Mark>): void {
  const found = [...standing(page)].filter(({ mark }) => marks.has(mark));
  // From the end, so that the places before stay; what stands side by side goes at once: half of a sign is none.
  for (let last = found.length - 1; last >= 0; last -= 1) {
    const { part, at } = found[last]!;
    if (typeof at === "string") {
      page.getMap(part).delete(at);
      continue;
    }
    let first = last;
    while (first > 0 && found[first - 1]!.part === part && found[first - 1]!.at === (found[first]!.at as number) - 1)
      first -= 1;
    const from = found[first]!.at as number;
    (part.startsWith("text ") ? page.getText(part) : page.getArray(part)).delete(from, at - from + 1);
    last = first;
  }
}

/**
 * The record of a page without what one child wrote: the changes that are others now, as they are to be kept. What she wrote is in none of them, also
 * not where the page was put back; whatever the others wrote stays where it is and theirs, and a device that has the page open goes on.
 *
 * `changes`: all of the page, in the order they came.
 * `[...withoutWriter(pageChanges, 2).keys()]` gives `[2]`.
 */
export function withoutWriter(changes: readonly PageChange[], student: number): Map<number, Uint8Array> {
  const devices = new Set([...devicesOf(changes)].filter(([, owner]) => owner === student).map(([client]) => client));
  const restored = new Set<Mark>();
  const hers = ({ client, mark }: Standing) => devices.has(client) || restored.has(mark);
  const rewritten = new Map<number, Uint8Array>();
  // What is taken out in the change that brings it is not in what Yjs tells of that change.
  const page = new Y.Doc();
  let told: Uint8Array | undefined;
  page.on("update", (update: Uint8Array) => (told = update));
  let wrote = false;
  for (const [nth, { id, student: by, change, erased }] of changes.entries()) {
    wrote ||= by === student;
    // What is nobody's any more brought nothing back.
    const marks = by === null && !erased && wrote ? broughtBack(changes.slice(0, nth + 1), hers) : [];
    for (const mark of marks) restored.add(mark);
    told = undefined;
    let fresh = false;
    page.transact((transaction) => {
      Y.applyUpdate(page, change);
      fresh = takeOutFresh(transaction, devices);
      if (marks.length > 0) takeOut(page, new Set(marks));
    });
    // A change that came before what it builds on shows only when that has come: it is kept there.
    if (by === student || fresh || marks.length > 0) rewritten.set(id, told ?? nothing);
  }
  return rewritten;
}
