import { disguise } from "../question/disguise";
import type { Question } from "../question/question";
import { withQuestions, type Document } from "./document";

/** A short hash of a text (FNV-1a, 32 bits; offset and prime as published by its authors). */
function hash(text: string): string {
  let value = 0x811c9dc5;
  for (const letter of text) value = Math.imul(value ^ letter.codePointAt(0)!, 0x01000193) >>> 0;
  return value.toString(16).padStart(8, "0");
}

const mixed = disguise((question, list, id) => `${hash(`${question} ${list} ${id}`)}-${id}`);
/** How long what stands before an id is. */
const BEFORE = "00000000-".length;

/**
 * A document as it goes on paper for students: without the teacher's steps, and what is chosen from in an order that does
 * not tell what is right; the same order each time, so that two prints of one revision are alike. What is right is not told any more: the
 * names are others.
 * `forPaper(lesson).steps.length` gives `2`.
 */
export const forPaper = (document: Document): Document => ({
  ...document,
  steps: document.steps
    .filter(({ audience }) => audience !== "teacher")
    .map((step) => withQuestions(step, (question) => mixed.question(question))),
});

const isNamed = (value: unknown): value is { id: string }[] =>
  Array.isArray(value) && value.every((one) => typeof (one as { id?: unknown } | null)?.id === "string");

/** The same question in the order it has on paper, with its own names: what is right can still be told. */
function inOrder(question: Question): Question {
  const shown: Readonly<Record<string, unknown>> = { ...mixed.question(question) };
  const fields = Object.entries(question).map(([name, value]) => {
    const other = shown[name];
    if (!isNamed(value) || !isNamed(other)) return [name, value];
    const own = new Map(value.map((one) => [one.id, one]));
    return [name, other.flatMap(({ id }) => own.get(id) ?? own.get(id.slice(BEFORE)) ?? [])];
  });
  return Object.fromEntries(fields) as Question;
}

/**
 * A document in the same order as on paper, with what is right: for what checks by itself, and for keys.
 * `inPaperOrder(lesson).steps.length` gives `2`.
 */
export const inPaperOrder = (document: Document): Document => ({
  ...document,
  steps: document.steps.filter(({ audience }) => audience !== "teacher").map((step) => withQuestions(step, inOrder)),
});

/** "a", "b" … "z", "aa": what a choice is called on paper. `letterAt(26)` gives `"aa"`. */
export function letterAt(at: number): string {
  const rest = Math.floor(at / 26);
  return (rest > 0 ? letterAt(rest - 1) : "") + String.fromCodePoint(97 + (at % 26));
}
