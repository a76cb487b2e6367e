import { sentencesIn } from "../readability/measure";
import type { Document } from "../resource/document";
import { followDocument } from "../run-sheet/source";
import { changesIn, type Found } from "./find-changes";
import type { Place } from "./places";

/** A change as it would be made in a document. */
export interface PlaceChange extends Found {
  id: string;
  /** Keys and places from the document down to the text. */
  path: (string | number)[];
  /** Its step; null: it is about the whole. */
  step: string | null;
  /** The sentence it stands in, as it is and as it would be. */
  before: string;
  after: string;
}

/** No texts, or not hers to change: identifiers, files, code and maths, addresses, and who made what. */
const notTexts = new Set([
  ...["id", "type", "media", "href", "tex", "captions", "origin", "credits", "licence", "languages", "kind", "region"],
  ...["framework", "code", "standards", "edition", "phase", "work", "audience", "by", "name", "speaker", "from"],
]);
/** Texts that stand in no language of their own: what is accepted, and the units of numbers. */
const bare = new Set(["text", "accepted", "unit", "units", "options"]);

type Visit = (text: string, path: (string | number)[]) => void;

/** Words set as code stay as they are. */
const isCode = (value: object): boolean =>
  "marks" in value &&
  Array.isArray(value.marks) &&
  value.marks.some((mark) => (mark as { type?: string }).type === "code");

function texts(
  value: unknown,
  language: string,
  languages: readonly string[],
  path: (string | number)[],
  visit: Visit,
): void {
  if (Array.isArray(value)) {
    value.forEach((part, at) => {
      if (typeof part === "string" && bare.has(String(path.at(-1)))) visit(part, [...path, at]);
      else texts(part, language, languages, [...path, at], visit);
    });
    return;
  }
  if (typeof value !== "object" || value === null || isCode(value)) return;
  const entries = Object.entries(value);
  const byLanguage = entries.length > 0 && entries.every(([key]) => languages.includes(key));
  for (const [key, inner] of entries) {
    if (byLanguage ? key !== language : notTexts.has(key) && !(key === "name" && path.includes("units"))) continue;
    const here = [...path, key];
    if (typeof inner === "string") {
      if (byLanguage || bare.has(key) || key === "name" || key === "term") visit(inner, here);
    } else if (byLanguage && Array.isArray(inner))
      inner.forEach(
        (row, at) => rows(row, [...here, at], visit) || texts(row, language, languages, [...here, at], visit),
      );
    else texts(inner, language, languages, here, visit);
  }
}

/** Rows of a table, cells of which are plain texts. */
function rows(row: unknown, path: (string | number)[], visit: Visit): boolean {
  if (typeof row === "string") visit(row, path);
  else if (Array.isArray(row) && row.every((cell) => typeof cell === "string"))
    row.forEach((cell, at) => visit(cell as string, [...path, at]));
  else return false;
  return true;
}

/** The sentence of a text that a place in it lies in. */
function sentenceAt(text: string, start: number): { from: number; to: number } {
  let at = 0;
  for (const sentence of sentencesIn(text)) {
    const from = text.indexOf(sentence, at);
    if (from < 0) break;
    at = from + sentence.length;
    if (start < at) return { from, to: at };
  }
  return { from: 0, to: text.length };
}

type Path = readonly (string | number)[];

/** Where the question is that a text belongs to; null: it belongs to none. */
function questionPath(path: Path): Path | null {
  const at = path.lastIndexOf("question");
  return at < 0 ? null : path.slice(0, at + 1);
}

const at = (value: unknown, path: Path): unknown =>
  path.reduce<unknown>((now, key) => (now as Record<string, unknown>)[key], value);

/** In a passage words are marked by their number: one that became two would move the answer. */
const movesWords = (document: Document, { path, from, to }: PlaceChange): boolean => {
  const asked = questionPath(path);
  if (!asked || (at(document, asked) as { type: string }).type !== "highlight" || !path.includes("passage"))
    return false;
  return !/^\p{L}+$/u.test(from) || !/^\p{L}+$/u.test(to ?? "");
};

/** Lists to choose from, in a question: no two of a list may say the same. */
function listsIn(question: unknown, language: string): string[][] {
  if (Array.isArray(question)) {
    const texts = question.flatMap((one: { text?: Record<string, string> }) => one?.text?.[language] ?? []);
    const inner = question.flatMap((one) => listsIn(one, language));
    return texts.length > 1 ? [texts, ...inner] : inner;
  }
  if (typeof question !== "object" || question === null) return [];
  return Object.entries(question).flatMap(([key, value]: [string, unknown]) =>
    key === "options" && Array.isArray(value) && typeof value[0] === "string"
      ? [value as string[]]
      : listsIn(value, language),
  );
}

const repeats = (lists: readonly string[][]): number =>
  lists.reduce((sum, list) => sum + list.length - new Set(list.map((text) => text.trim().toLowerCase())).size, 0);

/** Those of one question that change the same word: one without the others would leave an answer nobody can give. */
export const tiedTo = (changes: readonly PlaceChange[], one: PlaceChange): PlaceChange[] => {
  const asked = questionPath(one.path)?.join(".");
  if (asked === undefined) return [one];
  return changes.filter(
    (other) => other.from.toLowerCase() === one.from.toLowerCase() && questionPath(other.path)?.join(".") === asked,
  );
};

/** Everything in a document that belongs to one place and not to another, in the language that is its first. */
export function placeChanges(document: Document, from: Place, to: Place): PlaceChange[] {
  const found: PlaceChange[] = [];
  const language = document.languages[0]!;
  texts(document, language, document.languages, [], (text, path) => {
    for (const change of changesIn(text, from, to)) {
      const sentence = sentenceAt(text, change.start);
      const [head, tail] = [text.slice(sentence.from, change.start), text.slice(change.end, sentence.to)];
      const nth = path[0] === "steps" ? Number(path[1]) : -1;
      found.push({
        ...change,
        ...{ path, id: `${path.join(".")}@${change.start}`, step: document.steps[nth]?.id ?? null },
        before: `${head}${change.from}${tail}`.trim(),
        after: `${head}${change.to ?? change.from}${tail}`.trim(),
      });
    }
  });
  const byHand = (one: PlaceChange): PlaceChange => ({ ...one, to: null, sure: false, after: one.before });
  const kept = found.map((one) => (movesWords(document, one) ? byHand(one) : one));
  // Of a list that asks for a spelling, both spellings would become one: such a question is hers.
  const changed = applyPlace(document, kept);
  const asked = new Map(
    kept.flatMap(({ path }) => {
      const place = questionPath(path);
      return place ? [[place.join("."), place] as const] : [];
    }),
  );
  const colliding = new Set(
    [...asked].flatMap(([name, place]) => {
      const [before, after] = [document, changed].map((one) => repeats(listsIn(at(one, place), language)));
      return after! > before! ? [name] : [];
    }),
  );
  return kept.map((one) => (colliding.has(questionPath(one.path)?.join(".") ?? "") ? byHand(one) : one));
}

function withText(value: unknown, [key, ...rest]: (string | number)[], change: (text: string) => string): unknown {
  if (key === undefined) return change(value as string);
  if (Array.isArray(value)) return value.with(Number(key), withText(value[Number(key)], rest, change));
  const record = value as Record<string, unknown>;
  return { ...record, [key]: withText(record[key], rest, change) };
}

/**
 * The document with these changes made. What she cannot be told an answer to stays. Lines of a run sheet stay linked to what they were
 * taken from.
 */
export function applyPlace(document: Document, changes: readonly PlaceChange[]): Document {
  // The last first, so that places further ahead in a text stay where they are.
  const changed = changes
    .filter(({ to }) => to !== null)
    .toSorted((one, other) => other.start - one.start)
    .reduce<Document>(
      (now, { path, start, end, to }) =>
        withText(now, path, (text) => text.slice(0, start) + to + text.slice(end)) as Document,
      document,
    );
  return changed.runSheet ? { ...changed, runSheet: followDocument(changed.runSheet, document, changed) } : changed;
}
