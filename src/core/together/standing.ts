import * as Y from "yjs";

/** A letter or an entry as Yjs numbers it: the device, and the how-manieth of it. */
export type Mark = string;

/** One letter, entry or answer that stands on a page. */
export interface Standing {
  client: number;
  mark: Mark;
  value: string;
  /** The part of the page, and its place there: for a map the key. */
  part: string;
  at: number | string;
}

/** All that stands on a page, part by part. `[...standing(newPage())].length` gives `8`. */
export function* standing(page: Y.Doc): Generator<Standing> {
  for (const part of [...page.share.keys()].sort())
    if (part.startsWith("map ")) yield* answersIn(page.getMap(part), part);
    else yield* sequenceIn(part.startsWith("text ") ? page.getText(part) : page.getArray(part), part);
}

function* answersIn(map: Y.Map<unknown>, part: string): Generator<Standing> {
  for (const [at, { deleted, lastId }] of [...map._map].sort(([one], [other]) => (one < other ? -1 : 1))) {
    if (deleted) continue;
    const { client, clock } = lastId;
    yield { client, mark: `${client} ${clock}`, value: JSON.stringify(map.get(at)), part, at };
  }
}

function* sequenceIn(sequence: Y.Text | Y.Array<unknown>, part: string): Generator<Standing> {
  let at = 0;
  for (let item = sequence._start; item; item = item.right) {
    if (item.deleted || !item.countable) continue;
    const { client, clock } = item.id;
    for (const [nth, value] of item.content.getContent().entries())
      yield { client, mark: `${client} ${clock + nth}`, value: JSON.stringify(value), part, at: at++ };
  }
}

/**
 * What the devices of one child wrote that still stands on a page: each piece of running text, and each entry or choice.
 * `writtenOn(newPage(), new Set([2]))` gives `["tide"]`.
 */
export function writtenOn(page: Y.Doc, devices: ReadonlySet<number>): string[] {
  const found: string[] = [];
  let last: Standing | undefined;
  for (const one of standing(page)) {
    if (!devices.has(one.client)) continue;
    const goesOn = last?.part === one.part && one.part.startsWith("text ") && last.at === (one.at as number) - 1;
    const value = one.part.startsWith("text ") ? (JSON.parse(one.value) as string) : one.value;
    if (goesOn) found[found.length - 1] += value;
    else found.push(value);
    last = one;
  }
  return found;
}
