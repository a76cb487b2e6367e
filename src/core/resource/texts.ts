import { sentencesIn } from "../readability/measure";
import type { Document } from "./document";

/** No texts, or not hers to change: identifiers, files, code and maths, addresses, and who made what. */
const notTexts = new Set([
  ...["id", "type", "media", "href", "tex", "captions", "origin", "credits", "licence", "languages", "kind", "region"],
  ...["framework", "code", "standards", "edition", "phase", "work", "audience", "by", "name", "speaker", "from"],
]);
/** Texts that stand in no language of their own: what is accepted, and the units of numbers. */
const bare = new Set(["text", "accepted", "unit", "units", "options"]);

/** Called with a text and the keys and places down to it. */
export type Visit = (text: string, path: (string | number)[]) => void;

/** Words set as code stay as they are. */
const isCode = (value: object): boolean =>
  "marks" in value &&
  Array.isArray(value.marks) &&
  value.marks.some((mark) => (mark as { type?: string }).type === "code");

/**
 * Every text of a document in one language, with the way down to it.
 * `(() => { const found = []; texts(lesson.steps[0], "en", ["en"], [], (text) => found.push(text)); return found; })()` gives `["Look", "The tide comes in twice a day."]`.
 */
export function texts(
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

export type Path = readonly (string | number)[];

/**
 * Where the question is that a text belongs to; null: it belongs to none.
 * `questionPath(["steps", 1, "question", "prompt"])` gives `["steps", 1, "question"]`.
 */
export function questionPath(path: Path): Path | null {
  const at = path.lastIndexOf("question");
  return at < 0 ? null : path.slice(0, at + 1);
}

/** What is found at the end of a path. `at(lesson, ["title", "en"])` gives `"Tides"`. */
export const at = (value: unknown, path: Path): unknown =>
  path.reduce<unknown>((now, key) => (now as Record<string, unknown>)[key], value);

/**
 * The same value with one text in it changed.
 * `withText({ title: "Tides" }, ["title"], (text) => text + "!")` gives `{ title: "Tides!" }`.
 */
export function withText(value: unknown, path: Path, change: (text: string) => string): unknown {
  return withValue(value, path, (text) => change(text as string));
}

/** The same value with what is at the end of a path changed. `withValue({ a: [1, 2] }, ["a", 1], () => 3)` gives `{ a: [1, 3] }`. */
export function withValue(value: unknown, [key, ...rest]: Path, change: (value: unknown) => unknown): unknown {
  if (key === undefined) return change(value);
  if (Array.isArray(value)) return value.with(Number(key), withValue(value[Number(key)], rest, change));
  const record = value as Record<string, unknown>;
  return { ...record, [key]: withValue(record[key], rest, change) };
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

/**
 * The sentence something stands in, with something else in its place.
 * `inSentence("Look. The tide is high. Run!", { start: 10, end: 14 }, "…")` gives `"The … is high."`.
 */
export function inSentence(text: string, { start, end }: { start: number; end: number }, instead: string): string {
  const sentence = sentenceAt(text, start);
  return `${text.slice(sentence.from, start)}${instead}${text.slice(end, Math.max(end, sentence.to))}`.trim();
}

/** A change of one text in a document, as it is proposed. */
export interface TextChange {
  id: string;
  /** Keys and places from the document down to the text. */
  path: (string | number)[];
  /** Its step; null: it is about the whole. */
  step: string | null;
  /** Where it stands in the text. */
  start: number;
  end: number;
  from: string;
  /** What it becomes; null: nobody can say but she. */
  to: string | null;
  /** The sentence it stands in, as it is and as it would be. */
  before: string;
  after: string;
}

/**
 * The document with these texts changed; those without a `to` stay, and of two that overlap the later one stays.
 * `withTexts(lesson, [])` gives `lesson`.
 */
export function withTexts(document: Document, changes: readonly TextChange[]): Document {
  const taken: TextChange[] = [];
  // The last first, so that places further ahead in a text stay where they are.
  const inOrder = changes.filter(({ to }) => to !== null).toSorted((one, other) => other.start - one.start);
  return inOrder.reduce<Document>((now, one) => {
    const place = one.path.join(".");
    if (taken.some((other) => other.path.join(".") === place && one.end > other.start)) return now;
    taken.push(one);
    return withText(now, one.path, (text) => text.slice(0, one.start) + one.to + text.slice(one.end)) as Document;
  }, document);
}
