import * as Y from "yjs";
import type { QuestionType, ResponseValue } from "../question/question";
import { inCommon } from "./in-common";
import { keepings, onePlaceEach } from "./keeping";

/** What two who type at one moment may make too long is cut: this many letters the answer to such a question may have. */
const longest: Partial<Record<QuestionType, number>> = { shortText: 500, cells: 500, notePage: 4000 };
const LONGEST_TEXT = 20_000;

interface Asked {
  id: string;
  type: QuestionType;
}

// The parts of a page are named at the top of the document, where two devices that write first make the same part and not two.
const textName = (question: string, key: string) => `text ${question} ${key}`;
const mapName = (question: string) => `map ${question}`;
const listName = (question: string) => `list ${question}`;

/** Where in a list the entries stand that count: of two with one name the last, or else the first. */
const counting = (all: readonly unknown[], same: (value: unknown) => string, last: boolean): number[] => {
  const found = new Map<string, number>();
  all.forEach((value, at) => {
    if (last || !found.has(same(value))) found.set(same(value), at);
  });
  return [...found.values()].sort((one, other) => one - other);
};

/** Two who move one card at one moment put it into the list twice: these places are the ones to be seen. */
function placesSeen(all: readonly unknown[], type: QuestionType): number[] {
  if (type === "sketch") return [...all.keys()];
  return onePlaceEach.has(type)
    ? counting(all, (value) => String((value as unknown[])[0]), true)
    : counting(all, (value) => JSON.stringify(value), false);
}

function readList(page: Y.Doc, { id, type }: Asked): unknown[] {
  const all = page.getArray(listName(id)).toArray();
  return placesSeen(all, type).map((at) => all[at]);
}

const running = (page: Y.Doc, { id, type }: Asked, key: string): string =>
  page
    .getText(textName(id, key))
    .toString()
    .slice(0, longest[type] ?? LONGEST_TEXT);

/**
 * The answer to a question as it stands on a page; undefined: there is none yet.
 *
 *     sharedValue(page, { id: "q1", type: "order" }) // ["o2", "o1", "o3"]
 */
export function sharedValue(page: Y.Doc, question: Asked): ResponseValue | undefined {
  const keeping = keepings[question.type];
  const { id } = question;
  switch (keeping) {
    case "text":
      return running(page, question, "") || undefined;
    case "text and checks": {
      const text = running(page, question, "");
      const done = readList(page, question) as string[];
      return done.length > 0 ? { text, done } : text || undefined;
    }
    case "texts": {
      const start = textName(id, "");
      const filled = [...page.share.keys()]
        .filter((name) => name.startsWith(start))
        .map((name) => [name.slice(start.length), running(page, question, name.slice(start.length))] as const)
        .filter(([, text]) => text !== "")
        .sort(([one], [other]) => (one < other ? -1 : 1));
      return filled.length > 0 ? Object.fromEntries(filled) : undefined;
    }
    case "record": {
      const record = page.getMap(mapName(id)).toJSON();
      return Object.keys(record).length > 0 ? (record as ResponseValue) : undefined;
    }
    case "list": {
      const list = readList(page, question);
      return list.length > 0 ? (list as ResponseValue) : undefined;
    }
    case "one":
      return page.getMap(mapName(id)).get("") as ResponseValue | undefined;
    case null:
      return undefined;
  }
}

function writeText(text: Y.Text, after: string): void {
  const before = text.toString();
  const { start, end } = inCommon(before, after);
  if (before.length > start + end) text.delete(start, before.length - start - end);
  if (after.length > start + end) text.insert(start, after.slice(start, after.length - end));
}

function writeList(list: Y.Array<unknown>, after: readonly unknown[]): void {
  const [old, next] = [
    list.toArray().map((value) => JSON.stringify(value)),
    after.map((value) => JSON.stringify(value)),
  ];
  const { start, end } = inCommon(old, next);
  if (old.length > start + end) list.delete(start, old.length - start - end);
  if (next.length > start + end) list.insert(start, after.slice(start, after.length - end));
}

/**
 * What is not seen goes first, on every device the same. Otherwise one device could keep the first of two equal cards
 * and another the second, each removing the other, and the card would be gone when they meet.
 */
function writeSeen(page: Y.Doc, { id, type }: Asked, after: readonly unknown[]): void {
  const list = page.getArray(listName(id));
  const seen = new Set(placesSeen(list.toArray(), type));
  for (let at = list.length - 1; at >= 0; at--) if (!seen.has(at)) list.delete(at);
  writeList(list, after);
}

function writeMap(map: Y.Map<unknown>, after: Readonly<Record<string, unknown>>): void {
  for (const key of [...map.keys()]) if (!(key in after)) map.delete(key);
  for (const [key, value] of Object.entries(after))
    if (JSON.stringify(map.get(key)) !== JSON.stringify(value)) map.set(key, value);
}

/**
 * Writes the answer to a question on a page: only what differs from what stands there, so that others' part of it stays.
 * `((page) => (writeShared(page, question, "High tide"), page.getText("text q ").toString()))(newPage())` gives `"High tide"`.
 */
export function writeShared(page: Y.Doc, question: Asked, value: ResponseValue | undefined, by: unknown = null): void {
  const { id } = question;
  page.transact(() => {
    switch (keepings[question.type]) {
      case "text":
        return writeText(page.getText(textName(id, "")), String(value ?? ""));
      case "text and checks": {
        const { text, done } =
          typeof value === "object" && "text" in value
            ? (value as { text: string; done: string[] })
            : { text: String(value ?? ""), done: [] };
        writeText(page.getText(textName(id, "")), text);
        return writeSeen(page, question, done);
      }
      case "texts": {
        const after = (value ?? {}) as Record<string, string>;
        const start = textName(id, "");
        for (const name of page.share.keys())
          if (name.startsWith(start) && !(name.slice(start.length) in after)) writeText(page.getText(name), "");
        for (const [key, text] of Object.entries(after)) writeText(page.getText(textName(id, key)), text);
        return;
      }
      case "record":
        return writeMap(page.getMap(mapName(id)), (value ?? {}) as Record<string, unknown>);
      case "list":
        return writeSeen(page, question, (value ?? []) as unknown[]);
      case "one":
        return writeMap(page.getMap(mapName(id)), value === undefined ? {} : { "": value });
      case null:
        return;
    }
  }, by);
}

/** Puts in every entry anew: one that stayed could be the very one another device is removing as not to be seen. */
function writeAnew(list: Y.Array<unknown>, after: readonly unknown[]): void {
  if (JSON.stringify(list.toArray()) === JSON.stringify(after)) return;
  list.delete(0, list.length);
  list.insert(0, [...after]);
}

/**
 * Makes a page say what another says, as a change on top of everything done so far, which can itself be undone.
 * `((page) => (makeLike(page, newPage()), page.getText("text q ").toString()))(newPage())` gives `"Low tide"`.
 */
export function makeLike(page: Y.Doc, other: Y.Doc): void {
  page.transact(() => {
    for (const name of new Set([...page.share.keys(), ...other.share.keys()])) {
      if (name.startsWith("text ")) writeText(page.getText(name), other.getText(name).toString());
      if (name.startsWith("list ")) writeAnew(page.getArray(name), other.getArray(name).toArray());
      if (name.startsWith("map ")) writeMap(page.getMap(name), other.getMap(name).toJSON());
    }
  });
}

/** One piece of running text and who wrote it, by the number of the device that wrote (a Yjs client). */
export interface Authored {
  text: string;
  client: number;
}

/**
 * Who wrote which part of the running text of a question, by key ("" where there is only one text).
 * `authoredText(newPage(), question).get("").map(({ text }) => text)` gives `["Low ", "tide"]`.
 */
export function authoredText(page: Y.Doc, question: Asked): Map<string, Authored[]> {
  const start = textName(question.id, "");
  const found = new Map<string, Authored[]>();
  for (const name of page.share.keys()) {
    if (!name.startsWith(start)) continue;
    const parts: Authored[] = [];
    for (let item = page.getText(name)._start; item; item = item.right) {
      if (item.deleted || !(item.content instanceof Y.ContentString)) continue;
      const last = parts.at(-1);
      if (last?.client === item.id.client) last.text += item.content.str;
      else parts.push({ text: item.content.str, client: item.id.client });
    }
    if (parts.length > 0) found.set(name.slice(start.length), parts);
  }
  return found;
}
